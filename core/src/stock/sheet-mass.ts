import { requireAboveZero, requireNotNegative } from '../quantity/errors';
import type { Formula } from '../quantity/figure';

/**
 * Mass of a number of sheets, in kg.
 *
 * Formula: `m = n · w · h · g / 10⁹`, w and h in mm, g in g/m². Source: definition of grammage (ISO 536). Not rounded.
 *
 * @throws OutOfRange a size or grammage not above 0, or sheets below 0
 * @example sheetMassKg({ sheets: 500, widthMm: 210, heightMm: 297, gsm: 80 }) // 2.4948
 */
export function sheetMassKg({
  sheets,
  widthMm,
  heightMm,
  gsm,
}: {
  sheets: number;
  widthMm: number;
  heightMm: number;
  gsm: number;
}): number {
  requireNotNegative('sheets', sheets);
  requireAboveZero('widthMm', widthMm);
  requireAboveZero('heightMm', heightMm);
  requireAboveZero('gsm', gsm);
  return (sheets * widthMm * heightMm * gsm) / 1e9;
}

export const SHEET_MASS: Formula<'sheets' | 'widthMm' | 'heightMm' | 'gsm'> = {
  id: 'stock.mass',
  unit: 'kg',
  source: 'definition of grammage (ISO 536)',
  of: (t) => (t.sheets * t.widthMm * t.heightMm * t.gsm) / 1e9,
};
