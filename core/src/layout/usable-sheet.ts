import type { Formula, Term } from '../quantity/figure';
import { floorTolerant } from '../quantity/round-tolerant';
import type { SectionMargins } from '../signature/section-size';

/** What the machines of a route ask of the sheet; the greatest of each wins. */
export interface LayoutAsk {
  gripperMm: number;
  tailMm: number;
  sideMm: number;
  colourBarMm: number;
  minSheetMm?: [number, number];
  maxSheetMm?: [number, number];
  /** Nothing grips the sheet: so much is trimmed off each of its edges. Counts where no machine asks for a gripper. */
  squareMm?: Term;
  /** Between blanks: what strips or breaks out the waste needs it so wide. */
  blankGapMm?: number;
  /** Neighbours may share a cut. */
  commonCuts?: boolean;
  /** What the binder trims off folded sections, and holds them by. */
  section?: SectionMargins;
  /** Sections of so many pages, as somebody set them; and the most that may be bound together. */
  sections?: readonly number[];
  feeders?: number;
  /** Folds one after another at most. */
  foldStations?: number;
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
/** Blanks on a sheet: the places of their nest. Not proved the most: no sheet holds more than its usable area over that of a blank. */
export const BLANKS_UP: Formula<'places'> = {
  id: 'layout.blanksUp',
  unit: 'copy',
  source: 'the better of a lattice and of rows turned in turn, by true outline; geometry',
  of: ({ places }) => places,
};
/** Blanks whose areas together fill the usable sheet: no nest holds more. */
export const BLANKS_BOUND: Formula<'widthMm' | 'depthMm' | 'areaMm2'> = {
  id: 'layout.blanksBound',
  unit: 'copy',
  source: 'geometry',
  of: ({ widthMm, depthMm, areaMm2 }) => (areaMm2 > 0 ? floorTolerant((widthMm * depthMm) / areaMm2) : 0),
};
/** Share of the sheet that blanks take, by their true outline. */
export const BLANKS_USE: Formula<'places' | 'areaMm2' | 'sheetWidthMm' | 'sheetHeightMm'> = {
  id: 'layout.blanksUse',
  unit: '%',
  source: 'geometry',
  of: (t) => (100 * t.places * t.areaMm2) / (t.sheetWidthMm * t.sheetHeightMm),
};
/** From a blank to the next, as the nest found it. */
export const PITCH: Formula<'pitch'> = { id: 'layout.pitch', unit: 'mm', source: 'geometry of the outline', of: ({ pitch }) => pitch };
/** Copies of one order on the sheet of a gang, and of all. */
export const GANG_COPIES: Formula<'places'> = {
  id: 'layout.gangCopies',
  unit: 'copy',
  source: 'fewest sheets with every order on the form; house rule',
  of: ({ places }) => places,
};
/** A section flat, across its columns or along its rows. Formula: number × (trim + what is cut off) + half of the columns × lap. */
export const FLAT_SIDE: Formula<'cells' | 'trimMm' | 'offMm' | 'lapMm'> = {
  id: 'layout.flatSide',
  unit: 'mm',
  source: 'arithmetic; trims and lap common practice, no source',
  of: ({ cells, trimMm, offMm, lapMm }) => cells * (trimMm + offMm) + (cells / 2) * lapMm,
};
/** The length of web that a turn of the cylinder prints, and the folder cuts off: fixed by the press. */
export const CUT_OFF: Formula<'cutOff'> = { id: 'layout.cutOff', unit: 'mm', source: 'the press', of: ({ cutOff }) => cutOff };
/** Books that come off a sheet: as often as its sections lie on it. */
export const BOOKS_UP: Formula<'places'> = {
  id: 'layout.booksUp',
  unit: 'copy',
  source: 'sections laid on sheets, each sheet proved by folding it',
  of: ({ places }) => places,
};
