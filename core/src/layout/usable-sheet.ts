import type { Formula } from '../quantity/figure';

/** What the machines of a route ask of the sheet; the greatest of each wins. */
export interface LayoutAsk {
  gripperMm: number;
  tailMm: number;
  sideMm: number;
  colourBarMm: number;
  minSheetMm?: [number, number];
  maxSheetMm?: [number, number];
}

/** Usable width across the press: sheet − side margins. Source: geometry. */
export const USABLE_WIDTH: Formula<'sheet' | 'side'> = {
  id: 'layout.usableWidth',
  unit: 'mm',
  source: 'geometry',
  of: ({ sheet, side }) => Math.max(sheet - 2 * side, 0),
};
/** Usable depth in feed direction: sheet − gripper − tail − colour bar. Source: geometry. */
export const USABLE_DEPTH: Formula<'sheet' | 'gripper' | 'tail' | 'colourBar'> = {
  id: 'layout.usableDepth',
  unit: 'mm',
  source: 'geometry',
  of: (t) => Math.max(t.sheet - t.gripper - t.tail - t.colourBar, 0),
};
/** The greatest gripper asked by any machine on the route. Source: common practice, no source. */
export const GREATEST: Formula = {
  id: 'layout.greatest',
  unit: 'mm',
  source: 'the greatest asked by any machine on the route; common practice, no source',
  of: (t) => Math.max(0, ...Object.values(t)),
};
/** A copy with its bleed on both sides. */
export const WITH_BLEED: Formula<'trim' | 'bleed'> = {
  id: 'layout.withBleed',
  unit: 'mm',
  source: 'geometry',
  of: ({ trim, bleed }) => trim + 2 * bleed,
};
/** Share of the sheet that becomes product. */
export const SHEET_USE: Formula<'copies' | 'widthMm' | 'heightMm' | 'sheetWidthMm' | 'sheetHeightMm'> = {
  id: 'layout.sheetUse',
  unit: '%',
  source: 'geometry',
  of: (t) => (100 * t.copies * t.widthMm * t.heightMm) / (t.sheetWidthMm * t.sheetHeightMm),
};
/** Copies on a sheet: the places of its layout. */
export const COPIES_UP: Formula<'places'> = {
  id: 'layout.copiesUp',
  unit: 'copy',
  source: 'exact maximum of a guillotine-cuttable layout (recursion over normal patterns)',
  of: ({ places }) => places,
};
