/** Where work of some length lands in open hours. All in epoch seconds. */
export interface Placed {
  start: number;
  end: number;
  /** Closed seconds waited before the start, and in between. */ closedBefore: number;
  closedWithin: number;
  /** False: the hours known end before the work does. */ known: boolean;
}

/**
 * Lays work into open hours: it starts in the first open second from `earliest` on and runs only while open, split over nights if it must be.
 * Beyond the last interval known the rest is laid as if always open, and `known` says so. Source: house rule; core knows no calendar.
 *
 * @example layIntoOpenHours([[0, 10], [20, 30]], 5, 8) // { start: 5, end: 23, closedBefore: 0, closedWithin: 10, known: true }
 */
export function layIntoOpenHours(open: readonly (readonly [from: number, to: number])[], earliest: number, lengthS: number): Placed {
  let left = lengthS;
  let start: number | null = null;
  let at = earliest;
  for (const [from, to] of open) {
    if (to <= at) continue;
    const begin = Math.max(from, at);
    start ??= begin;
    if (begin + left <= to)
      return { start, end: begin + left, closedBefore: start - earliest, closedWithin: begin + left - start - lengthS, known: true };
    left -= to - begin;
    at = to;
  }
  const begin = start ?? at;
  return { start: begin, end: at + left, closedBefore: begin - earliest, closedWithin: at + left - begin - lengthS, known: false };
}
