import { OutOfRange, requireNotNegative } from '../quantity/errors';
import type { Formula } from '../quantity/figure';
import { normalQuantile } from '../quantity/normal-distribution';
import { portableExp, portableLog } from '../quantity/portable-math';

/**
 * The spread (standard deviation of the logarithm) of a lognormal loss whose standard deviation is so large a part of its mean.
 * Formula: σ = √ln(1 + cv²). Source: definition of the lognormal distribution.
 * @throws OutOfRange variation below 0
 * @example spreadOf(0.75) // 0.668
 */
export function spreadOf(variation: number): number {
  requireNotNegative('variation', variation);
  return Math.sqrt(portableLog(1 + variation * variation));
}

/**
 * How many times its mean a loss reaches at most in a share of jobs: what turns a mean into an allowance.
 *
 * Formula: e^(−s²/2 + s·z), z the standard normal quantile of the share, s the spread of the logarithm.
 * Source: quantile of the lognormal with mean 1. A handbook allowance is what a works sets aside so that most jobs come out, not the mean (common
 * practice, no source).
 *
 * @throws OutOfRange share outside (0, 1), spread below 0
 * @example allowanceFactor(0.668, 0.85) // 1.599 (of an allowance of 160 sheets 100 go as a rule)
 */
export function allowanceFactor(spread: number, share: number): number {
  requireNotNegative('spread', spread);
  if (!(share > 0 && share < 1)) throw new OutOfRange('share', share, 'between 0 and 1');
  return portableExp((-spread * spread) / 2 + spread * normalQuantile(share));
}

type FromMean = 'mean' | 'spread' | 'share';
type FromAllowance = 'allowance' | 'spread' | 'share';

/** The allowance that follows from mean and spread as the works' own log counted them. */
export const OWN_ALLOWANCE: Formula<FromMean> = {
  id: 'counts.ownAllowance',
  unit: '1',
  source: 'own log: mean and spread as counted; quantile of the lognormal',
  carriesGuess: false,
  of: ({ mean, spread, share }) => mean * allowanceFactor(spread, share),
};
/** What is lost as a rule (the mean), where an allowance is the loss that a share of jobs stays under. */
export const LIKELY: Formula<FromAllowance> = {
  id: 'counts.likely',
  unit: 'cycle',
  source: 'an allowance suffices in most jobs, it is not the mean (common practice, no source); quantile of the lognormal',
  carriesGuess: false,
  of: ({ allowance, spread, share }) => allowance / allowanceFactor(spread, share),
};
