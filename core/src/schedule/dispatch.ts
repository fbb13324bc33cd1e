import { portableExp } from '../quantity/portable-math';
import type { Laying, Order } from './laying';
import type { MachineOn, Piece, WayOn } from './pieces';

/* A board at once: work is laid one after another, at each machine what a rule puts first. */

/** Where a piece would lie on one of its ways, behind what is laid by now. */
interface Tried {
  way: WayOn;
  start: number;
  end: number;
  changeS: number;
}
/** A piece that may be laid next, on the way that ends it first; and what each of its ways came to. */
interface Ready extends Tried {
  piece: Piece;
  tried: Tried[];
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
export const USUAL_RULES: Readonly<Record<string, Rule>> = {
  'first come': (_, { nr }) => nr,
  'due date': (_, { due }) => due,
  slack: ({ start }, { due, leftS }) => due - start - leftS,
  'critical ratio': ({ start }, { due, leftS }) => (due - start) / Math.max(leftS, 1),
  'least set-up': ({ changeS }, { due }) => changeS + due / 1e9,
};
/** All that are tried: the usual ones, and what weighs them all. */
const RULES: Readonly<Record<string, Rule>> = {
  ...USUAL_RULES,
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
  // The same by every machine it could go to: a full board has hundreds.
  const readyOn = new Map<MachineOn, Ready[]>(machines.map((machine) => [machine, []]));
  const order: Order = { list: [], ways: [] };
  laying.letGoHands();
  const put = (piece: Piece, way: WayOn): void => {
    laying.layBehind(piece, way, way.machine.tail);
    piece.way.machine.tail = piece;
    order.list.push(piece);
    order.ways[piece.nr] = way;
    // What could lie behind it there would begin at another time now.
    for (const r of readyOn.get(way.machine) ?? []) tryAgain(laying, r, way.machine);
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
      const r = readyOf(laying, next);
      ready.push(r);
      for (const machine of machinesOf(next)) readyOn.get(machine)?.push(r);
      first = firstToEnd(ready);
    }
    if (!first) break;
    let [chosen, least] = [first, Infinity];
    if (changes > 0) mean.changeS = changed / changes;
    for (const r of readyOn.get(first.way.machine) ?? []) {
      if (r.way.machine !== first.way.machine || r.start >= first.end) continue;
      const facts = known.get(r.piece);
      const rank = facts ? rule(r, facts, mean) : Infinity;
      if (rank < least) [chosen, least] = [r, rank];
    }
    for (const among of [ready, ...machinesOf(chosen.piece).map((machine) => readyOn.get(machine) ?? [])])
      among.splice(among.indexOf(chosen), 1);
    if (chosen.changeS > 0) [changed, changes] = [changed + chosen.changeS, changes + 1];
    put(chosen.piece, chosen.way);
  }
  return order;
}

function firstToEnd<T extends Tried>(tried: readonly T[]): T | undefined {
  let first = tried[0];
  for (const t of tried) if (first && t.end < first.end) first = t;
  return first;
}
const machinesOf = ({ ways }: Piece): MachineOn[] => [...new Set(ways.map((w) => w.machine))];
function tryWay(laying: Laying, piece: Piece, way: WayOn): Tried {
  laying.layBehind(piece, way, way.machine.tail, true);
  return { way, start: piece.start, end: piece.end, changeS: piece.leadS - way.makeReadyS };
}
/** Looks anew at the way on a machine behind which something was laid. */
function tryAgain(laying: Laying, ready: Ready, machine: MachineOn): void {
  const { piece, tried } = ready;
  for (const [i, { way }] of tried.entries()) if (way.machine === machine) tried[i] = tryWay(laying, piece, way);
  const first = firstToEnd(tried);
  if (first) [ready.way, ready.start, ready.end, ready.changeS] = [first.way, first.start, first.end, first.changeS];
}
function readyOf(laying: Laying, piece: Piece): Ready {
  const tried = piece.ways.map((way) => tryWay(laying, piece, way));
  const { way, start, end, changeS } = firstToEnd(tried) ?? { way: piece.way, start: 0, end: 0, changeS: 0 };
  return { piece, tried, way, start, end, changeS };
}
