/** Pages of a book or booklet that are printed together on one stock, as what folds and binds them needs them. */
export interface BoundPages {
  /** Pages of this part that somebody printed, and those of the whole book, both rounded up to whole folded sheets. */
  pages: number;
  bookPages: number;
  /** Pages at the end of the part that nobody printed. */
  blanks: number;
  /** Pages of the book that lie outside of it on one side (nested), or before it (gathered). */
  outside: number;
  /** Paper of the sheets outside of it, one on another; µm. */
  outsideUm: number;
  /** Sections lie in one another, and are stitched through the fold; else behind one another. */
  nested: boolean;
  spine: 'left' | 'right';
  /** Sections of fewer pages are made only where nothing else holds the pages: four alone are not sewn. Absent: any may be. */
  least?: number;
  /** Copies bound as one length of two and sawn apart; absent: one by one. */
  twoUp?: TwoUp;
  /** Pages of another part that are counted in, and the page of the book they follow. */
  counted?: { after: number; pages: number };
}
/** Two copies as one length: one of them on its head, so that a folded piece turned end for end serves the other; or both as they are read. */
export const TWO_UP = ['comeAndGo', 'headToFoot'] as const;
export type TwoUp = (typeof TWO_UP)[number];
/** How creep is reckoned: pressed flat, round the fold, or as a dummy shows it. */
export const CREEP_SCHOOLS = ['pressed', 'round', 'dummy'] as const;
/** What is done about it: pages shifted to the spine, squeezed, or nothing. */
export const CREEP_CURES = ['shift', 'squeeze', 'none'] as const;

/** How a booklet is stitched, and what its pages keep clear of; mm. */
export interface Stitched {
  /** Pages the order says, its cover among them. */
  pagesAsked: number;
  stitches: number;
  /** Wire bent to loops, to hang in a binder. */
  loops: boolean;
  /** From head and foot to the outer stitches. */
  fromHeadMm: number;
  creep: (typeof CREEP_SCHOOLS)[number];
  /** What the dummy shows at its innermost sheet. */
  dummyMm: number;
  cure: (typeof CREEP_CURES)[number];
  outerMm: number;
  /** Left pages of pictures that run across the gutter. */
  spreads: readonly number[];
}
declare module './part' {
  interface Traits {
    /** Folded into sections and bound; its part's width and height are those of a trimmed page. */
    bound: BoundPages;
    /** Stitched with wire through the fold, all sections in one another. */
    stitched: Stitched;
  }
}

/** Pages of a sheet that is folded once. */
export const PAGES_OF_A_FOLD = 4;

/**
 * Pages up to whole folded sheets.
 * @example wholeFolds(46) // 48
 */
export const wholeFolds = (pages: number): number => PAGES_OF_A_FOLD * Math.ceil(pages / PAGES_OF_A_FOLD);
