import type { Id } from '../quantity/figure';
import { ceilTolerant } from '../quantity/round-tolerant';
import { inOrder, layingOf } from './judge';
import type { Laying } from './laying';
import { jobFirst, moveWithFollowers } from './move-job';
import { OVERTIME_S, withOvertime } from './overtime';
import { type Piece, piecesOf } from './pieces';
import { HOUR_S } from './piece-money';
import type { At, Problem } from './problem';
import type { Accepted } from './promise';
import { restOf, withSplit } from './split-run';
import { waitedFor, whyThen } from './why-late';

/** What would let a job end sooner: by how much, and what the whole board would then cost more or less (below 0: less). */
export type Help = { soonerS: number; money: number } & (
  | { kind: 'before'; work: Id<'work'>; beside: Id<'work'> }
  /** All of the job before everything that does not run yet. */
  | { kind: 'first' }
  /** A machine worked longer every day; what those hours cost is not in the money. */
  | { kind: 'overtime'; machine: Id<'machine'>; byS: number }
  /** What has to come for a step, paper or an approval, so much sooner; what that costs is not in the money. */
  | { kind: 'sooner'; work: Id<'work'>; byS: number }
  /** A run of another job is broken off then, after so many pieces, and goes on behind the work that waits for it; its second make-ready is in the money. */
  | { kind: 'split'; work: Id<'work'>; beside: Id<'work'>; pieces: number; at: At }
);

/** Tries of single moves at the most: more would keep who asks waiting. House rule. */
const MOST_TRIES = 8;

/**
 * What would let a job end sooner, found by trying it: along what fixes its end, each piece that waits for its machine is laid before the one it waits for, before all
 * it could go before, and half way; and the whole job before everything. Only what helps is told, the cheapest first; the board is left as it was. Source: none; trial
 * on the board itself.
 */
export function whatHelps(laying: Laying, id: Id<'job'>): Help[] {
  const job = laying.jobs.find((j) => j.id === id);
  const helps: Help[] = [];
  if (!job) return helps;
  const [end, total] = [job.end, laying.total];
  const tell = (help: { kind: 'before'; work: string; beside: string } | { kind: 'first' }): void => {
    const found = { ...help, soonerS: end - job.end, money: laying.total - total };
    if (found.soonerS > 0) helps.push(found);
  };
  const order = laying.order();
  let tries = 0;
  const chain = chainOf(job.pieces);
  for (const x of [...chain.filter((c) => c.job === job), ...chain.filter((c) => c.job !== job)])
    for (const before of x.by === x.prev ? placesFor(x) : []) {
      if (tries >= MOST_TRIES || !moveWithFollowers(laying, x, before, 'before')) continue;
      tries++;
      tell({ kind: 'before', work: x.id, beside: before.id });
      laying.layAll(order);
    }
  laying.layAll(jobFirst(laying, id));
  tell({ kind: 'first' });
  laying.layAll(order);
  return helps.sort((a, b) => a.money - b.money || b.soonerS - a.soonerS);
}

/** What a machine would bring that a job waits for the longest, worked longer every day; null where that brings nothing. */
export function overtimeHelp(p: Problem, accepted: Accepted, id: Id<'job'>): Help | null {
  const before = laidAs(p, accepted);
  const [machine] = waitedFor(whyThen(before, id));
  if (machine === undefined) return null;
  const brings = broughtBy(before, laidAs(withOvertime(p, machine), accepted), id);
  return brings.soonerS > 0 ? { kind: 'overtime', machine, byS: OVERTIME_S, ...brings } : null;
}

/**
 * What it would bring if what has to come for a step of the job came a day sooner; of several steps the one that brings the most, null where none does. Nothing comes
 * sooner than now.
 */
export function soonerHelp(p: Problem, accepted: Accepted, id: Id<'job'>): Help | null {
  const waiting = Object.entries(p.work).filter(
    ([, { job, state, gates }]) => job === id && state !== 'done' && gates.some((g) => g.at > p.asOf),
  );
  if (waiting.length === 0) return null;
  const before = laidAs(p, accepted);
  const tried = waiting.map(([work, mine]) => {
    const gates = mine.gates.map((g) => ({ ...g, at: g.at > p.asOf ? Math.max(p.asOf, g.at - SOONER_S) : g.at }));
    return { work, ...broughtBy(before, laidAs({ ...p, work: { ...p.work, [work]: { ...mine, gates } } }, accepted), id) };
  });
  const best = tried.reduce((a, b) => (b.soonerS > a.soonerS ? b : a));
  return best.soonerS > 0 ? { kind: 'sooner', byS: SOONER_S, ...best } : null;
}
/** A supplier, or a customer who has to say yes, may be asked for a day. House rule. */
const SOONER_S = 86_400;

/**
 * What it would bring to break off a run of another job for which the job waits, when its own work there could begin, and to go on with the rest behind it; of
 * several runs the cheapest that helps, null where none does.
 */
export function splitHelp(p: Problem, accepted: Accepted, id: Id<'job'>): Help | null {
  const before = laidAs(p, accepted);
  const job = before.jobs.find((j) => j.id === id);
  const waiting = chainOf(job?.pieces ?? []).filter((x) => x.job === job && x.by === x.prev && x.way.machine.places === 1);
  const tried = waiting.slice(0, MOST_TRIES).flatMap((x) => brokenOff(p, accepted, before, x) ?? []);
  return tried.filter((help) => help.soonerS > 0).reduce<Help | null>((a, b) => (a && a.money <= b.money ? a : b), null);
}
/** A run before a piece is broken off for it; null: too little would be run before or after. */
function brokenOff(p: Problem, accepted: Accepted, before: Laying, x: Piece): Help | null {
  const long = x.prev;
  if (!long || long.job === x.job) return null;
  const { machine, runS } = long.way;
  const { time } = machine;
  // Not before the rest of its pile is made, and what runs not before now.
  const stopAt = Math.max(readyAt(x) - x.leadS, long.runAt, time.openBefore(0));
  const pile = Math.min(
    long.pieces,
    ...long.followers.flatMap((f) => f.links.flatMap((l) => (l.of === long && l.batch !== null ? [l.batch] : []))),
  );
  const made = ((stopAt - long.runAt) * long.pieces) / runS;
  const pieces = pile < long.pieces ? Math.ceil(made / pile) * pile : Math.ceil(made);
  const stopsAt = long.runAt + ceilTolerant((pieces * runS) / long.pieces);
  if (long.endAt - stopsAt < SHORTEST_PART_S || (!long.running && stopsAt - long.runAt < SHORTEST_PART_S)) return null;
  const rest = restOf(long.id);
  const order = accepted.order.flatMap((id) => (id === long.id ? [id, rest] : [id]));
  const laying = laidAs(withSplit(p, long.id, pieces), { order, on: { ...accepted.on, [rest]: machine.id } });
  const [mine, behind] = [x.id, rest].map((id) => laying.list.find((y) => y.id === id));
  if (!mine || !behind || !moveWithFollowers(laying, mine, behind, 'before')) return null;
  const { soonerS, money } = broughtBy(before, laying, x.job.id);
  const again = (behind.way.makeReadyS * machine.setupRate) / HOUR_S;
  return { kind: 'split', work: long.id, beside: x.id, pieces, at: p.asOf + time.endOf(stopsAt), soonerS, money: money + again };
}
/** Nobody breaks off a run for less, s. House rule. */
const SHORTEST_PART_S = 1_800;

function laidAs(p: Problem, { order, on }: Accepted): Laying {
  const of = piecesOf(p);
  const laying = layingOf(of, p);
  laying.layAll(inOrder(of.pieces, order, on));
  return laying;
}
/** By how much a job ends sooner on one board than on another, and what the other costs more. */
function broughtBy(before: Laying, after: Laying, id: Id<'job'>): { soonerS: number; money: number } {
  const endOf = ({ jobs }: Laying): number => jobs.find((j) => j.id === id)?.end ?? 0;
  return { soonerS: endOf(before) - endOf(after), money: after.total - before.total };
}

/** Open seconds from which on a piece could run, were its machine free. */
const readyAt = (x: Piece): number =>
  x.way.machine.time.openBefore(Math.max(0, x.barFrom, x.makeReadyFrom, x.runFrom, ...x.links.map((l) => l.of.end + l.waitS)));

/** Pieces of other jobs before which a piece could go: the one it waits for, the first of those that begin after it could, and the one half way. */
function placesFor(x: Piece): Piece[] {
  const ready = readyAt(x);
  const places: Piece[] = [];
  for (let before = x.prev; before && !before.running && before.runAt + before.way.runS > ready; before = before.prev)
    // The same job twice on a machine keeps its own order.
    if (before.job !== x.job) places.push(before);
  const picked = [places[0], places[places.length >> 1], places.at(-1)];
  return [...new Set(picked.filter((p) => p !== undefined))];
}

/** From the piece that ends last back along what fixed each start. */
function chainOf(pieces: readonly Piece[]): Piece[] {
  const chain: Piece[] = [];
  let x: Piece | null = pieces.reduce<Piece | null>((a, b) => (a && a.end >= b.end ? a : b), null);
  for (; x && !x.running; x = x.by) chain.push(x);
  return chain;
}
