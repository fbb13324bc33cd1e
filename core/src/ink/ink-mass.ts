import { requireNotNegative } from '../quantity/errors';
import type { Formula } from '../quantity/figure';
import { SUM } from '../quantity/sum';

export interface InkMassTerms {
  areaMm2: number;
  coveragePercent: number;
  filmGsm: number;
  impressions: number;
}

/**
 * Ink laid on the sheets, in kg.
 *
 * Formula: `m = area · coverage · film weight · impressions`, area in mm², film weight in g/m² wet.
 * Source: definition of film weight. Leaves out: fill of duct and rollers, wash-up.
 *
 * @example inkOnSheetsKg({ areaMm2: 1.63e6, coveragePercent: 100, filmGsm: 6, impressions: 1 }) // 0.00978 (a large box takes 9.8 g)
 */
export function inkOnSheetsKg({ areaMm2, coveragePercent, filmGsm, impressions }: InkMassTerms): number {
  requireNotNegative('areaMm2', areaMm2);
  requireNotNegative('coveragePercent', coveragePercent);
  requireNotNegative('filmGsm', filmGsm);
  requireNotNegative('impressions', impressions);
  return (areaMm2 * 1e-6 * (coveragePercent / 100) * filmGsm * impressions) / 1000;
}

export const INK_ON_SHEETS: Formula<keyof InkMassTerms> = {
  id: 'ink.onSheets',
  unit: 'kg',
  source: 'definition of film weight',
  of: inkOnSheetsKg,
};
export const INK_TOTAL: Formula<'onSheets' | 'fill' | 'wash'> = {
  id: 'ink.total',
  unit: 'kg',
  source: 'common practice, no source',
  of: ({ onSheets, fill, wash }) => (onSheets > 0 ? onSheets + fill + wash : 0),
};

/** Ink that fills ducts and rollers and is washed out: paid once, however long the run. Source: arithmetic. */
export const FILL_COST: Formula<'cost' | 'onSheets'> = {
  id: 'ink.fillCost',
  unit: 'money',
  source: 'arithmetic',
  of: ({ cost, onSheets }) => Math.max(cost - onSheets, 0),
};
/** Ink of all colours of a run. */
export const INK_IN_ALL = { ...SUM, id: 'ink.inAll', unit: 'kg' } as const;
