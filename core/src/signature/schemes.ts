import type { FoldProgram, FoldStep } from './fold-model';

/* Folding schemes as they are set on a folder. Unless a step says otherwise, the left or the top part goes under. Common practice, no source. */

const v = (line: number, move: 'left' | 'right' = 'left', dir: 'over' | 'under' = 'under'): FoldStep => ({
  do: 'fold',
  axis: 'V',
  line,
  move,
  dir,
});
const h = (line: number, move: 'top' | 'bottom' = 'top', dir: 'over' | 'under' = 'under'): FoldStep => ({
  do: 'fold',
  axis: 'H',
  line,
  move,
  dir,
});

/** Sections by their pages, spine left. */
export const SCHEMES = {
  p4: { rows: 1, cols: 2, steps: [v(1)] },
  p8: { rows: 2, cols: 2, steps: [h(1), v(1)] },
  p8parallel: { rows: 1, cols: 4, steps: [v(2), v(1)] },
  p12: { rows: 3, cols: 2, steps: [h(1), h(1, 'top', 'over'), v(1)] },
  p16: { rows: 2, cols: 4, steps: [v(2), h(1), v(1)] },
  p24: { rows: 3, cols: 4, steps: [v(2), h(1), h(1, 'bottom', 'over'), v(1)] },
  p32: { rows: 4, cols: 4, steps: [h(2), v(2), h(1), v(1)] },
} as const satisfies Record<string, FoldProgram>;
export type SchemeId = keyof typeof SCHEMES;

/** Two copies folded as one length and sawn apart at last: the last fold leaves two piles. By the pages of one copy. */
export const DOUBLE_SCHEMES = {
  d4: { rows: 2, cols: 2, steps: [v(1)] },
  d8: { rows: 2, cols: 4, steps: [v(2), v(1)] },
  d16: { rows: 4, cols: 4, steps: [h(2), v(2), v(1)] },
} as const satisfies Record<string, FoldProgram>;

/** Leaflets that are opened, not bound: their panels in the order they are read. */
export const LEAFLETS = {
  accordion6: { rows: 1, cols: 3, steps: [v(2, 'right', 'under'), v(1, 'left', 'over')] },
  closedGate8: { rows: 1, cols: 4, steps: [v(1, 'left', 'over'), v(2, 'right', 'over'), v(1, 'left', 'over')] },
} as const satisfies Record<string, FoldProgram>;

/**
 * Pages a scheme has: two for every cell.
 * @example pagesOf(SCHEMES.p16) // 16
 */
export const pagesOf = ({ rows, cols }: Pick<FoldProgram, 'rows' | 'cols'>): number => 2 * rows * cols;
