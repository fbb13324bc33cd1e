import { OutOfRange, requireAboveZero } from '../quantity/errors';
import { KG_PER_POUND, MM_PER_INCH } from '../quantity/units';

/** Basic sheet sizes of the US paper classes, in inches; 500 sheets of this size weigh the basis weight. Source: the definition of basis weight. */
export const BASIC_SIZES_IN: Record<string, readonly [number, number]> = {
  bond: [17, 22],
  ledger: [17, 22],
  text: [25, 38],
  book: [25, 38],
  offset: [25, 38],
  cover: [20, 26],
  index: [25.5, 30.5],
  tag: [24, 36],
  bristol: [22.5, 28.5],
  newsprint: [24, 36],
};
const REAM = 500;
const M2_PER_IN2 = (MM_PER_INCH / 1000) * (MM_PER_INCH / 1000);

function basicAreaIn2(grade: string): number {
  const size = Object.hasOwn(BASIC_SIZES_IN, grade) ? BASIC_SIZES_IN[grade] : undefined;
  if (!size) throw new OutOfRange('grade', grade, `one of ${Object.keys(BASIC_SIZES_IN).join(', ')}`);
  return size[0] * size[1];
}

/**
 * Grammage of a US basis weight, in g/m².
 *
 * Formula: `g = pounds · 453.59237 / (500 · basic area)`, basic area in m².
 * Source: definition of basis weight (pounds per 500 sheets of the class's basic size). Not rounded.
 *
 * @throws OutOfRange unknown class, or pounds not above 0
 * @example gsmFromBasisWeight('text', 60) // 88.81
 */
export function gsmFromBasisWeight(grade: string, pounds: number): number {
  requireAboveZero('pounds', pounds);
  return (pounds * KG_PER_POUND * 1000) / (REAM * basicAreaIn2(grade) * M2_PER_IN2);
}

/**
 * US basis weight of a grammage, in pounds: the inverse of `gsmFromBasisWeight`.
 * @example basisWeightFromGsm('text', 104) // 70.263
 */
export function basisWeightFromGsm(grade: string, gsm: number): number {
  requireAboveZero('gsm', gsm);
  return (gsm * REAM * basicAreaIn2(grade) * M2_PER_IN2) / (KG_PER_POUND * 1000);
}

/**
 * M weight: pounds of 1,000 sheets of a given size.
 * Formula: `2 · basis weight · sheet area / basic area`. Source: US trade definition.
 * @example mWeightPounds('text', 70, [25, 38]) // 140
 */
export function mWeightPounds(grade: string, pounds: number, sheetIn: readonly [number, number]): number {
  requireAboveZero('pounds', pounds);
  return (2 * pounds * sheetIn[0] * sheetIn[1]) / basicAreaIn2(grade);
}
