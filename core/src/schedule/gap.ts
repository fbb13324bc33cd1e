import type { Laying } from './laying';
import { type MachineOn, type Piece, runBegins, type WayOn } from './pieces';

/* Work put into a board that stands: into gaps, without a search. */

/** A place on a machine: behind a piece (null: as its first), and when it would end there. */
interface Gap {
  way: WayOn;
  prev: Piece | null;
  /** On a bench: open seconds before which it may not begin. */
  from: number;
  end: number;
}

/**
 * Puts pieces into the first gaps of a board in which no other's run begins later; a follower may be changed over otherwise within its gap. Each goes to the machine
 * on which it ends first. They come in the order given: who was promised first keeps that. What stands on the board keeps its order.
 *
 * Source: insertion into a standing schedule (standard).
 */
export function putIntoGaps(laying: Laying, fresh: readonly string[]): void {
  const mine = withFollowers(laying.list, new Set(fresh));
  if (mine.size === 0) return;
  const others = laying.list.filter((x) => !mine.has(x));
  laying.layAll({ list: [...others, ...mine], ways: laying.order().ways });
  laying.letGoHands(others.length);
  const chains = new Map<MachineOn, Piece[]>(laying.machines.map((machine) => [machine, []]));
  for (const x of others) chains.get(x.way.machine)?.push(x);
  for (const x of inTurn(mine, fresh)) put(laying, x, chains);
  const begins = new Map(laying.list.map((x) => [x, runBegins(x)]));
  const { list, ways } = laying.order();
  for (const x of mine) ways[x.nr] = x.way;
  laying.layAll({ list: list.sort((a, b) => (begins.get(a) ?? 0) - (begins.get(b) ?? 0)), ways });
}

/** Pieces to be put, and what needs them: it cannot lie before they do. */
function withFollowers(list: readonly Piece[], fresh: ReadonlySet<string>): Set<Piece> {
  const mine = new Set<Piece>();
  for (const x of list) if (!x.running && (fresh.has(x.id) || x.makers.some((m) => mine.has(m)))) mine.add(x);
  return mine;
}
/** In the order asked for, each piece behind what it needs. */
function inTurn(mine: ReadonlySet<Piece>, fresh: readonly string[]): Set<Piece> {
  const rank = new Map(fresh.map((id, i) => [id, i]));
  const ordered = new Set<Piece>();
  const add = (x: Piece): void => {
    if (!mine.has(x) || ordered.has(x)) return;
    x.makers.forEach(add);
    ordered.add(x);
  };
  const turn = (x: Piece): number => rank.get(x.id) ?? fresh.length;
  [...mine].sort((a, b) => turn(a) - turn(b)).forEach(add);
  return ordered;
}

function put(laying: Laying, x: Piece, chains: ReadonlyMap<MachineOn, Piece[]>): void {
  let best: Gap | null = null;
  for (const way of x.ways) {
    const chain = chains.get(way.machine) ?? [];
    const gap = way.machine.places > 1 ? gapOnBench(laying, x, way, chain) : gapBetween(laying, x, way, chain);
    if (!best || gap.end < best.end) best = gap;
  }
  if (!best) return;
  layFrom(laying, x, best);
  const chain = chains.get(best.way.machine);
  chain?.splice(best.prev ? chain.indexOf(best.prev) + 1 : 0, 0, x);
}

/** On a machine of one place: behind the first piece that leaves room before the next. */
function gapBetween(laying: Laying, x: Piece, way: WayOn, chain: readonly Piece[]): Gap {
  let prev: Piece | null = null;
  for (const next of chain) {
    const room = next.runAt - next.way.makeReadyS - (prev?.endAt ?? way.machine.freeAt);
    if (!next.running && room >= way.makeReadyS + way.runS) {
      laying.layBehind(x, way, prev, true);
      if (leaves(x, next, chain)) break;
    }
    prev = next;
  }
  laying.layBehind(x, way, prev, true);
  return { way, prev, from: 0, end: x.end };
}
/** Whether what follows still runs when it did, changed over from what this piece leaves in the machine. */
function leaves(x: Piece, next: Piece, chain: readonly Piece[]): boolean {
  const { setUps, hands } = x.way.machine;
  let [endAt, stands] = [x.endAt, x.stands];
  for (let i = chain.indexOf(next); i < chain.length; i++) {
    const follower = chain[i];
    if (!follower) break;
    const { s, then } = setUps.step(stands, follower.way.wants);
    const leadS = s + follower.way.makeReadyS;
    if (endAt + leadS > follower.runAt) return false;
    // Where its bar is held, or people are taken with it, another set-up would move its run.
    const isHeld = follower.barFrom > 0 || hands !== null || follower.links.some((l) => l.by === 'order');
    if (isHeld && leadS !== follower.leadS) return false;
    if (then === follower.stands) return true;
    [endAt, stands] = [follower.endAt, then];
  }
  return true;
}

/** On a bench: from the first moment on at which a place is free all along. */
function gapOnBench(laying: Laying, x: Piece, way: WayOn, chain: readonly Piece[]): Gap {
  const { places, freeAt } = way.machine;
  const busy = chain.map((o) => [o.runAt - o.leadS, o.endAt] as const);
  const last = chain.at(-1) ?? null;
  const layAt = (from: number): Gap => {
    const gap = { way, prev: null, from, end: 0 };
    layFrom(laying, x, gap, true);
    return { ...gap, prev: last, end: x.end };
  };
  const isFree = (): boolean => {
    const [from, to] = [x.runAt - x.leadS, x.endAt];
    const begins = [from, ...busy.flatMap(([a]) => (a > from && a < to ? [a] : []))];
    return begins.every((at) => busy.filter(([a, b]) => a <= at && b > at).length < places);
  };
  let gap = layAt(freeAt);
  const turns = busy.map(([, end]) => end).sort((a, b) => a - b);
  for (const end of turns) {
    if (isFree()) break;
    if (end > x.runAt - x.leadS) gap = layAt(end);
  }
  return gap;
}

/** Lays a piece in a gap; on a bench not before its place is free. */
function layFrom(laying: Laying, x: Piece, { way, prev, from }: Gap, isTry = false): void {
  const { barFrom, isHeld } = x;
  if (way.machine.places > 1) {
    x.barFrom = Math.max(barFrom, way.machine.time.startOf(from));
    x.isHeld = true;
    laying.layBehind(x, way, null, isTry);
  } else laying.layBehind(x, way, prev, isTry);
  [x.barFrom, x.isHeld] = [barFrom, isHeld];
}
