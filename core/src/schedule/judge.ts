import type { Id } from '../quantity/figure';
import { changesBetween } from './change-over';
import { Laying, type Order } from './laying';
import { HOUR_S, isMoved, lateMoney, liesTooLong, movePrice } from './piece-money';
import { type Piece, type Pieces, piecesOf } from './pieces';
import type { Bar, Breach, Judged, Money, Problem } from './problem';

/** Where a board that is accepted has its bars, by work. */
export const standsOf = (bars: readonly Bar[]): Record<Id<'work'>, { machine: Id<'machine'>; start: number }> =>
  Object.fromEntries(bars.map(({ work, machine, start }) => [work, { machine, start }]));

/** The same with what is to begin soon pinned where the accepted board has it: nobody is sent away from a machine he stands at. */
export function frozenIn(p: Problem, was: readonly Bar[]): Problem {
  const soon = was.filter((b) => b.start < p.asOf + p.moved.frozenS && p.work[b.work]?.state === 'free' && !p.work[b.work]?.pin);
  if (soon.length === 0) return p;
  const work = { ...p.work };
  for (const { work: id, machine, start } of soon) {
    const mine = work[id];
    if (mine) work[id] = { ...mine, pin: { on: machine, start: Math.max(start, p.asOf), by: '', why: 'soon' } };
  }
  return { ...p, work };
}

/** Pieces of a problem laid as they stand. */
export const layingOf = (of: Pieces, p: Problem): Laying => new Laying(of.pieces, of.jobs, [...of.machines.values()], p.moved);

/**
 * Lays the work of a board in a given order on given machines, each piece as early as it may, and says what that costs and what does not hold. Work that the order
 * leaves out comes last; what comes before something it needs is laid behind it.
 *
 * Source: the rules of time of the board (docs/decisions/68-the-board.md).
 */
export function judge(
  p: Problem,
  order: readonly Id<'work'>[],
  on: Readonly<Record<Id<'work'>, Id<'machine'>>>,
  was?: readonly Bar[],
): Judged {
  const of = piecesOf(p, was && standsOf(was));
  const laying = layingOf(of, p);
  laying.layAll(inOrder(of.pieces, order, on));
  return judged(p, of, laying.list);
}

/** Pieces in a wished order, as far as their links let it; running ones first. */
export function inOrder(pieces: readonly Piece[], order: readonly Id<'work'>[], on: Readonly<Record<Id<'work'>, Id<'machine'>>>): Order {
  const rank = new Map(order.map((id, i) => [id, i]));
  const wished = pieces
    .map((piece, i) => ({ piece, rank: piece.running ? -1 : (rank.get(piece.id) ?? order.length + i) }))
    .sort((a, b) => a.rank - b.rank);
  const laid = new Set<Piece>();
  const made: Order = { list: [], ways: [] };
  const lay = (piece: Piece): void => {
    if (laid.has(piece)) return;
    laid.add(piece);
    for (const link of piece.links) lay(link.of);
    made.list.push(piece);
    made.ways[piece.nr] = piece.ways.find((w) => w.machine.id === on[piece.id]) ?? piece.way;
  };
  for (const { piece } of wished) lay(piece);
  return made;
}

/** The board as it is laid: its bars, money and breaches. */
export function judged(p: Problem, { origin, jobs, breaches }: Pieces, list: readonly Piece[]): Judged {
  const money: Money = { late: 0, change: 0, ways: 0, held: 0, moved: 0 };
  const found = [...breaches];
  /** What stands in each machine, as the list comes to it. */
  const stands = new Map(Object.entries(p.lanes).map(([id, lane]) => [id, { ...lane.keys }]));
  const bars = list.map((x): Bar => {
    const bar = barOf(p, x, origin, stands.get(x.way.machine.id) ?? {});
    const { setupRate } = x.way.machine;
    money.change += (bar.changes.reduce((sum, c) => sum + c.s, 0) * setupRate) / HOUR_S;
    if (!x.running) money.ways += x.way.extra;
    if (!x.running && x.was && isMoved(x.was, x.way.machine.id, x.start)) money.moved += movePrice(x.was.start, p.moved);
    found.push(...breachesOf(p, x));
    return bar;
  });
  for (const job of jobs) {
    money.late += lateMoney(job);
    const start = Math.min(...job.pieces.map((x) => x.start));
    money.held += (Math.max(0, job.end - start) * job.heldPerHour) / HOUR_S;
  }
  return { bars, money, breaches: found };
}

/** The bar of a piece; what it wants then stands in its machine. */
function barOf(p: Problem, x: Piece, origin: number, stands: Record<string, string>): Bar {
  const { machine, makeReadyS } = x.way;
  const [start, end] = [origin + x.start, origin + x.end];
  const lane = p.lanes[machine.id];
  const changes = x.running || machine.places > 1 || !lane ? [] : changesBetween(lane.change, stands, x.work.keys);
  Object.assign(stands, x.work.keys);
  if (x.running) return { work: x.id, machine: machine.id, start, makeReadyAt: start, runAt: start, end, changes };
  const [makeReadyAt, runAt] = [x.runAt - makeReadyS, x.runAt].map((open) => origin + machine.time.startOf(open));
  return { work: x.id, machine: machine.id, start, makeReadyAt: makeReadyAt ?? start, runAt: runAt ?? start, end, changes };
}

/** What does not hold at a piece. */
function breachesOf(p: Problem, x: Piece): Breach[] {
  const { machine, hands, runS } = x.way;
  const found: Breach[] = [];
  if (x.pinned !== null && x.start > x.pinned) {
    const other = x.by && x.by !== x ? { with: x.by.id } : {};
    found.push({ code: 'pin', work: x.id, ...other, byS: x.start - x.pinned });
  }
  for (const link of x.links) {
    const byS = liesTooLong(link, machine.time.startOf(x.runAt));
    if (byS > 0) found.push({ code: 'longestWait', work: x.id, with: link.of.id, byS });
  }
  if (machine.hands && hands > machine.hands.most) found.push({ code: 'hands', work: x.id, byS: 0 });
  const closes = machine.time.knownUntil;
  if (!x.running && x.end > closes) found.push({ code: 'hours', work: x.id, byS: x.end - Math.max(closes, 0) });
  else if (x.inOneGo && (p.lanes[machine.id]?.open ?? []).every(([from, to]) => to - from < runS))
    found.push({ code: 'hours', work: x.id, byS: runS });
  return found;
}
