/* Gathered sections bound with adhesive into a cover: what the book block and its cover go by. */

export const ADHESIVES = ['hotMelt', 'pur', 'dispersion'] as const;
export type Adhesive = (typeof ADHESIVES)[number];

/** What the binder takes off folded sections, mm. */
export interface BinderTrims {
  faceMm: number;
  headMm: number;
  footMm: number;
  /** Off the folds, where they are milled. */
  grindMm: number;
  sawMm: number;
}

export interface AdhesiveBound {
  adhesive: Adhesive;
  milled: boolean;
  trims: BinderTrims;
  /** Pages of the text as the order says them; with those of the insert, where they are counted in. */
  pagesAsked: number;
  /** The insert: its pages, and the page of the text it follows (null: nobody said, it comes between the middle sections); null: none. */
  insert: { pages: number; after: number | null; counted: 'in' | 'beside' | null } | null;
  /** Thickness of the block as a dummy shows it; 0: none was made. */
  dummyMm: number;
  /** The spine somebody drew the cover for; 0: not yet. */
  artSpineMm: number;
  flapMm: number;
}
/** A cover spread: back, spine, front, and what its piece is cut to. */
export interface CoverSpread {
  spineMm: number;
  /** Copies in a piece: of two bound as one length, two. */
  copies: 1 | 2;
}
declare module './part' {
  interface Traits {
    /** Gathered and bound with adhesive; its part is the text. */
    adhesive: AdhesiveBound;
    /** The cover of a book bound with adhesive. */
    spread: CoverSpread;
  }
}
