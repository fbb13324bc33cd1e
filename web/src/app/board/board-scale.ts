import type { BoardBar, BoardPage } from '@druckerei/contract';

/** How much time stands on a screen. */
export const SPANS = ['shift', 'day', 'week', 'month'] as const;
export type Span = (typeof SPANS)[number];
/** Pixels an hour takes. */
export const PX_PER_HOUR: Readonly<Record<Span, number>> = { shift: 92, day: 38, week: 6, month: 1.5 };

export const LANE_PX = 46;
export const BAR_PX = 30;
/** The line of hours above the lanes. */
export const HOURS_PX = 26;
const HOUR_S = 3600;

/** From when until when the board is drawn: from the hour before now, or what began before, to a day behind the last end. */
export function boundsOf({ asOf, bars }: Pick<BoardPage, 'asOf' | 'bars'>): { from: number; until: number } {
  const from = bars.reduce((least, b) => Math.min(least, b.start), asOf - HOUR_S);
  const until = bars.reduce((most, b) => Math.max(most, b.end), asOf + 8 * HOUR_S);
  return { from: Math.floor(from / HOUR_S) * HOUR_S, until: until + 24 * HOUR_S };
}
/** Stretches of a lane that are closed, within bounds. */
export function closedIn(open: readonly (readonly [number, number])[], from: number, until: number): [number, number][] {
  const closed: [number, number][] = [];
  let at = from;
  for (const [a, b] of open) {
    if (b <= from) continue;
    if (a > at) closed.push([at, Math.min(a, until)]);
    at = Math.max(at, b);
    if (at >= until || a >= until) return closed;
  }
  // What lies behind the last hours known is no closed time.
  return closed;
}

/** The bar under a point of the board, the last drawn first. */
export function barAt(lanes: readonly BoardBar[][], x: number, y: number, xOf: (at: number) => number): BoardBar | null {
  const lane = lanes[Math.floor(y / LANE_PX)];
  return lane?.findLast((b) => xOf(b.start) <= x && Math.max(xOf(b.end), xOf(b.start) + 3) >= x) ?? null;
}

/** A place on a machine: before or behind a bar. */
export interface Beside {
  beside: string;
  side: 'before' | 'behind';
}
/** Where a bar is to lie: beside another, on another machine wherever there is room, or its job before everything. */
export type Place = Beside | { on: string } | { first: string };
/**
 * The place at which a bar that is dragged along a machine's row would lie: beside the one it is nearest to, on the side the pointer is on. Null: where it is, or there
 * is none it could lie beside.
 */
export function besideAt(lane: readonly BoardBar[], bar: BoardBar, x: number, xOf: (at: number) => number): Beside | null {
  const others = lane.filter((b) => b !== bar && !b.runs && !b.quoted);
  const middle = (b: BoardBar): number => (xOf(b.start) + xOf(b.end)) / 2;
  const near = others.reduce<BoardBar | null>((a, b) => (a && Math.abs(middle(a) - x) <= Math.abs(middle(b) - x) ? a : b), null);
  if (!near) return null;
  const side = x < middle(near) ? 'before' : 'behind';
  if (bar.machine !== near.machine) return { beside: near.work, side };
  const isThere =
    side === 'before'
      ? bar.start <= near.start && !others.some((o) => o !== near && o.start > bar.start && o.start < near.start)
      : bar.start >= near.start && !others.some((o) => o !== near && o.start < bar.start && o.start > near.start);
  return isThere ? null : { beside: near.work, side };
}

/** The bar an arrow key leads to: along its machine, or the nearest in time on the next machine with any. */
export function neighbour(lanes: readonly BoardBar[][], of: BoardBar | null, key: string): BoardBar | null {
  const row = lanes.findIndex((lane) => lane.some((b) => b.work === of?.work));
  const lane = lanes[row];
  if (!of || !lane) return lanes.find((l) => l.length > 0)?.[0] ?? null;
  const at = lane.findIndex((b) => b.work === of.work);
  if (key === 'ArrowLeft') return lane[at - 1] ?? null;
  if (key === 'ArrowRight') return lane[at + 1] ?? null;
  const step = key === 'ArrowUp' ? -1 : 1;
  for (let r = row + step; lanes[r]; r += step) {
    const near = lanes[r]?.reduce<BoardBar | null>(
      (a, b) => (a && Math.abs(a.start - of.start) <= Math.abs(b.start - of.start) ? a : b),
      null,
    );
    if (near) return near;
  }
  return null;
}
/** The next bar of another job along a machine: steps of one job keep their own order. */
export function ofAnother(
  lanes: readonly BoardBar[][],
  from: BoardBar,
  { job }: Pick<BoardBar, 'job'>,
  key: 'ArrowLeft' | 'ArrowRight',
): BoardBar | null {
  let next = neighbour(lanes, from, key);
  while (next?.job === job) next = neighbour(lanes, next, key);
  return next;
}
