import type { BoardPage } from '@druckerei/contract';
import { closedIn, PX_PER_HOUR, type Span } from './board-scale';

const HOUR_S = 3600;
/** What a folded stretch takes. */
const FOLD_PX = 8;

/** Time as it lies along the board: to scale, but for closed hours that are folded. */
export interface TimeAxis {
  /** Pixels from the left end of the board. */
  xOf(at: number): number;
  /** The moment under so many pixels. */
  atOf(x: number): number;
  /** Pixels of all of it. */
  width: number;
}

/**
 * Stretches in which every machine of the house is closed: what is open on and on (a supplier) does not keep them open. Only what takes more than a fold to scale.
 */
export function foldsOf({ lanes }: Pick<BoardPage, 'lanes'>, { from, until }: Bounds, span: Span): [number, number][] {
  const own = lanes.filter(({ open }) => !open.some(([a, b]) => a <= from && b >= until));
  const open = own.flatMap((l) => l.open).sort((a, b) => a[0] - b[0]);
  return closedIn(open, from, until).filter(([a, b]) => ((b - a) * PX_PER_HOUR[span]) / HOUR_S > FOLD_PX);
}

interface Bounds {
  from: number;
  until: number;
}
/**
 * Time along the board.
 * @example axisOf({ from: 0, until: 36_000 }, 'day', [[3_600, 32_400]]).xOf(36_000) // 38 + 8 + 38
 */
export function axisOf({ from, until }: Bounds, span: Span, folds: readonly (readonly [number, number])[] = []): TimeAxis {
  const pxPerS = PX_PER_HOUR[span] / HOUR_S;
  // Where each stretch begins, and how many pixels a second of it takes; the last goes on for ever.
  const stretches = [{ at: from, x: 0, pxPerS }];
  const add = (at: number, rate: number): void => {
    const last = stretches.at(-1) ?? { at: from, x: 0, pxPerS };
    const next = { at, x: last.x + (at - last.at) * last.pxPerS, pxPerS: rate };
    if (at === last.at) stretches[stretches.length - 1] = next;
    else stretches.push(next);
  };
  for (const [a, b] of folds) {
    add(a, FOLD_PX / (b - a));
    add(b, pxPerS);
  }
  /** The last stretch that begins no later; by halves, as a board has thousands of bars. */
  const stretchAt = (isIn: (s: (typeof stretches)[number]) => boolean): (typeof stretches)[number] => {
    let [low, high] = [0, stretches.length - 1];
    while (low < high) {
      const middle = Math.ceil((low + high) / 2);
      const s = stretches[middle];
      if (s && isIn(s)) low = middle;
      else high = middle - 1;
    }
    return stretches[low] ?? { at: from, x: 0, pxPerS };
  };
  const xOf = (at: number): number => {
    const s = stretchAt((each) => each.at <= at);
    return s.x + (at - s.at) * s.pxPerS;
  };
  const atOf = (x: number): number => {
    const s = stretchAt((each) => each.x <= x);
    return s.at + (x - s.x) / s.pxPerS;
  };
  return { xOf, atOf, width: xOf(until) };
}
