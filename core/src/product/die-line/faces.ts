import type { Crease, DieLine } from './die-line';
import { pathArea, type Point } from './points';

/** A panel of a flat blank: what cuts and creases enclose. */
export interface Face {
  outline: Point[];
  areaMm2: number;
}
/** A crease that two faces have in common. */
export interface SharedCrease {
  faces: [number, number];
  crease: Crease;
  from: Point;
  to: Point;
}
export interface Faces {
  faces: Face[];
  shared: SharedCrease[];
}

/** Points nearer than this are one: a hundred-thousandth of a millimetre. */
const GRID_MM = 1e-5;
const EPS = 1e-9;

interface Piece {
  a: number;
  b: number;
  crease: Crease | null;
}

/**
 * The faces of a die line: its lines are cut where they meet, loose ends taken away, and what is left is walked round, turning as sharp as it goes.
 * Source: faces of a planar straight-line graph, any textbook of computational geometry.
 * @example facesOf of a sleeve has five: four panels and a glue flap
 */
export function facesOf(die: DieLine): Faces {
  const { pieces, points } = netOf([
    ...die.outline.map((p, i) => ({ from: p, to: die.outline[(i + 1) % die.outline.length] as Point, crease: null })),
    ...die.slits.map(([from, to]) => ({ from, to, crease: null })),
    ...die.creases.map((crease) => ({ from: crease.from, to: crease.to, crease })),
  ]);
  const { loops, left } = walked(pieces, points);
  const faces = loops.map(({ outline }): Face => ({ outline, areaMm2: pathArea(outline) }));
  const shared = pieces.flatMap((p): SharedCrease[] => {
    const [one, other] = [left.get(`${p.a} ${p.b}`), left.get(`${p.b} ${p.a}`)];
    return p.crease && one !== undefined && other !== undefined && one !== other
      ? [{ faces: [one, other], crease: p.crease, from: points[p.a] as Point, to: points[p.b] as Point }]
      : [];
  });
  return { faces, shared };
}

/** A straight cut or crease. */
interface Line {
  from: Point;
  to: Point;
  crease: Crease | null;
}
/** Lines as a net: points known once, lines parted where they meet, loose ends taken away. */
function netOf(lines: readonly Line[]): { pieces: Piece[]; points: Point[] } {
  const points: Point[] = [];
  const known = new Map<string, number>();
  const idOf = ([x, y]: Point): number => {
    const key = `${Math.round(x / GRID_MM)} ${Math.round(y / GRID_MM)}`;
    const id = known.get(key) ?? points.push([x, y]) - 1;
    known.set(key, id);
    return id;
  };
  // Ends as they were drawn are known first: what is reckoned near one is that one.
  for (const { from, to } of lines) for (const end of [from, to]) idOf(end);
  return { pieces: prunedOf(piecesOf(lines, idOf)), points };
}

/**
 * The outer borders of what cuts enclose, the largest first, each walked anticlockwise. A border that touches itself names its corner twice.
 * @example borders of a square with a loose line inside: the square alone
 */
export function outerBorders(cuts: readonly (readonly [Point, Point])[]): Point[][] {
  const { pieces, points } = netOf(cuts.map(([from, to]) => ({ from, to, crease: null })));
  return walked(pieces, points)
    .outer.map((outline) => [...outline].reverse())
    .sort((a, b) => pathArea(b) - pathArea(a));
}

/** Every line, parted where another ends on it or crosses it. */
function piecesOf(lines: readonly Line[], idOf: (p: Point) => number): Piece[] {
  const pieces = new Map<string, Piece>();
  for (const line of lines) {
    const at = new Set([0, 1]);
    for (const other of lines) if (other !== line) for (const share of meets(line, other)) at.add(share);
    const along = [...at].sort((s, t) => s - t).map((s) => idOf(between(line.from, line.to, s)));
    for (let i = 1; i < along.length; i++) {
      const [a, b] = [along[i - 1] as number, along[i] as number];
      const key = a < b ? `${a} ${b}` : `${b} ${a}`;
      // Where a cut and a crease lie on one another, it is cut.
      if (a !== b && (!pieces.has(key) || line.crease === null)) pieces.set(key, { a, b, crease: line.crease });
    }
  }
  return [...pieces.values()];
}

const between = ([x0, y0]: Point, [x1, y1]: Point, share: number): Point =>
  share === 0 ? [x0, y0] : share === 1 ? [x1, y1] : [x0 + share * (x1 - x0), y0 + share * (y1 - y0)];

/** Where along a line, 0 to 1, another ends on it or crosses it. */
function meets(line: { from: Point; to: Point }, other: { from: Point; to: Point }): number[] {
  const [dx, dy] = [line.to[0] - line.from[0], line.to[1] - line.from[1]];
  const square = dx * dx + dy * dy;
  if (square < EPS) return [];
  const shares: number[] = [];
  for (const [x, y] of [other.from, other.to]) {
    const share = ((x - line.from[0]) * dx + (y - line.from[1]) * dy) / square;
    const off = ((x - line.from[0]) * dy - (y - line.from[1]) * dx) / Math.sqrt(square);
    if (Math.abs(off) < GRID_MM && share > 0 && share < 1) shares.push(share);
  }
  const [ex, ey] = [other.to[0] - other.from[0], other.to[1] - other.from[1]];
  const turn = dx * ey - dy * ex;
  if (Math.abs(turn) > EPS) {
    const [fx, fy] = [other.from[0] - line.from[0], other.from[1] - line.from[1]];
    const [s, t] = [(fx * ey - fy * ex) / turn, (fx * dy - fy * dx) / turn];
    if (s > 0 && s < 1 && t > 0 && t < 1) shares.push(s);
  }
  return shares;
}

/** Without lines that end in the middle of a face: nothing turns there. */
function prunedOf(pieces: readonly Piece[]): Piece[] {
  let left = [...pieces];
  for (;;) {
    const ends = new Map<number, number>();
    for (const { a, b } of left) for (const end of [a, b]) ends.set(end, (ends.get(end) ?? 0) + 1);
    const kept = left.filter(({ a, b }) => (ends.get(a) ?? 0) > 1 && (ends.get(b) ?? 0) > 1);
    if (kept.length === left.length) return kept;
    left = kept;
  }
}

/** The neighbours of each point, anticlockwise. */
function neighboursOf(pieces: readonly Piece[], points: readonly Point[]): Map<number, number[]> {
  const around = new Map<number, number[]>();
  for (const { a, b } of pieces) {
    around.set(a, [...(around.get(a) ?? []), b]);
    around.set(b, [...(around.get(b) ?? []), a]);
  }
  for (const [at, others] of around) {
    const [x, y] = points[at] as Point;
    others.sort((p, q) => {
      const [[px, py], [qx, qy]] = [points[p] as Point, points[q] as Point];
      return isBefore([px - x, py - y], [qx - x, qy - y]);
    });
  }
  return around;
}
/** Directions in order anticlockwise from the right, by half plane and turn: without angles, so that every engine agrees. */
function isBefore(a: Point, b: Point): number {
  const lower = ([x, y]: Point): boolean => y < 0 || (y === 0 && x < 0);
  if (lower(a) !== lower(b)) return lower(a) ? 1 : -1;
  return b[0] * a[1] - b[1] * a[0];
}

/** Round every face, which lies to the left of the way; what is walked clockwise is the outside of all that hangs together. */
function walked(
  pieces: readonly Piece[],
  points: readonly Point[],
): { loops: { outline: Point[] }[]; outer: Point[][]; left: Map<string, number> } {
  const around = neighboursOf(pieces, points);
  const left = new Map<string, number>();
  const gone = new Set<string>();
  const loops: { outline: Point[] }[] = [];
  const outer: Point[][] = [];
  for (const { a, b } of pieces)
    for (const [start, second] of [
      [a, b],
      [b, a],
    ] as const) {
      if (gone.has(`${start} ${second}`)) continue;
      const loop: number[] = [];
      const steps: string[] = [];
      for (let [from, to] = [start, second]; ;) {
        const step = `${from} ${to}`;
        if (gone.has(step)) break;
        gone.add(step);
        steps.push(step);
        loop.push(from);
        const others = around.get(to) ?? [];
        // The next to the right of where we came from keeps the face at the left.
        const next = others[(others.indexOf(from) + others.length - 1) % others.length] as number;
        [from, to] = [to, next];
      }
      const outline = loop.map((p) => points[p] as Point);
      const area = signedArea(outline);
      if (area < -EPS) outer.push(outline);
      if (area <= EPS) continue;
      for (const step of steps) left.set(step, loops.length);
      loops.push({ outline });
    }
  return { loops, outer, left };
}
const signedArea = (points: readonly Point[]): number =>
  points.reduce((sum, [x, y], i) => {
    const [x1, y1] = points[(i + 1) % points.length] as Point;
    return sum + x * y1 - x1 * y;
  }, 0) / 2;
