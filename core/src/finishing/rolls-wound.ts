import { requireAboveZero } from '../quantity/errors';
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
/**
 * Width of a shrink film laid flat round a roll. Formula: π · D / 2 · (1 + ease). Source: geometry; 8 to 12 % of ease, common practice, no source.
 * @throws OutOfRange a diameter not above 0
 * @example layflatMm({ diameterMm: 34.86, easePercent: 10 }) // 60.23
 */
export function layflatMm({ diameterMm, easePercent }: { diameterMm: number; easePercent: number }): number {
  requireAboveZero('diameterMm', diameterMm);
  return ((Math.PI * diameterMm) / 2) * (1 + easePercent / 100);
}

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
