import { requireAboveZero, requireNotNegative } from '../quantity/errors';
import type { Formula } from '../quantity/figure';
import { ceilTolerant, floorTolerant } from '../quantity/round-tolerant';

export const REAM_SHEETS = 500;

/**
 * Sheets in a pile (or lift) of a height. Formula: `⌊height / caliper⌋`. Source: geometry, pressed flat; air is left out.
 *
 * @example sheetsInHeight(100, 400) // 250 (a lift of 100 mm of 0.4 mm board)
 */
export function sheetsInHeight(heightMm: number, caliper: number): number {
  requireNotNegative('heightMm', heightMm);
  requireAboveZero('caliper', caliper);
  return floorTolerant((heightMm * 1000) / caliper);
}

/** Height of a pile, in mm. Formula: `sheets · caliper / 1,000`. */
export const PILE_HEIGHT: Formula<'sheets' | 'caliperUm'> = {
  id: 'stock.pileHeight',
  unit: 'mm',
  source: 'geometry, pressed flat',
  of: ({ sheets, caliperUm }) => (sheets * caliperUm) / 1000,
};
/** Sheets a pile may hold: by height. */
export const PILE_SHEETS: Formula<'heightMm' | 'caliperUm'> = {
  id: 'stock.pileSheets',
  unit: 'sheet',
  source: 'geometry, pressed flat',
  of: ({ heightMm, caliperUm }) => (caliperUm > 0 ? Math.max(floorTolerant((heightMm * 1000) / caliperUm), 1) : 1),
};
/** Piles of at most so many sheets. */
export const PILES: Formula<'sheets' | 'perPile'> = {
  id: 'stock.piles',
  unit: '1',
  source: 'arithmetic; the last pile may be short',
  of: ({ sheets, perPile }) => ceilTolerant(sheets / perPile),
};
/** Reams of 500. */
export const REAMS: Formula<'sheets'> = {
  id: 'stock.reams',
  unit: '1',
  source: 'ream of 500 sheets, trade definition',
  of: ({ sheets }) => ceilTolerant(sheets / REAM_SHEETS),
};
