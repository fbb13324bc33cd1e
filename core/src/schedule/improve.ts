import { portableExp, portableLog } from '../quantity/portable-math';
import { seeded } from '../quantity/seeded';
import type { Laying } from './laying';
import type { Piece, WayOn } from './pieces';

/** How a search goes on. */
export interface Searched {
  /** Moves tried so far. */
  done: number;
  total: number;
}

/** Moves of the first round; each round after it has so many times more. Measured: docs/measurements.md. */
const FIRST_ROUND = 30_000;
const ROUND_GROWS = 3;
/** It cools from about a shift of a mean job's lateness to a two-hundredth of that. Colder to begin with, it stays far from the optimum where a missed shift costs 16 h. */
const START_HOURS = 8;
const START_HOURS_LARGE = 0.5;
const LARGE = 400;
const COLDEST = 1 / 200;
/** Of a hundred moves so many mend what makes a late job late, so many bring likes together; the rest are any. */
const AT_LATE = 40;
const AT_LIKES = 5;
/** A piece is moved past so many others of its machine at the most. */
const FARTHEST = 12;
/** How far back what makes a job late is looked for. */
const LONGEST_CHAIN = 80;

/**
 * Betters a board by annealing: moves along what makes late jobs late, likes together, and any; in rounds, each from the best so far. The same for a seed and a
 * number of moves, wherever it runs; `tell` is asked after every round and every few thousand moves whether to go on.
 *
 * Source: simulated annealing (Kirkpatrick, Gelatt, Vecchi 1983); moves along the critical path (van Laarhoven, Aarts, Lenstra 1992).
 */
export function improve(laying: Laying, seed: number, most: number, tell: (searched: Searched) => boolean = () => true): Searched {
  let moves = most;
  const random = seeded(seed);
  const below = (n: number): number => Math.floor(random() * n);
  const movable = laying.list.filter((x) => !x.running);
  let best = { total: laying.total, order: laying.order() };
  let done = 0;
  if (movable.length < 2 && movable.every((x) => x.ways.length < 2)) return { done, total: best.total };
  const likes = likesOf(movable);
  const start = startOf(laying, movable.length);
  const feltEvery = Math.max(FELT_EVERY, Math.floor(movable.length / 20));
  for (let round = FIRST_ROUND; done < moves; round *= ROUND_GROWS) {
    const length = Math.min(round, moves - done);
    const cools = portableExp(portableLog(COLDEST) / length);
    let temperature = start;
    for (let i = 0; i < length; i++) {
      if (done % SORTED_EVERY === 0) laying.sortByTime();
      if (done % feltEvery === 0) laying.feel();
      const [allowed, before] = [-temperature * portableLog(random()), laying.total];
      laying.limit = before + allowed + temperature;
      if (tryMove(laying, movable, likes, below)) {
        if (laying.total - before > allowed) laying.undo();
        else if (laying.total < best.total - 1e-9) best = { total: laying.total, order: laying.order() };
      }
      temperature *= cools;
      done++;
      if (done % TELL_EVERY === 0 && !tell({ done, total: best.total })) moves = done;
      if (done === moves) break;
    }
    laying.limit = Infinity;
    laying.layAll(best.order);
  }
  return { done, total: best.total };
}
/** What waits behind is felt anew after so many moves. */
const FELT_EVERY = 10;
/** The list is put in the order of time after so many. */
const SORTED_EVERY = 1_000;
const TELL_EVERY = 2_000;

/** Where it begins to cool: a shift of a mean job's lateness; half an hour on a large board, of which a search sees each piece but a few times. */
function startOf({ jobs }: Laying, pieces: number): number {
  const worth = jobs.reduce((sum, j) => sum + j.latePerHour, 0) / Math.max(jobs.length, 1);
  return Math.max((pieces > LARGE ? START_HOURS_LARGE : START_HOURS) * worth, 1);
}

/** Pieces that want the same in a machine. */
function likesOf(movable: readonly Piece[]): Map<Piece, Piece[]> {
  const groups = new Map<string, Piece[]>();
  const names = new Map<Piece, string>();
  for (const x of movable) {
    const name = x.ways.map((w) => `${w.machine.id} ${w.wants}`).join('|');
    names.set(x, name);
    const group = groups.get(name);
    if (group) group.push(x);
    else groups.set(name, [x]);
  }
  return new Map(movable.map((x) => [x, groups.get(names.get(x) ?? '') ?? []]));
}

function tryMove(laying: Laying, movable: readonly Piece[], likes: ReadonlyMap<Piece, Piece[]>, below: (n: number) => number): boolean {
  const kind = below(100);
  if (kind < AT_LATE) {
    const arcs = lateArcs(laying, below);
    const arc = arcs[below(Math.max(arcs.length, 1))];
    if (arc) return atArc(laying, arc, below);
  }
  const piece = movable[below(movable.length)];
  if (!piece) return false;
  if (kind >= AT_LATE && kind < AT_LATE + AT_LIKES) {
    const other = nearLike(piece, likes.get(piece) ?? [], below);
    if (other) return laying.moveBeside(piece, other, 'behind', wayLike(piece, other));
  }
  return piece.ways.length > 1 && below(3) === 0 ? elsewhere(laying, piece, below) : along(laying, piece, below);
}

/** Of some that want the same, the one nearest in time. */
function nearLike(piece: Piece, group: readonly Piece[], below: (n: number) => number): Piece | null {
  let near: Piece | null = null;
  for (let tries = 0; tries < 4; tries++) {
    const other = group[below(group.length)];
    if (other && other !== piece && (!near || Math.abs(other.start - piece.start) < Math.abs(near.start - piece.start))) near = other;
  }
  return near;
}
const wayLike = (piece: Piece, other: Piece): WayOn => piece.ways.find((w) => w.machine === other.way.machine) ?? piece.way;

/** Pairs on a machine that keep a late job late: the second waits for the first. */
function lateArcs({ jobs }: Laying, below: (n: number) => number): Piece[] {
  let end: Piece | null = null;
  for (let tries = 0; tries < 8 && !end; tries++) {
    const job = jobs[below(jobs.length)];
    const late = job?.dues.filter((d) => d.piece.end > d.at) ?? [];
    end = late[below(Math.max(late.length, 1))]?.piece ?? null;
  }
  const arcs: Piece[] = [];
  for (let x = end, n = 0; x && n < LONGEST_CHAIN; n++) {
    const { by, prev } = x;
    if (by && by === prev && !by.running) arcs.push(x);
    x = by;
  }
  return arcs;
}

/** The second before the first or farther, the first behind the second, or either elsewhere. */
function atArc(laying: Laying, second: Piece, below: (n: number) => number): boolean {
  const first = second.prev;
  if (!first) return false;
  const kind = below(10);
  if (kind < 2) {
    const piece = below(2) === 0 || first.running ? second : first;
    if (piece.ways.length > 1) return elsewhere(laying, piece, below);
  }
  if (kind < 7) {
    let other: Piece = first;
    for (let n = below(FARTHEST / 2); n > 0 && other.prev && !other.prev.running; n--) other = other.prev;
    return laying.moveBeside(second, other, 'before');
  }
  let other: Piece = second;
  for (let n = below(FARTHEST / 2); n > 0 && other.next; n--) other = other.next;
  return laying.moveBeside(first, other, 'behind');
}
/** On another machine, about where it is in time. */
function elsewhere(laying: Laying, piece: Piece, below: (n: number) => number): boolean {
  const way = piece.ways[below(piece.ways.length)];
  if (!way || way === piece.way) return false;
  let [other, last]: (Piece | null)[] = [way.machine.first, null];
  for (; other && (other.running || other.end <= piece.start); other = other.next) last = other;
  for (let n = below(3); n > 0 && other; n--) [last, other] = [other, other.next];
  if (other) return laying.moveBeside(piece, other, 'before', way);
  return last ? laying.moveBeside(piece, last, 'behind', way) : laying.moveTo(piece, way);
}
/** Past some others of its machine. */
function along(laying: Laying, piece: Piece, below: (n: number) => number): boolean {
  // Near ones more often.
  const far = 1 + below(1 + below(FARTHEST));
  const isUp = below(2) === 0;
  let other: Piece = piece;
  for (let n = 0; n < far; n++) {
    const next: Piece | null = isUp ? other.prev : other.next;
    if (!next || next.running) break;
    other = next;
  }
  return other !== piece && laying.moveBeside(piece, other, isUp ? 'before' : 'behind');
}
