import { requireNotNegative } from '../quantity/errors';

/** Use is looked at over so many weeks: a quarter of a year. House rule. */
const COVER_WEEKS = 13;
const WEEK_S = 7 * 86_400;
export const COVER_S = COVER_WEEKS * WEEK_S;

/**
 * What jobs used of a stock a week, over the last quarter of a year; of a works that began later, over the time since, at least a week.
 *
 * Formula: used / weeks, weeks = (now − the later of first use and 13 weeks ago) / week, at least 1
 * @example usedAWeek({ used: 6_000, firstS: 0, nowS: 4 * 604_800 }) // 1500
 */
export const usedAWeek = ({ used, firstS, nowS }: { used: number; firstS: number; nowS: number }): number =>
  used / Math.max(Math.min((nowS - firstS) / WEEK_S, COVER_WEEKS), 1);

/**
 * Weeks for which free stock lasts if it is used as it was; null: nothing was used, it lasts as long as it keeps.
 *
 * Formula: weeks = free / used a week. Source: days of cover as stores reckon them (common practice, no source).
 * @throws OutOfRange use below 0
 * @example weeksOfCover(900, 150) // 6
 */
export function weeksOfCover(free: number, aWeek: number): number | null {
  requireNotNegative('aWeek', aWeek);
  return aWeek === 0 ? null : Math.max(free, 0) / aWeek;
}
