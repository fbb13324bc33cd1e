import type { Formula } from '../quantity/figure';
import { portableExp } from '../quantity/portable-math';

/** One kind of loss of a step: how much is expected, its spread from job to job (of the logarithm), and the part of it that all losses of a job share. */
export interface SpreadLoss {
  loss: number;
  spread: number;
  common: number;
}

/**
 * How far a job's whole loss spreads, as a share of what is expected.
 *
 * Formula: variance of a sum of lognormals with mean 1 each: Σᵢ eᵢ²(e^{sᵢ²} − 1) + Σᵢ≠ⱼ eᵢeⱼ(e^{cᵢcⱼ} − 1); variation = √variance ÷ expected. The whole loss is then
 * taken as lognormal with that variation.
 * Source: moments of the lognormal; L. F. Fenton, "The sum of log-normal probability distributions in scatter transmission systems", IRE Trans. CS-8 (1960),
 * from memory. Accuracy: good to spreads of about 1; tails beyond 99 % come out a little thin.
 */
export function lossVariation(losses: readonly SpreadLoss[], expected: number): number {
  if (!(expected > 0)) return 0;
  let variance = 0;
  losses.forEach((a, i) => {
    losses.forEach((b, j) => {
      variance += a.loss * b.loss * (portableExp(i === j ? a.spread * a.spread : a.common * b.common) - 1);
    });
  });
  return Math.sqrt(Math.max(variance, 0)) / expected;
}

/**
 * A spread seen in `jobs` jobs, widened for the next one: mean and spread are themselves estimates.
 * Formula: s²·(1 + 1/n)·(n − 1)/(n − 3), the variance of Student's predictive distribution. Source: definition of the t distribution.
 */
export const widened = (spread: number, jobs: number): number =>
  jobs > 3 ? spread * Math.sqrt((1 + 1 / jobs) * ((jobs - 1) / (jobs - 3))) : spread * 2;

/** How wide a spread seen in so many jobs is known, as a share of it: 1/√(2(n − 1)). Source: standard error of a standard deviation, normal. */
export const spreadWidth = (jobs: number): number => (jobs > 1 ? 1 / Math.sqrt(2 * (jobs - 1)) : 1);

/** Terms by number: loss1, spread1, common1, loss2 …, and what is expected in all. */
export const VARIATION: Formula = {
  id: 'counts.variation',
  unit: '1',
  source: 'own log: spread from job to job and a common factor; sum of lognormals (Fenton 1960)',
  carriesGuess: false,
  of: ({ expected = 0, ...t }) => {
    const losses: SpreadLoss[] = [];
    for (let i = 1; `loss${i}` in t; i++)
      losses.push({ loss: t[`loss${i}`] ?? 0, spread: t[`spread${i}`] ?? 0, common: t[`common${i}`] ?? 0 });
    return lossVariation(losses, expected);
  },
};
