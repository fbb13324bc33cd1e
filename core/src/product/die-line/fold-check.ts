import { isInside } from './outline';
import type { DieLine } from './die-line';
import { type FoldModel, foldedFaces, type Point3 } from './fold-up';
import type { Point } from './points';

/** A closed piece along one of the three directions of its still face: how much room is between its walls; null where nothing closes it there. */
export interface InsideMm {
  x: number | null;
  y: number | null;
  z: number | null;
}
/** Faces that do not meet as they should once the piece is closed, and by how much. */
export interface FoldTrouble {
  faces: number[];
  byMm: number;
}

const AXES = ['x', 'y', 'z'] as const;
const FLAT_MM = 1e-3;

/** A face that stands square to one of the directions: at which height along it. */
interface Wall {
  face: number;
  axis: 0 | 1 | 2;
  at: number;
  points: readonly Point3[];
}
function wallsOf(folded: readonly (readonly Point3[])[]): Wall[] {
  return folded.flatMap((points, face): Wall[] => {
    const axis = ([0, 1, 2] as const).find((k) => spread(points, k) < FLAT_MM);
    return axis === undefined ? [] : [{ face, axis, at: points[0]?.[axis] ?? 0, points }];
  });
}
const spread = (points: readonly Point3[], axis: 0 | 1 | 2): number =>
  Math.max(...points.map((p) => p[axis])) - Math.min(...points.map((p) => p[axis]));

/** Faces that are glued onto others, or tucked inside: they do not bound the room. */
function within({ joints }: DieLine, { faces, hinges }: FoldModel): Set<number> {
  const glued = joints.flatMap(({ region }) => {
    const middle: Point = [region.reduce((s, p) => s + p[0], 0) / region.length, region.reduce((s, p) => s + p[1], 0) / region.length];
    const face = faces.findIndex((f) => isInside(middle, f.outline));
    return face < 0 ? [] : [face];
  });
  return new Set([...glued, ...hinges.filter((h) => h.class === 'tuck').map((h) => h.child)]);
}

/**
 * The room inside a closed piece, between its walls, board taken off: the die line draws the middle of the board, so that each wall takes half a caliper.
 * A piece that is open above is as deep as its walls are high.
 * Source: geometry.
 */
export function insideMm(die: DieLine, model: FoldModel, caliperMm: number): InsideMm {
  const folded = foldedFaces(model, 1);
  const out = within(die, model);
  const walls = wallsOf(folded).filter((w) => !out.has(w.face));
  const corners = walls.flatMap((w) => w.points);
  const along = (axis: 0 | 1 | 2): number | null => {
    const middle = corners.reduce((sum, p) => sum + p[axis], 0) / Math.max(corners.length, 1);
    const at = walls.filter((w) => w.axis === axis).map((w) => w.at);
    const [below, above] = [at.filter((a) => a < middle), at.filter((a) => a > middle)];
    if (below.length > 0 && above.length > 0) return Math.min(...above) - Math.max(...below) - caliperMm;
    if (below.length + above.length === 0) return null;
    const top = Math.max(...corners.map((p) => p[axis]));
    return below.length > 0
      ? top - Math.max(...below) - caliperMm / 2
      : Math.min(...above) - Math.min(...corners.map((p) => p[axis])) - caliperMm / 2;
  };
  return Object.fromEntries(AXES.map((name, axis) => [name, along(axis as 0 | 1 | 2)])) as unknown as InsideMm;
}

/**
 * Where a seam does not close: the glue flap should lie on the panel it is glued to, and lies beside it.
 * Source: geometry; two calipers and a millimetre are allowed, as boards bend.
 */
export function seamTroubles(die: DieLine, model: FoldModel, caliperMm: number): FoldTrouble[] {
  const walls = wallsOf(foldedFaces(model, 1));
  const parents = new Map(model.hinges.map((h) => [h.child, h.parent]));
  return die.joints
    .filter((j) => j.kind === 'seam')
    .flatMap(({ region }): FoldTrouble[] => {
      const middle: Point = [region.reduce((s, p) => s + p[0], 0) / region.length, region.reduce((s, p) => s + p[1], 0) / region.length];
      const flap = walls.find((w) => isInside(middle, model.faces[w.face]?.outline ?? []));
      if (!flap) return [];
      const near = walls
        .filter((w) => w.face !== flap.face && parents.get(flap.face) !== w.face && w.axis === flap.axis && doOverlap(w, flap))
        .map((w) => ({ face: w.face, byMm: Math.abs(w.at - flap.at) }))
        .sort((a, b) => a.byMm - b.byMm)[0];
      if (!near) return [{ faces: [flap.face], byMm: Infinity }];
      return near.byMm > 1 + 2 * caliperMm ? [{ faces: [flap.face, near.face], byMm: near.byMm }] : [];
    });
}

/** Whether two walls lie over one another, seen along the direction both stand square to. */
function doOverlap(a: Wall, b: Wall): boolean {
  return ([0, 1, 2] as const)
    .filter((k) => k !== a.axis)
    .every((k) => {
      const [lowA, highA] = [Math.min(...a.points.map((p) => p[k])), Math.max(...a.points.map((p) => p[k]))];
      const [lowB, highB] = [Math.min(...b.points.map((p) => p[k])), Math.max(...b.points.map((p) => p[k]))];
      return Math.min(highA, highB) - Math.max(lowA, lowB) > FLAT_MM;
    });
}
