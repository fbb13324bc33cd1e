import { requireAboveZero } from '../quantity/errors';
import type { Formula } from '../quantity/figure';
import { MM_PER_INCH } from '../quantity/units';

/**
 * Caliper of a sheet, in µm.
 *
 * Formula: `t = g · bulk`, g in g/m², bulk in cm³/g. Source: ISO 534, bulk = thickness per grammage.
 *
 * @example caliperUm({ gsm: 250, bulkCm3PerG: 1.3 }) // 325
 */
export function caliperUm({ gsm, bulkCm3PerG }: { gsm: number; bulkCm3PerG: number }): number {
  requireAboveZero('gsm', gsm);
  requireAboveZero('bulkCm3PerG', bulkCm3PerG);
  return gsm * bulkCm3PerG;
}

/**
 * Density of the sheet in kg/m³: 1,000 / bulk. Source: ISO 534.
 * @example densityKgPerM3(1.25) // 800
 */
export function densityKgPerM3(bulkCm3PerG: number): number {
  requireAboveZero('bulkCm3PerG', bulkCm3PerG);
  return 1000 / bulkCm3PerG;
}

/**
 * Pages an inch of book block: two pages a leaf. Source: definition.
 * @example pagesPerInch(100) // 508
 */
export function pagesPerInch(caliper: number): number {
  requireAboveZero('caliper', caliper);
  return (2 * MM_PER_INCH * 1000) / caliper;
}

/** The caliper a job reckons with: a measured lot wins over the stock card (a pile from the wrong bulk is off by up to 30 %). */
export const CALIPER: Formula<'reckoned'> = {
  id: 'stock.caliper',
  unit: 'µm',
  source: 'house rule: the measured lot wins over the catalogue',
  of: ({ reckoned }) => reckoned,
};
