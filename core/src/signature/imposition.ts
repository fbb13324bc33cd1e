import { foldedPiles, type FoldProgram, type Leaf } from './fold-model';

/* Which page of a section lies where on its sheet: found by folding, never by name. */

export interface PageCell {
  /** Which of the section's pages, 1 the first; null: nothing is printed there. */
  page: number | null;
  head: 'up' | 'down';
}
export type PageGrid = PageCell[][];
/** Both sides of a sheet; the back as it is seen after the sheet is turned from left to right: its column j lies behind front column cols − 1 − j. */
export interface Signature {
  front: PageGrid;
  back: PageGrid;
}

/** A sheet on which nothing is laid yet. */
export function emptySignature({ rows, cols }: Pick<FoldProgram, 'rows' | 'cols'>): Signature {
  const grid = (): PageGrid =>
    Array.from({ length: rows }, () => Array.from({ length: cols }, (): PageCell => ({ page: null, head: 'up' })));
  return { front: grid(), back: grid() };
}

/** Where a side of a leaf lies in the grids: its row, and its place in it. */
export function placeOf(of: Signature, { row, col }: Leaf, onFront: boolean): { line: PageCell[]; at: number } {
  const line = (onFront ? of.front : of.back)[row] ?? [];
  return { line, at: onFront ? col : line.length - 1 - col };
}

/** Programs are few and folded thousands of times. */
const folded = new WeakMap<FoldProgram, Signature>();

/**
 * Pages of the sheets a program folds, one sheet after another through its slits; leaf by leaf from the top of a pile, upper face then lower. Spine left.
 * Source: geometry, by folding the sheet; held against published schemes in the checks.
 * @throws NotFoldable as the fold model
 * @example signatureOf({ rows: 1, cols: 2, steps: [{ do: 'fold', axis: 'V', line: 1, move: 'left', dir: 'under' }] }).front[0]?.map((c) => c.page) // [4, 1]
 */
export function signatureOf(program: FoldProgram): Signature {
  const known = folded.get(program);
  if (known) return known;
  const made = emptySignature(program);
  for (const pile of foldedPiles(program))
    for (const [i, { leaf, onFront }] of facesOf(pile).entries()) {
      const { line, at } = placeOf(made, leaf, onFront);
      line[at] = { page: i + 1, head: headOf(leaf) };
    }
  folded.set(program, made);
  return made;
}
/** Faces of a pile as they are read: leaf by leaf from the top, the upper face, then the lower. */
const facesOf = (pile: readonly Leaf[]): { leaf: Leaf; onFront: boolean }[] =>
  pile.flatMap((leaf) => [true, false].map((isUpper) => ({ leaf, onFront: isUpper === leaf.frontUp })));
const headOf = ({ reversed }: Leaf): PageCell['head'] => (reversed ? 'down' : 'up');

/**
 * What is read of printed sheets once they are folded: pages from the first leaf's upper face on, and whether every head stands up; a pile each. It is how a
 * layout is proved: whatever was laid out, the reader sees 1, 2, 3 …
 * @throws NotFoldable as the fold model
 */
export function readFolded(printed: Signature, program: FoldProgram): { pages: (number | null)[]; headsUp: boolean }[] {
  return foldedPiles(program).map((pile) => {
    const seen = facesOf(pile).map(({ leaf, onFront }) => {
      const { line, at } = placeOf(printed, leaf, onFront);
      return { leaf, cell: line[at] };
    });
    return {
      pages: seen.map(({ cell }) => cell?.page ?? null),
      headsUp: seen.every(({ leaf, cell }) => cell?.head === headOf(leaf)),
    };
  });
}

/** Whether each sheet of a program reads 1, 2, 3 … with heads up. */
export const isProved = (printed: Signature, program: FoldProgram): boolean =>
  readFolded(printed, program).every(({ pages, headsUp }) => headsUp && pages.every((page, i) => page === i + 1));

/**
 * A page of the book on a section's k-th place. Gathered sections lie behind one another; nested ones in one another, the outer pages before and behind.
 *
 * Formula: gathered o + k; nested o + k to the middle, N − o − p + k behind it.
 * Source: geometry.
 * @param k place in the section, 1 the first; `outside`: pages of the book before (gathered) or outside of it on one side (nested)
 * @example bookPage({ k: 16, sectionPages: 16, outside: 2, bookPages: 44, nested: true }) // 42
 */
export const bookPage = ({
  k,
  sectionPages,
  outside,
  bookPages,
  nested,
}: {
  k: number;
  sectionPages: number;
  outside: number;
  bookPages: number;
  nested: boolean;
}): number => (!nested || 2 * k <= sectionPages ? outside + k : bookPages - outside - sectionPages + k);
