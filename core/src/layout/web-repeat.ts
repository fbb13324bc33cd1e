import { requireAboveZero, requireNotNegative } from '../quantity/errors';
import type { Formula } from '../quantity/figure';
import { PPM } from '../quantity/units';

/* What a cylinder's turn becomes on the web once it is slack again, and where the pattern stands on each roll. */

/**
 * Repeat of the relaxed web: it was printed while it was stretched at the first station. Larger stations behind it only tighten the web.
 *
 * Formula: turn of the first station / (1 + strain). Source: definition of strain; 0 to 1,000 parts of a million, common practice, no source; measured wins.
 * @throws OutOfRange a turn not above 0, a strain below 0
 * @example relaxedRepeatMm({ firstTurnMm: 500, strainPpm: 500 }) // 499.75
 */
export function relaxedRepeatMm({ firstTurnMm, strainPpm }: { firstTurnMm: number; strainPpm: number }): number {
  requireAboveZero('firstTurnMm', firstTurnMm);
  requireNotNegative('strainPpm', strainPpm);
  return firstTurnMm / (1 + strainPpm / PPM);
}
export const RELAXED_REPEAT: Formula<'firstTurnMm' | 'strainPpm'> = {
  id: 'layout.relaxedRepeat',
  unit: 'mm.001',
  source: 'definition of strain; strain: common practice, no source',
  of: relaxedRepeatMm,
};
/**
 * Repeats in a roll's length, to the nearest whole, at least one. Source: arithmetic.
 * @throws OutOfRange a repeat not above 0
 * @example repeatsInLength(2_000, 499.75) // 4
 */
export function repeatsInLength(lengthMm: number, repeatMm: number): number {
  requireAboveZero('repeatMm', repeatMm);
  return Math.max(1, Math.round(lengthMm / repeatMm));
}
/** Repeats on a roll: as many of them as its length holds, to the nearest whole. */
export const REPEATS_A_ROLL: Formula<'lengthMm' | 'repeatMm'> = {
  id: 'layout.repeatsARoll',
  unit: '1',
  source: 'arithmetic',
  of: ({ lengthMm, repeatMm }) => repeatsInLength(lengthMm, repeatMm),
};
/** Turns of the press that a roll cut by length takes: not a whole number as a rule. Formula: length / turn. Source: arithmetic. */
export const TURNS_A_ROLL: Formula<'lengthMm' | 'turnMm'> = {
  id: 'layout.turnsARoll',
  unit: '1',
  source: 'arithmetic',
  of: ({ lengthMm, turnMm }) => lengthMm / turnMm,
};
/** Length of a roll that is cut to the mark. Formula: repeats · relaxed repeat. Source: arithmetic. */
export const LENGTH_BY_MARK: Formula<'repeats' | 'repeatMm'> = {
  id: 'layout.lengthByMark',
  unit: 'mm.001',
  source: 'arithmetic',
  of: ({ repeats, repeatMm }) => repeats * repeatMm,
};
/**
 * By how much the pattern of each roll begins further on than the one before, where rolls are cut by length. Formula: length − n · repeat. Source: arithmetic.
 * @throws OutOfRange a repeat not above 0
 * @example driftMm(2_000, 499.75) // 1
 */
export const driftMm = (lengthMm: number, repeatMm: number): number => lengthMm - repeatsInLength(lengthMm, repeatMm) * repeatMm;
export const DRIFT: Formula<'lengthMm' | 'repeatMm'> = {
  id: 'layout.drift',
  unit: 'mm.001',
  source: 'arithmetic',
  of: ({ lengthMm, repeatMm }) => driftMm(lengthMm, repeatMm),
};
/**
 * Turn of the first station with which every roll begins alike. Formula: length · (1 + strain) / n. Source: arithmetic.
 * @throws OutOfRange no repeat, a strain below 0
 * @example turnForAlikeMm({ lengthMm: 2_000, repeats: 4, strainPpm: 500 }) // 500.25
 */
export function turnForAlikeMm({ lengthMm, repeats, strainPpm }: { lengthMm: number; repeats: number; strainPpm: number }): number {
  requireAboveZero('repeats', repeats);
  requireNotNegative('strainPpm', strainPpm);
  return (lengthMm * (1 + strainPpm / PPM)) / repeats;
}
