import { requireAboveZero, requireNotNegative } from '../quantity/errors';

/** The straight back of a stitch, and the length of each bent end: mm. Common practice, no source: crown 12 to 14. */
const CROWN_MM = 13;
const CLINCH_MM = 6;
const STEEL_KG_PER_M3 = 7_850;

/**
 * Thickness of a closed booklet: every sheet lies twice in it.
 * Formula: 2 · Σ caliper. Source: arithmetic, pressed flat.
 * @param calipersUm of all sheets, cover and text
 * @example closedMm([180, ...Array(10).fill(95)]) // 2.26
 */
export const closedMm = (calipersUm: readonly number[]): number => (2 * calipersUm.reduce((sum, um) => sum + um, 0)) / 1000;

/**
 * Wire of one stitch: it goes through half of the closed booklet, twice.
 * Formula: crown + 2 · (through + clinch). Source: arithmetic; crown and clinch common practice, no source.
 * @throws OutOfRange thickness below 0
 * @example stitchWireMm(2.26) // 27.26
 */
export function stitchWireMm(thickMm: number): number {
  requireNotNegative('thickMm', thickMm);
  return CROWN_MM + 2 * (thickMm / 2 + CLINCH_MM);
}

/**
 * Mass of steel wire.
 * Formula: π/4 · d² · length · density. Source: density of steel 7,850 kg/m³, any handbook.
 * @throws OutOfRange diameter not above 0
 * @example wireKg({ metres: 664.4, diameterMm: 0.5 }) // 1.02
 */
export function wireKg({ metres, diameterMm }: { metres: number; diameterMm: number }): number {
  requireAboveZero('diameterMm', diameterMm);
  const diameterM = diameterMm / 1000;
  return (Math.PI / 4) * diameterM * diameterM * metres * STEEL_KG_PER_M3;
}
