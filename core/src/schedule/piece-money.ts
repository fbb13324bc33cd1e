import { ceilTolerant } from '../quantity/round-tolerant';
import type { JobOn, LinkOn, Piece } from './pieces';
import type { MovePrice } from './problem';

/* What hangs on where a piece lies: late deliveries, pieces that lie too long, a bar that was moved. */

export const HOUR_S = 3600;
/** A bar that begins by no more than this another time was not moved, s. House rule. */
const SAME_START_S = 900;
/** What was to begin within so long is of this shift, of this day, s. House rule. */
const SHIFT_S = 8 * HOUR_S;
const DAY_S = 24 * HOUR_S;

/** Price of a bar that was to begin so many seconds from now and is moved. @example movePrice(3600, { shift: 20, day: 10, later: 3, frozenS: 0 }) // 20 */
export const movePrice = (inS: number, { shift, day, later }: MovePrice): number => (inS < SHIFT_S ? shift : inS < DAY_S ? day : later);
/** Whether a bar that was there is elsewhere now. */
export const isMoved = (was: { machine: string; start: number }, machine: string, start: number): boolean =>
  machine !== was.machine || Math.abs(start - was.start) > SAME_START_S;

/** Seconds by which pieces lie longer than they may between a maker's end and the run that takes them. */
export const liesTooLong = ({ of, longestS, batch }: LinkOn, runs: number): number =>
  longestS === null || batch !== null ? 0 : Math.max(0, runs - of.end - longestS);

/** What the deliveries of a piece cost that ends then; a part of them as if it came at the end. */
export function lateCost({ dues, job }: Piece, end: number): number {
  let cost = 0;
  for (const due of dues) if (end > due.at) cost += ((end - due.at) * due.share * job.latePerHour) / HOUR_S;
  return cost;
}
/** When the pieces of a delivery are made. */
export function deliveredAt({ piece, pieces }: JobOn['dues'][number]): number {
  if (pieces >= piece.pieces) return piece.end;
  return piece.way.machine.time.endOf(piece.runAt + ceilTolerant((pieces * piece.way.runS) / piece.pieces));
}
/** What a job's deliveries cost by their lateness: hours late × their share of the job × what an hour of it costs. @example lateMoney({ dues: [], latePerHour: 30 }) // 0 */
export function lateMoney({ dues, latePerHour }: Pick<JobOn, 'dues' | 'latePerHour'>): number {
  let late = 0;
  for (const due of dues) {
    const lateS = deliveredAt(due) - due.at;
    if (lateS > 0) late += lateS * due.share;
  }
  return (late * latePerHour) / HOUR_S;
}
/**
 * The delivery of a job with the least to spare: when it is due, and when its pieces are there; in seconds from the board's beginning. Null: it has no date.
 * @example tightestOf({ dues: [] }) // null
 */
export function tightestOf({ dues }: Pick<JobOn, 'dues'>): { dueAt: number; readyAt: number } | null {
  const all = dues.map((due) => ({ dueAt: due.at, readyAt: deliveredAt(due) }));
  return all.reduce<(typeof all)[number] | null>((a, b) => (a && a.dueAt - a.readyAt <= b.dueAt - b.readyAt ? a : b), null);
}
