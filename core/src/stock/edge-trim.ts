import type { Formula } from '../quantity/figure';

/** Edges trimmed off the web, in kg. Source: definition of grammage (ISO 536). */
export const EDGE_TRIM: Formula<'repeats' | 'webMm' | 'lanes' | 'sheetWidthMm' | 'repeatMm' | 'gsm'> = {
  id: 'stock.edgeTrim',
  unit: 'kg',
  source: 'definition of grammage (ISO 536)',
  of: (t) => (t.repeats * Math.max(t.webMm - t.lanes * t.sheetWidthMm, 0) * t.repeatMm * t.gsm) / 1e9,
};
