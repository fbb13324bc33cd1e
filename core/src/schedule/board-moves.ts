import type { Laying } from './laying';
import { estimateMove } from './move-estimate';
import type { Piece, WayOn } from './pieces';

/* Moves that a search tries on a board: along what makes late jobs late, likes together, and any. */

/** A stretch of the list within which pieces are moved: from a place, until before another. */
export interface Stretch {
  from: number;
  until: number;
}
/** What a choice is made by: a whole number below another. */
export type Below = (n: number) => number;
/** Pieces that want the same in a machine, by each of them. */
export type Likes = ReadonlyMap<Piece, readonly Piece[]>;

/** Of a hundred moves so many mend what makes a late job late, so many bring likes together; the rest are any. Measured: docs/measurements.md. */
const AT_LATE = 40;
const AT_LIKES = 5;
/** A piece is moved past so many others of its machine at the most. */
const FARTHEST = 12;
/** How far back what makes a job late is looked for. */
const LONGEST_CHAIN = 80;

/** Pieces that want the same in a machine. */
export function likesOf(movable: readonly Piece[]): Likes {
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

/** Tries one move within a stretch; false: nothing was moved. */
export function tryMove(laying: Laying, stretch: Stretch, likes: Likes, below: Below): boolean {
  const kind = below(100);
  if (kind < AT_LATE) {
    const arcs = lateArcs(laying, stretch, below);
    const arc = arcs[below(Math.max(arcs.length, 1))];
    if (arc) return atArc(laying, stretch, arc, below);
  }
  const piece = anyOf(laying, stretch, below);
  if (!piece) return false;
  if (kind >= AT_LATE && kind < AT_LATE + AT_LIKES) {
    const other = nearLike(piece, likes.get(piece) ?? [], below);
    if (other && isIn(stretch, other)) return laying.moveBeside(piece, other, 'behind', wayLike(piece, other));
  }
  return piece.ways.length > 1 && below(3) === 0 ? elsewhere(laying, stretch, piece, below) : along(laying, stretch, piece, below);
}

const anyOf = ({ list }: Laying, { from, until }: Stretch, below: Below): Piece | undefined => list[from + below(until - from)];
const isIn = ({ from, until }: Stretch, x: Piece): boolean => x.at >= from && x.at < until;

/** Of some that want the same, the one nearest in time. */
function nearLike(piece: Piece, group: readonly Piece[], below: Below): Piece | null {
  let near: Piece | null = null;
  for (let tries = 0; tries < 4; tries++) {
    const other = group[below(group.length)];
    if (other && other !== piece && (!near || Math.abs(other.start - piece.start) < Math.abs(near.start - piece.start))) near = other;
  }
  return near;
}
const wayLike = (piece: Piece, other: Piece): WayOn => piece.ways.find((w) => w.machine === other.way.machine) ?? piece.way;

/** Pairs on a machine that keep late what is late: the second waits for the first. Looked for back from a piece of which every second costs. */
function lateArcs(laying: Laying, stretch: Stretch, below: Below): Piece[] {
  let end: Piece | null = null;
  for (let tries = 0; tries < 8 && !end; tries++) {
    const x = anyOf(laying, stretch, below);
    if (x && x.behind.slackS <= 0 && x.behind.worth > 0) end = x;
  }
  const arcs: Piece[] = [];
  for (let x = end, n = 0; x && x.at >= stretch.from && n < LONGEST_CHAIN; n++) {
    const { by, prev } = x;
    if (by && by === prev && isIn(stretch, by)) arcs.push(x);
    x = by;
  }
  return arcs;
}

/** The second before the first or farther, the first behind the second, or either elsewhere. */
function atArc(laying: Laying, stretch: Stretch, second: Piece, below: Below): boolean {
  const first = second.prev;
  if (!first) return false;
  const kind = below(10);
  if (kind < 2) {
    const piece = below(2) === 0 ? second : first;
    if (piece.ways.length > 1) return elsewhere(laying, stretch, piece, below);
  }
  return kind < 7
    ? tryBeside(laying, second, past(first, 'prev', below(FARTHEST / 2), stretch), 'before', below)
    : tryBeside(laying, first, past(second, 'next', below(FARTHEST / 2), stretch), 'behind', below);
}
/** Moves a piece along its machine where that is not thought to be dearer than would be taken. One of eight is tried in any case: a thought may be wrong. */
function tryBeside(laying: Laying, piece: Piece, other: Piece, side: 'before' | 'behind', below: Below): boolean {
  const costs = below(8) === 0 ? null : estimateMove(piece, other, side);
  return (costs === null || laying.total + costs <= laying.limit) && laying.moveBeside(piece, other, side);
}
/** Past some others of its machine, near ones more often. */
function along(laying: Laying, stretch: Stretch, piece: Piece, below: Below): boolean {
  const far = 1 + below(1 + below(FARTHEST));
  const isUp = below(2) === 0;
  const other = past(piece, isUp ? 'prev' : 'next', far, stretch);
  return other !== piece && tryBeside(laying, piece, other, isUp ? 'before' : 'behind', below);
}
/** So many pieces before or behind another on its machine, as far as the stretch reaches. */
function past(piece: Piece, way: 'prev' | 'next', far: number, stretch: Stretch): Piece {
  let x = piece;
  for (let n = 0; n < far; n++) {
    const next = x[way];
    if (!next || !isIn(stretch, next)) break;
    x = next;
  }
  return x;
}
/** On another machine, about where it is in time. */
function elsewhere(laying: Laying, stretch: Stretch, piece: Piece, below: Below): boolean {
  const way = piece.ways[below(piece.ways.length)];
  if (!way || way === piece.way) return false;
  let [other, last]: (Piece | null)[] = [firstIn(laying, stretch, way), null];
  for (; other && isIn(stretch, other) && other.end <= piece.start; other = other.next) last = other;
  for (let n = below(3); n > 0 && other && isIn(stretch, other); n--) [last, other] = [other, other.next];
  if (other && isIn(stretch, other)) return laying.moveBeside(piece, other, 'before', way);
  return last ? laying.moveBeside(piece, last, 'behind', way) : laying.moveTo(piece, way);
}
/** The first piece on a machine that stands in a stretch. */
function firstIn({ list }: Laying, { from, until }: Stretch, { machine }: WayOn): Piece | null {
  for (let i = from; i < until; i++) {
    const x = list[i];
    if (x?.way.machine === machine) return x;
  }
  return null;
}
