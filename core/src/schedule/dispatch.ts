import { portableExp } from '../quantity/portable-math';
import type { Laying, Order } from './laying';
import type { Piece, WayOn } from './pieces';

/* A board at once: work is laid one after another, at each machine what a rule puts first. */

/** A piece that may be laid next, on the way that ends it first. */
interface Ready {
  piece: Piece;
  way: WayOn;
  start: number;
  end: number;
  changeS: number;
}
/** A change-over before any was met, s. House rule. */
const USUAL_CHANGE_S = 900;

/** What a rule knows of a piece: seconds from the moment of the board. */
interface Known {
  due: number;
  /** Of its own work and waits, and of all that follows it. */
  leftS: number;
  /** Money an hour. */
  weight: number;
  nr: number;
}
/** The least comes first. */
export type Rule = (ready: Readonly<Ready>, known: Known, mean: { runS: number; changeS: number }) => number;

/** Weight a second of run, less the more slack it has and the longer it takes to change over. Source: apparent tardiness cost with set-ups (Lee, Bhaskaran, Pinedo 1997), from memory. */
const apparentCost =
  (k1: number, k2: number): Rule =>
  ({ start, way, changeS }, { due, leftS, weight }, mean) => {
    const slack = Math.max(0, due - start - leftS);
    const worth = weight / Math.max(way.runS + way.makeReadyS, 1);
    return -worth * portableExp(-slack / (k1 * Math.max(mean.runS, 1))) * portableExp(-changeS / (k2 * Math.max(mean.changeS, 1)));
  };

/** The usual rules, by what they go by. Source: standard dispatching rules. */
export const RULES: Readonly<Record<string, Rule>> = {
  'first come': (_, { nr }) => nr,
  'due date': (_, { due }) => due,
  slack: ({ start }, { due, leftS }) => due - start - leftS,
  'critical ratio': ({ start }, { due, leftS }) => (due - start) / Math.max(leftS, 1),
  'least set-up': ({ changeS }, { due }) => changeS + due / 1e9,
  ...Object.fromEntries([2, 4, 8, 16].flatMap((k1) => [0.2, 0.4].map((k2) => [`apparent cost, ${k1} and ${k2}`, apparentCost(k1, k2)]))),
};

/** Lays everything by each rule and keeps the best board; returns what each came to. */
export function dispatchBest(laying: Laying): { rule: string; total: number }[] {
  const known = knownOf(laying);
  const made = Object.entries(RULES).map(([rule, first]) => {
    const order = dispatched(laying, known, first);
    laying.layAll(order);
    return { rule, total: laying.total, order };
  });
  const best = made.reduce((a, b) => (b.total < a.total ? b : a));
  laying.layAll(best.order);
  return made.map(({ rule, total }) => ({ rule, total }));
}

function knownOf({ list, jobs }: Laying): Map<Piece, Known> {
  const known = new Map<Piece, Known>();
  const nr = new Map(jobs.map((job, i) => [job, i]));
  for (let i = list.length - 1; i >= 0; i--) {
    const piece = list[i];
    if (!piece) continue;
    const { job, followers, ways } = piece;
    const quickest = Math.min(...ways.map((w) => w.makeReadyS + w.runS));
    const behind = followers.map((f) => (known.get(f)?.leftS ?? 0) + (f.links.find((l) => l.of === piece)?.waitS ?? 0));
    known.set(piece, {
      due: Math.min(...job.dues.map((d) => d.at), ...followers.map((f) => known.get(f)?.due ?? Infinity)),
      leftS: quickest + Math.max(0, ...behind),
      weight: job.latePerHour,
      nr: nr.get(job) ?? 0,
    });
  }
  return known;
}

/** An order of all pieces by one rule: among those that could begin before the first of them would end on its machine, the one the rule puts first. Source: Giffler and Thompson 1960. */
function dispatched(laying: Laying, known: ReadonlyMap<Piece, Known>, rule: Rule): Order {
  const { list, machines } = laying;
  for (const machine of machines) machine.first = machine.tail = null;
  const open = new Map(list.map((x) => [x, x.links.length]));
  const mean = {
    runS: list.reduce((sum, x) => sum + x.way.makeReadyS + x.way.runS, 0) / Math.max(list.length, 1),
    changeS: USUAL_CHANGE_S,
  };
  let [changed, changes] = [0, 0];
  const ready: Ready[] = [];
  const order: Order = { list: [], ways: [] };
  laying.letGoHands();
  const put = (piece: Piece, way: WayOn): void => {
    laying.layBehind(piece, way, way.machine.tail);
    piece.way.machine.tail = piece;
    order.list.push(piece);
    order.ways[piece.nr] = way;
    for (const r of ready) if (r.piece.ways.some((w) => w.machine === way.machine)) Object.assign(r, bestWay(laying, r.piece));
    for (const f of piece.followers) {
      const left = (open.get(f) ?? 0) - 1;
      open.set(f, left);
      if (left === 0) comes(f);
    }
  };
  // What a gate keeps back is not looked at before its time: most of a full board waits for something.
  const kept: Piece[] = [];
  const gateOf = (x: Piece): number => Math.max(x.barFrom, x.makeReadyFrom, x.runFrom);
  const comes = (x: Piece): void => {
    const place = kept.findIndex((k) => gateOf(k) <= gateOf(x));
    kept.splice(place < 0 ? kept.length : place, 0, x);
  };
  for (const x of list) if (x.running) put(x, x.way);
  for (const x of list) if (!x.running && x.links.length === 0) comes(x);
  while (ready.length + kept.length > 0) {
    let first = firstToEnd(ready);
    for (let next = kept.at(-1); next && (!first || gateOf(next) < first.end); next = kept.at(-1)) {
      kept.pop();
      ready.push(bestWay(laying, next));
      first = firstToEnd(ready);
    }
    if (!first) break;
    let [chosen, least] = [first, Infinity];
    if (changes > 0) mean.changeS = changed / changes;
    for (const r of ready) {
      if (r.way.machine !== first.way.machine || r.start >= first.end) continue;
      const facts = known.get(r.piece);
      const rank = facts ? rule(r, facts, mean) : Infinity;
      if (rank < least) [chosen, least] = [r, rank];
    }
    ready.splice(ready.indexOf(chosen), 1);
    if (chosen.changeS > 0) [changed, changes] = [changed + chosen.changeS, changes + 1];
    put(chosen.piece, chosen.way);
  }
  return order;
}

const firstToEnd = (ready: readonly Ready[]): Ready | undefined => {
  let first = ready[0];
  for (const r of ready) if (first && r.end < first.end) first = r;
  return first;
};
/** The way on which a piece ends first, behind what is laid by now. */
function bestWay(laying: Laying, piece: Piece): Ready {
  let best: Ready | null = null;
  for (const way of piece.ways) {
    laying.layBehind(piece, way, way.machine.tail, true);
    if (best === null || piece.end < best.end)
      best = { piece, way, start: piece.start, end: piece.end, changeS: piece.leadS - way.makeReadyS };
  }
  return best ?? { piece, way: piece.way, start: 0, end: 0, changeS: 0 };
}
