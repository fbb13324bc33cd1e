import { Clipper, EndType, FillRule, JoinType, type Paths64, PointInPolygonResult } from 'clipper2-ts';
import { floorTolerant } from '../quantity/round-tolerant';
import { seeded } from '../quantity/seeded';
import { blankNest } from './blank-nest';
import { pathArea, pathBox, type Point, turnedAtOrigin } from '../product/die-line/points';

/* Nests by no-fit polygons: where one outline may not lie beside another is the sum of the one and the other turned about a point. */

type Turn = 0 | 90 | 180 | 270;
/** A blank on the sheet: its box's corner nearest the origin, and how it is turned, anticlockwise. */
export interface NestPlace {
  x: number;
  y: number;
  turn: Turn;
}
export interface NestSearchAsk {
  outline: readonly Point[];
  /** How it may lie before it is turned end for end. */
  turns: readonly (0 | 90)[];
  gapMm: number;
  /** The nest it starts from may share cuts; what it finds itself keeps the gap. */
  commonCuts?: true;
  room: readonly [widthMm: number, heightMm: number];
  iterations: number;
  seed: number;
}
export interface NestSearchProgress {
  iterations: number;
  count: number;
  bound: number;
}
export interface NestFound extends NestSearchProgress {
  places: NestPlace[];
}

/** Polygons are reckoned in whole micrometres. */
const UM = 1_000;
const STEPS = [-4, -3, -2, -1, 0, 1, 2, 3, 4] as const;

interface Xy {
  x: number;
  y: number;
}
/** A direction blanks lie in, and in what way it excludes one another. */
interface Laid {
  turn: Turn;
  size: Xy;
  inflated: Xy[];
}
/** A repeating pattern: blanks of one cell, and by what the cell repeats. */
interface Lattice {
  cell: { of: Laid; at: Xy }[];
  u: Xy;
  v: Xy;
  areaEach: number;
}

const cross = (a: Xy, b: Xy): number => a.x * b.y - a.y * b.x;
const plus = (a: Xy, b: Xy, times = 1): Xy => ({ x: a.x + times * b.x, y: a.y + times * b.y });
const minus = (p: Xy): Xy => ({ x: -p.x, y: -p.y });

function laidAs(outline: readonly Point[], turn: Turn, gapMm: number): Laid {
  const turned = turnedAtOrigin(outline, turn);
  const around = turned.map(([x, y]): Xy => ({ x: Math.round(x * UM), y: Math.round(y * UM) }));
  // All one way round: areas that are wound against one another would cancel.
  const path = Clipper.area(around) < 0 ? around.reverse() : around;
  // Square corners keep the gap in x and y alike, and have few points.
  const wide = gapMm > 0 ? Clipper.inflatePaths([path], (gapMm * UM) / 2, JoinType.Miter, EndType.Polygon, 2)[0] : undefined;
  const [w, h] = pathBox(turned);
  return { turn, size: { x: w * UM, y: h * UM }, inflated: wide ?? path };
}

/** Where a blank may not stand beside another: their corners, the other's turned about a point, added. */
function excludedBy(one: Laid, other: Laid): Paths64 {
  const turned = other.inflated.map(minus);
  const [first, corner] = [turned[0] as Xy, one.inflated[0] as Xy];
  const sum = Clipper.minkowskiSum(turned, one.inflated, true);
  // The sum of the borders leaves holes where one lies inside the other: filled by either, moved there.
  const inside = [one.inflated.map((p) => plus(p, first)), turned.map((p) => plus(p, corner))];
  return Clipper.union([...sum, ...inside], [], FillRule.NonZero);
}

/** Whether a point lies inside what is excluded, more than a rounding step from its border. */
function isExcluded(p: Xy, shrunk: Paths64): boolean {
  let rings = 0;
  for (const path of shrunk) {
    const where = Clipper.pointInPolygon(p, path);
    if (where === PointInPolygonResult.IsOn) return false;
    if (where === PointInPolygonResult.IsInside) rings++;
  }
  return rings % 2 === 1;
}
const shrunkBy = (paths: Paths64): Paths64 => Clipper.inflatePaths(paths, -3, JoinType.Miter, EndType.Polygon, 2);
const movedBy = (paths: Paths64, by: Xy): Paths64 => paths.map((path) => path.map((p) => plus(p, by)));

/**
 * Looks for the nest with the most blanks: lattices of one blank, and of one with another turned end for end, the pair set together in every way their outlines
 * touch; each lattice is shifted over the sheet, and single blanks fill what is left. Not proved: the bound is by area.
 *
 * Source: no-fit polygons as Minkowski sums, Art (1966) and many since; double lattices as packings of a convex outline and its image, Kuperberg and Kuperberg (1990).
 */
export function nestSearch(ask: NestSearchAsk, tell: (progress: NestSearchProgress) => void = () => undefined): NestFound {
  const room: Xy = { x: ask.room[0] * UM, y: ask.room[1] * UM };
  const bound = floorTolerant((ask.room[0] * ask.room[1]) / pathArea(ask.outline));
  const random = seeded(ask.seed);
  let best: NestFound = { ...inRowsOrColumns(ask), bound, iterations: 0 };
  const all = ask.turns.flatMap((turn) => [laidAs(ask.outline, turn, ask.gapMm), laidAs(ask.outline, turn === 0 ? 180 : 270, ask.gapMm)]);
  const excluded = new Map<string, Paths64>();
  const between = (one: Laid, other: Laid): Paths64 => {
    const key = `${one.turn} ${other.turn}`;
    const known = excluded.get(key) ?? excludedBy(one, other);
    excluded.set(key, known);
    return known;
  };
  const keep = (lattice: Lattice): void => {
    for (const places of laidOut(lattice, room, random)) if (places.length > best.count) best = { ...best, places, count: places.length };
  };
  // One way up at a time: first alone, then in pairs.
  const trials = ask.turns.flatMap((_, i) => {
    const [one, turned] = [all[2 * i] as Laid, all[2 * i + 1] as Laid];
    const touching = between(one, turned).flat();
    const pairs = shuffled(touching, random).map((at) => ({ one, turned, at: at }));
    return [{ one, turned, at: null as Xy | null }, ...pairs];
  });
  const ordered = [
    ...trials.filter((t) => t.at === null),
    ...shuffled(
      trials.filter((t) => t.at !== null),
      random,
    ),
  ].slice(0, ask.iterations);
  for (const [i, { one, turned, at }] of ordered.entries()) {
    if (best.count >= bound) break;
    const same = between(one, one);
    const pair = at ? between(one, turned) : [];
    const forbidden = at
      ? Clipper.union(
          [
            ...same,
            ...movedBy(pair, minus(at)),
            ...movedBy(
              pair.map((p) => p.map(minus)),
              at,
            ),
          ],
          [],
          FillRule.NonZero,
        )
      : same;
    const cell = [{ of: one, at: { x: 0, y: 0 } }, ...(at ? [{ of: turned, at }] : [])];
    for (const lattice of densest(forbidden, cell)) keep(lattice);
    best = { ...best, iterations: i + 1 };
    tell({ iterations: i + 1, count: best.count, bound });
  }
  const filled = withSingles(best.places, all, room, between);
  return { ...best, places: filled, count: filled.length };
}

/** The nest a plan takes by itself: a search never finds fewer. */
function inRowsOrColumns({ outline, turns, gapMm, room, commonCuts }: NestSearchAsk): Pick<NestFound, 'places' | 'count'> {
  const nests = turns.map((turn) =>
    blankNest(turnedAtOrigin(outline, turn), gapMm, room, commonCuts).places.map(({ x, y, turned }): NestPlace => ({
      x,
      y,
      turn: turned ? (turn === 0 ? 180 : 270) : turn,
    })),
  );
  const places = nests.reduce((a, b) => (b.length > a.length ? b : a), []);
  return { places, count: places.length };
}

const shuffled = <T>(list: readonly T[], random: () => number): T[] =>
  list
    .map((item) => ({ item, by: random() }))
    .sort((a, b) => a.by - b.by)
    .map(({ item }) => item);

/** Lattices whose cells do not exclude one another, the densest first: one step to a corner of what is excluded, the other to the corner that leaves least between. */
function densest(forbidden: Paths64, cell: Lattice['cell']): Lattice[] {
  const corners = forbidden.flat();
  const shrunk = shrunkBy(forbidden);
  const steps = corners
    .filter((p) => p.y > 0 || (p.y === 0 && p.x > 0))
    .sort((a, b) => a.x * a.x + a.y * a.y - b.x * b.x - b.y * b.y)
    .slice(0, 24);
  const found: Lattice[] = [];
  for (const u of steps) {
    if (isExcluded({ x: 2 * u.x, y: 2 * u.y }, shrunk)) continue;
    const mayRepeat = (v: Xy): boolean =>
      STEPS.every((s) => !isExcluded(plus(v, u, s), shrunk) && !isExcluded(plus({ x: 2 * v.x, y: 2 * v.y }, u, s), shrunk));
    const least = corners
      .map((v) => ({ v, area: cross(u, v) }))
      .filter((c) => c.area > 0)
      .sort((a, b) => a.area - b.area)
      .find(({ v }) => mayRepeat(v));
    if (!least) continue;
    // Along the row it may be slid where nothing is in its way: straight up, rows end where they begin.
    const upright = plus(least.v, u, u.x === 0 ? 0 : -least.v.x / u.x);
    for (const v of [least.v, { x: Math.round(upright.x), y: Math.round(upright.y) }])
      if (v === least.v || mayRepeat(v)) found.push({ cell, u, v, areaEach: cross(u, v) / cell.length });
  }
  return found.sort((a, b) => a.areaEach - b.areaEach).slice(0, 4);
}

/** A lattice over the sheet, shifted in several ways: those in which one blank touches the left and one the lower edge, and some by chance. */
function laidOut({ cell, u, v }: Lattice, room: Xy, random: () => number): NestPlace[][] {
  const det = cross(u, v);
  const reach = (room.x + room.y) * 1.1;
  const far = (along: Xy): number =>
    Math.min(Math.ceil(reach / Math.max(det / Math.max(Math.sqrt(along.x * along.x + along.y * along.y), 1), 1)) + 2, 120);
  const [is, js] = [far(v), far(u)];
  const lattice: { of: Laid; at: Xy }[] = [];
  for (let i = -is; i <= is; i++)
    for (let j = -js; j <= js; j++) {
      const at = plus({ x: i * u.x, y: i * u.y }, v, j);
      if (Math.abs(at.x) > 2.2 * reach || Math.abs(at.y) > 2.2 * reach) continue;
      for (const c of cell) lattice.push({ of: c.of, at: plus(at, c.at) });
    }
  const shifts: Xy[] = [];
  for (const a of cell) for (const b of cell) shifts.push({ x: -a.at.x, y: -b.at.y });
  for (let n = 0; n < 20; n++) shifts.push(plus({ x: u.x * random(), y: u.y * random() }, v, random()));
  return shifts.map((shift) =>
    lattice.flatMap(({ of, at }): NestPlace[] => {
      const [x, y] = [Math.round(at.x + shift.x), Math.round(at.y + shift.y)];
      const isIn = x >= 0 && y >= 0 && x + of.size.x <= room.x && y + of.size.y <= room.y;
      return isIn ? [{ x: x / UM, y: y / UM, turn: of.turn }] : [];
    }),
  );
}

/** Single blanks in what is left, from the lower left corner on: at corners of what the others exclude, and at those of the sheet. */
function withSingles(
  places: readonly NestPlace[],
  all: readonly Laid[],
  room: Xy,
  between: (one: Laid, other: Laid) => Paths64,
): NestPlace[] {
  const laid = places.map((p) => ({ of: all.find((l) => l.turn === p.turn) as Laid, at: { x: p.x * UM, y: p.y * UM } }));
  const shrunk = new Map<string, Paths64>();
  const excludes = (one: Laid, other: Laid): Paths64 => {
    const key = `${one.turn} ${other.turn}`;
    const known = shrunk.get(key) ?? shrunkBy(between(one, other));
    shrunk.set(key, known);
    return known;
  };
  for (const other of all) {
    const most = { x: room.x - other.size.x, y: room.y - other.size.y };
    if (most.x < 0 || most.y < 0) continue;
    const corners = (): Xy[] =>
      [
        ...[0, most.x].flatMap((x) => [0, most.y].map((y) => ({ x, y }))),
        ...laid.flatMap(({ of, at }) => between(of, other).flatMap((path) => path.map((p) => plus(p, at)))),
      ]
        .flatMap((p) => [p, { x: p.x, y: 0 }, { x: p.x, y: most.y }, { x: 0, y: p.y }, { x: most.x, y: p.y }])
        .map((p) => ({ x: Math.round(p.x), y: Math.round(p.y) }))
        .filter((p) => p.x >= 0 && p.y >= 0 && p.x <= most.x && p.y <= most.y)
        .sort((a, b) => a.y - b.y || a.x - b.x);
    for (const at of corners()) {
      const near = laid.filter(
        (l) =>
          Math.abs(l.at.x - at.x) < 2 * Math.max(l.of.size.x, other.size.x) &&
          Math.abs(l.at.y - at.y) < 2 * Math.max(l.of.size.y, other.size.y),
      );
      if (!near.some((l) => isExcluded(plus(at, l.at, -1), excludes(l.of, other)))) laid.push({ of: other, at });
    }
  }
  return laid.map(({ of, at }) => ({ x: at.x / UM, y: at.y / UM, turn: of.turn }));
}
