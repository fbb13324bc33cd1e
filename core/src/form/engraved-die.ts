import { requireAboveZero, requireNotNegative } from '../quantity/errors';

/* A die of etched copper: its sunken lines hold the ink, its margin is held and wiped with it. */

/**
 * Size of a die's face along one side of its image. Formula: image + 2 · margin. Source: common practice, no source (margins of 10 to 14 mm).
 * @throws OutOfRange an image not above 0
 * @example dieFaceMm(40, 12) // 64
 */
export function dieFaceMm(imageMm: number, marginMm: number): number {
  requireAboveZero('imageMm', imageMm);
  return imageMm + 2 * marginMm;
}

/** Minutes of a copper plate: film, exposure, developing, etching; and of each die cut from it: touched out, corrected by hand, cut to size, looked at. Common practice, no source. */
const A_PLATE_MIN = 10 + 8 + 10 + 45;
const A_DIE_MIN = 20 + 30 + 8 + 10;
/**
 * Minutes of making dies. Formula: plates · 73 + dies · 68. Source: times of the works, common practice, no source.
 * @throws OutOfRange plates or dies below 0
 * @example dieMakingMinutes({ plates: 1, dies: 2 }) // 209
 */
export function dieMakingMinutes({ plates, dies }: { plates: number; dies: number }): number {
  requireNotNegative('plates', plates);
  requireNotNegative('dies', dies);
  return plates * A_PLATE_MIN + dies * A_DIE_MIN;
}
/**
 * Minutes that two up take beside their strokes: the second die, and pieces that are trimmed apart. Formula: 68 + trimming. Source: as above.
 * @example twoUpMoreMinutes(30) // 98
 */
export const twoUpMoreMinutes = (trimMin: number): number => A_DIE_MIN + trimMin;

/**
 * Counters that are cut while a die runs: the first belongs to its set-up, each lasts so many impressions. Formula: ⌈run / life⌉ − 1. Source: 1,000 to 3,000
 * impressions, common practice, no source.
 * @throws OutOfRange a life not above 0
 * @example furtherCounters(412, 2_000) // 0
 */
export function furtherCounters(run: number, life: number): number {
  requireAboveZero('life', life);
  return Math.max(0, Math.ceil(run / life) - 1);
}
