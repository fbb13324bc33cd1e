import { floorTolerant } from '../quantity/round-tolerant';
import type { Point } from '../product/die-line/points';
import { isNearer } from './outline-faults';
import { pitchAcross, pitchOfProfiles, type Profile, topProfile, underProfile } from './outline-pitch';

/** A blank on the sheet: its corner nearest the origin, and whether it is turned end for end. */
export interface BlankPlace {
  x: number;
  y: number;
  turned: boolean;
}
export interface BlankNest {
  kind: 'lattice' | 'turnedRows';
  places: BlankPlace[];
  dxMm: number;
  /** From a row to the next, and from that to the one after. */
  dyMm: [number, number];
  /** How far every other row is moved to the right; below 0 the others are. */
  shiftMm: number;
  usedMm: [number, number];
}

const EPS = 1e-9;
/** An outline moved to the origin: its least x and y are 0. */
function atOrigin(outline: readonly Point[]): Point[] {
  const [left, low] = [Math.min(...outline.map((p) => p[0])), Math.min(...outline.map((p) => p[1]))];
  return outline.map(([x, y]): Point => [x - left, y - low]);
}
const extentOf = (outline: readonly Point[]): [number, number] => [
  Math.max(...outline.map((p) => p[0])),
  Math.max(...outline.map((p) => p[1])),
];

/** Rows laid one above the other while there is room: each with as many as fit beside its shift. */
function rowsOf(
  kind: BlankNest['kind'],
  [w, h]: readonly [number, number],
  { dx, dy, shift }: { dx: number; dy: [number, number]; shift: number },
  [usableX, usableY]: readonly [number, number],
): BlankNest {
  const places: BlankPlace[] = [];
  for (let row = 0, y = 0; y + h <= usableY + EPS; y += dy[row % 2] as number, row++) {
    const turned = row % 2 === 1 && kind === 'turnedRows';
    const from = Math.max(row % 2 === 1 ? shift : -shift, 0);
    const count = Math.max(floorTolerant((usableX - from - w) / dx) + 1, 0);
    for (let i = 0; i < count; i++) places.push({ x: from + i * dx, y, turned });
  }
  const used = (of: (p: BlankPlace) => number): number => (places.length === 0 ? 0 : Math.max(...places.map(of)));
  return { kind, places, dxMm: dx, dyMm: dy, shiftMm: shift, usedMm: [used((p) => p.x + w), used((p) => p.y + h)] };
}

/** The pitch to a row above that repeats every dx: whatever of it comes near. */
function rowPitch(below: Profile, above: Profile, shift: number, dx: number, gap: number): number {
  return Math.max(...[-1, 0, 1].map((k) => pitchOfProfiles(below, above, shift + k * dx, gap)));
}

/**
 * Equal blanks all one way round, in rows and columns as near as their outlines let them.
 * @throws OutOfRange gap below 0
 * @example latticeNest([[0, 0], [40, 0], [40, 30], [0, 30]], 3, [126, 63]).places.length // 6
 */
export function latticeNest(outline: readonly Point[], gap: number, usable: readonly [number, number]): BlankNest {
  const blank = atOrigin(outline);
  return latticeOf(blank, pitchAcross(blank, blank, 0, gap), gap, usable);
}
function latticeOf(blank: readonly Point[], dx: number, gap: number, usable: readonly [number, number]): BlankNest {
  const dy = rowPitch(topProfile(blank, gap), underProfile(blank), 0, dx, gap);
  return rowsOf('lattice', extentOf(blank), { dx, dy: [dy, dy], shift: 0 }, usable);
}

/**
 * Blanks in rows that share a cut where their straight edges lie on one another: beside each other, from row to row, or both; null: they can nowhere.
 * @throws OutOfRange gap below 0
 * @example commonCutNest([[0, 0], [40, 0], [40, 30], [0, 30]], 3, [120, 60])?.places.length // 6
 */
export function commonCutNest(outline: readonly Point[], gap: number, usable: readonly [number, number]): BlankNest | null {
  const blank = atOrigin(outline);
  const apartX = pitchAcross(blank, blank, 0, gap);
  const touching = pitchAcross(blank, blank, 0, 0);
  const moved = (x: number, y: number): Point[] => blank.map(([px, py]): Point => [px + x, py + y]);
  const mayLie = (x: number, y: number): boolean => !isNearer(blank, moved(x, y), gap, true);
  const nests = [touching, apartX].flatMap((dx): BlankNest[] => {
    if (!mayLie(dx, 0)) return [];
    const near = rowPitch(topProfile(blank, 0), underProfile(blank), 0, dx, 0);
    const asRows = latticeOf(blank, dx, gap, usable);
    const rowsTouch = [-1, 0, 1].every((k) => mayLie(k * dx, near));
    const touchingRows = rowsTouch ? [rowsOf('lattice', extentOf(blank), { dx, dy: [near, near], shift: 0 }, usable)] : [];
    // Apart both ways there is nothing common.
    return [...(dx === apartX ? [] : [asRows]), ...touchingRows];
  });
  return nests.reduce<BlankNest | null>((best, nest) => (best === null || isBetter(nest, best) ? nest : best), null);
}

/**
 * Rows turned end for end in turn, moved beside each other to where they lie nearest. Shifts are tried at which a corner of one stands over a corner of the
 * other: in between, what they touch with only slides along.
 * @throws OutOfRange gap below 0
 */
export function turnedRowsNest(outline: readonly Point[], gap: number, usable: readonly [number, number]): BlankNest {
  const blank = atOrigin(outline);
  const turned = atOrigin(blank.map(([x, y]): Point => [-x, -y]));
  const dx = Math.max(pitchAcross(blank, blank, 0, gap), pitchAcross(turned, turned, 0, gap));
  const [top, under] = [topProfile(blank, gap), underProfile(blank)];
  const [turnedTop, turnedUnder] = [topProfile(turned, gap), underProfile(turned)];
  const same = Math.max(rowPitch(top, under, 0, dx, gap), rowPitch(turnedTop, turnedUnder, 0, dx, gap));
  const corners = [...new Set(blank.flatMap(([a]) => turned.flatMap(([b]) => [a - b, a - b - gap, a - b + gap])))];
  const shifts = [...new Set(corners.map((s) => Math.round((s - dx * Math.round(s / dx)) * 1e6) / 1e6))];
  const nests = shifts.map((shift) => {
    const up = Math.max(rowPitch(top, turnedUnder, shift, dx, gap), 0);
    // A row must clear the next but one as well, which lies the same way round.
    const dy: [number, number] = [up, Math.max(rowPitch(turnedTop, under, -shift, dx, gap), same - up)];
    return rowsOf('turnedRows', extentOf(blank), { dx, dy, shift }, usable);
  });
  return nests.reduce((best, nest) => (isBetter(nest, best) ? nest : best));
}

/** More blanks; of as many the one that needs less of the sheet. */
const isBetter = (a: BlankNest, b: BlankNest): boolean =>
  a.places.length !== b.places.length ? a.places.length > b.places.length : a.usedMm[0] * a.usedMm[1] < b.usedMm[0] * b.usedMm[1] - EPS;

/**
 * The best of them. It is not proved best: no sheet holds more than its usable area over the blank's, which is said beside it.
 * @param commonCuts neighbours may share a cut
 * @throws OutOfRange gap below 0
 */
export function blankNest(outline: readonly Point[], gap: number, usable: readonly [number, number], commonCuts = false): BlankNest {
  const [lattice, rows] = [latticeNest(outline, gap, usable), turnedRowsNest(outline, gap, usable)];
  const apart = isBetter(rows, lattice) ? rows : lattice;
  const common = commonCuts ? commonCutNest(outline, gap, usable) : null;
  // As many that share a cut want less rule, and less of the sheet.
  return common && common.places.length >= apart.places.length ? common : apart;
}
