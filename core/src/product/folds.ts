import type { Part } from './part';

/** How a piece is folded. */
export interface Folds {
  folds: number;
  foldedWidthMm: number;
}
declare module './part' {
  interface Traits {
    folds: Folds;
  }
}

/**
 * Folds of a part; none where nothing is said.
 * @example foldsOf({ traits: { folds: { folds: 2, foldedWidthMm: 105 } } }) // 2
 */
export const foldsOf = (part: Pick<Part, 'traits'> | undefined): number => part?.traits?.folds?.folds ?? 0;
/**
 * Width of a part as it leaves the folder: of one that is not folded its own.
 * @example foldedWidthOf({ widthMm: 210 }) // 210
 */
export const foldedWidthOf = (part: Pick<Part, 'traits' | 'widthMm'> | undefined): number =>
  part?.traits?.folds?.foldedWidthMm ?? part?.widthMm ?? 0;
