import type { BinderTrims } from './adhesive';
import type { Id } from '../quantity/figure';

/* A sewn book in a case: what block, endpapers and case go by. */

/** A block of sewn sections; its part is the text. */
export interface SewnBook {
  trims: BinderTrims;
  /** The angle its spine is rounded to; null: the back is flat. */
  angleDeg: number | null;
  /** Thickness of the block as a dummy shows it, and as it was measured after nipping; 0: not yet. */
  dummyMm: number;
  measuredMm: number;
  headband: boolean;
  ribbon: boolean;
  colouredEdges: boolean;
}
/** A title struck on the case with foil: which way up it is read does not matter here, only what it takes of front or spine. */
export interface CaseTitle {
  id: Id<'foil'>;
  name: string;
  place: (typeof TITLE_PLACES)[number];
  /** Across the case, and along its spine. */
  widthMm: number;
  heightMm: number;
  tool?: Id<'tool'>;
}
export const TITLE_PLACES = ['front', 'spine'] as const;

/** The case; its part is the cloth, or the paper, that covers the boards. */
export interface BookCase {
  boardMm: number;
  squareMm: number;
  setBackMm: number;
  jointMm: number;
  turnInMm: number;
  covering: (typeof COVERINGS)[number];
  /** Width of the covering as somebody typed it; 0: nobody did. */
  typedMm: number;
  titles: CaseTitle[];
}
export const COVERINGS = ['cloth', 'paper'] as const;

declare module './part' {
  interface Traits {
    sewn: SewnBook;
    cased: BookCase;
    /** Joined to the first and to the last section: four pages of a stock of their own, counted in no page number. */
    endpaper: { glueMm: number };
    /** Folded round the cased book. */
    jacket: { flapMm: number };
  }
}

/** Sections of fewer pages are not sewn alone. */
export const LEAST_SEWN_PAGES = 8;
/** Pages of an endpaper: a sheet folded once. */
export const ENDPAPER_PAGES = 4;
