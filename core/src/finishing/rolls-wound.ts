import { requireAboveZero } from '../quantity/errors';
import type { Formula } from '../quantity/figure';
import { floorTolerant } from '../quantity/round-tolerant';

/* Rolls wound from a mother reel, sleeved in film, and brought together in boxes. */

/**
 * Lengths that a winder winds in an hour: what its web speed and its change from roll to roll leave, never more than it is rated for.
 *
 * Formula: min(rated, 3600 / (length / speed + change)). Source: arithmetic.
 * @throws OutOfRange a length or speed not above 0
 * @example woundAnHour({ lengthM: 2, metresPerMin: 200, changeS: 0.4, rated: 4_000 }) // 3600
 */
export function woundAnHour({
  lengthM,
  metresPerMin,
  changeS,
  rated,
}: {
  lengthM: number;
  metresPerMin: number;
  changeS: number;
  rated: number;
}): number {
  requireAboveZero('lengthM', lengthM);
  requireAboveZero('metresPerMin', metresPerMin);
  return Math.min(rated, 3600 / ((lengthM * 60) / metresPerMin + changeS));
}
export const WOUND_AN_HOUR: Formula<'lengthM' | 'metresPerMin' | 'changeS' | 'rated'> = {
  id: 'finishing.woundAnHour',
  unit: '1/h',
  source: 'arithmetic; change from roll to roll: common practice, no source',
  of: (t) => (t.lengthM > 0 && t.metresPerMin > 0 ? woundAnHour(t) : t.rated),
};
/**
 * Width of a shrink film laid flat round a roll. Formula: π · D / 2 · (1 + ease). Source: geometry; 8 to 12 % of ease, common practice, no source.
 * @throws OutOfRange a diameter not above 0
 * @example layflatMm({ diameterMm: 34.86, easePercent: 10 }) // 60.23
 */
export function layflatMm({ diameterMm, easePercent }: { diameterMm: number; easePercent: number }): number {
  requireAboveZero('diameterMm', diameterMm);
  return ((Math.PI * diameterMm) / 2) * (1 + easePercent / 100);
}
export const LAYFLAT: Formula<'diameterMm' | 'easePercent'> = {
  id: 'finishing.layflat',
  unit: 'mm',
  source: 'geometry; ease: common practice, no source',
  of: ({ diameterMm, easePercent }) => (diameterMm > 0 ? layflatMm({ diameterMm, easePercent }) : 0),
};
/** Length of film that is cut for a roll. Formula: width + 2 · end. Source: arithmetic; ends of 15 to 25 mm, common practice, no source. */
export const FILM_CUT: Formula<'widthMm' | 'endMm'> = {
  id: 'finishing.filmCut',
  unit: 'mm',
  source: 'arithmetic; ends of 15 to 25 mm, common practice, no source',
  of: ({ widthMm, endMm }) => widthMm + 2 * endMm,
};

/** A design: rolls of it that there are, and how many go into a box. */
export interface InBox {
  rolls: number;
  aBox: number;
}
/**
 * Boxes that can be filled: the scarcest design limits them; which one that is, and what is left of each.
 *
 * Formula: min ⌊rolls / a box⌋. Source: arithmetic.
 * @throws OutOfRange a design of which a box takes none
 */
export function boxesFilled(designs: readonly InBox[]): { boxes: number; limits: number; left: number[] } {
  for (const { aBox } of designs) requireAboveZero('aBox', aBox);
  const each = designs.map(({ rolls, aBox }) => floorTolerant(rolls / aBox));
  const boxes = designs.length === 0 ? 0 : Math.min(...each);
  return { boxes, limits: each.indexOf(boxes), left: designs.map(({ rolls, aBox }) => rolls - boxes * aBox) };
}
/**
 * How many of each design go into a box of so many: in the ratio of what is ordered, whole ones, one of each at least; what is left goes to those that lost most by
 * rounding down.
 *
 * Source: arithmetic (largest remainder).
 * @example sharedInBox([6_000, 6_000], 12) // [6, 6]
 */
export function sharedInBox(rolls: readonly number[], aBox: number): number[] {
  const all = rolls.reduce((a, b) => a + b, 0);
  const exact = rolls.map((n) => (all > 0 ? (n / all) * aBox : 0));
  const whole = exact.map((n) => Math.max(floorTolerant(n), 1));
  const byLoss = exact.map((n, i) => ({ i, lost: n - (whole[i] ?? 0) })).sort((a, b) => b.lost - a.lost || a.i - b.i);
  const left = aBox - whole.reduce((a, b) => a + b, 0);
  for (const { i } of byLoss.slice(0, Math.max(left, 0))) whole[i] = (whole[i] ?? 0) + 1;
  return whole;
}
