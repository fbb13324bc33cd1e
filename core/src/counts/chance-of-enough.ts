import { OutOfRange, requireNotNegative } from '../quantity/errors';
import type { Formula } from '../quantity/figure';
import { normalBelow, normalQuantile } from '../quantity/normal-distribution';
import { portableExp, portableLog } from '../quantity/portable-math';
import { ceilTolerant } from '../quantity/round-tolerant';

/** Parameters of a lognormal with mean 1 and the given coefficient of variation: σ² = ln(1 + cv²), μ = −σ²/2. Source: definition of the lognormal. */
export function lognormal(variation: number): { mu: number; sigma: number } {
  const variance = portableLog(1 + variation * variation);
  return { mu: -variance / 2, sigma: Math.sqrt(variance) };
}

/**
 * Chance that a job started with an allowance ends with enough good pieces.
 *
 * Formula: the whole loss is the expected loss × M, M lognormal with mean 1 and variation cv, one M for the whole job (bad board is bad on
 * every machine); enough when expected · M ≤ allowance: Φ((ln(allowance / expected) − μ) / σ).
 * Source: handbook spread of losses (half to all of their mean, from memory), a guess until the works has a log of its own.
 *
 * @throws OutOfRange a negative argument
 * @example chanceOfEnough({ allowance: 300, expected: 300, variation: 0.75 }) // 0.631: the mean of a skewed loss is above its median
 */
export function chanceOfEnough({ allowance, expected, variation }: { allowance: number; expected: number; variation: number }): number {
  requireNotNegative('allowance', allowance);
  requireNotNegative('expected', expected);
  requireNotNegative('variation', variation);
  if (expected === 0) return 1;
  if (allowance === 0) return 0;
  if (variation === 0) return allowance >= expected ? 1 : 0;
  const { mu, sigma } = lognormal(variation);
  return normalBelow((portableLog(allowance / expected) - mu) / sigma);
}

/**
 * Allowance that is enough with a wished certainty: expected · exp(μ + σ·z). The inverse of `chanceOfEnough`.
 * @throws OutOfRange certainty outside (0, 1)
 */
export function allowanceFor({ certainty, expected, variation }: { certainty: number; expected: number; variation: number }): number {
  if (!(certainty > 0 && certainty < 1)) throw new OutOfRange('certainty', certainty, 'between 0 and 1');
  const { mu, sigma } = lognormal(variation);
  return expected * portableExp(mu + sigma * normalQuantile(certainty));
}

const source = 'lognormal total loss, fully correlated between steps; spread from a handbook, from memory: a guess until there is a log';
/** Good pieces lost on the way if all goes as expected: what the first flow could have given, less what comes out. */
export const EXPECTED_LOSS: Formula<'started' | 'perGood' | 'out'> = {
  id: 'counts.expectedLoss',
  unit: 'piece',
  source: 'arithmetic',
  of: ({ started, perGood, out }) => Math.max(started / perGood - out, 0),
};
/** Pieces that may be lost before the order falls short of what it must have at least. */
export const ALLOWANCE: Formula<'started' | 'perGood' | 'least'> = {
  id: 'counts.allowance',
  unit: 'piece',
  source: 'arithmetic',
  of: ({ started, perGood, least }) => Math.max(started / perGood - least, 0),
};
export const CHANCE: Formula<'allowance' | 'expected' | 'variation'> = {
  id: 'counts.chance',
  unit: '1',
  source,
  carriesGuess: false,
  of: (t) => chanceOfEnough({ ...t, variation: Math.max(t.variation, 0) }),
};
/** Least good pieces the customer takes. */
export const LEAST_GOOD: Formula<'wanted' | 'underPpm'> = {
  id: 'counts.leastGood',
  unit: 'piece',
  source: 'overs policy of the order',
  of: ({ wanted, underPpm }) => ceilTolerant(wanted * (1 - underPpm / 1e6)),
};
export const MOST_GOOD: Formula<'wanted' | 'overPpm'> = {
  id: 'counts.mostGood',
  unit: 'piece',
  source: 'overs policy of the order',
  of: ({ wanted, overPpm }) => Math.floor(wanted * (1 + overPpm / 1e6) + 1e-9),
};
