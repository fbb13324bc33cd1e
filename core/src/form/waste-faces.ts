import { Clipper, EndType, FillRule, JoinType, type Path64 } from 'clipper2-ts';
import type { Point } from '../product/die-line/points';

/** A piece of waste that blanks enclose: its box on the sheet, from lay side and gripper edge, and where pins push it out. */
export interface WasteFace {
  x: number;
  y: number;
  w: number;
  h: number;
  pins: Point[];
}

/** Polygons are reckoned in whole micrometres. */
const UM = 1_000;
/** What is wider than the gap by so much has room for a pin, and is a face of its own; narrower waste hangs together as a web and is pulled off with it. Common practice, no source. */
const WIDER_MM = 3;
/** A pin is placed to half a millimetre. */
const PIN_PLACED_UM = UM / 2;
/** From this length on a face wants a second pin. Common practice, no source. */
const TWO_PINS_MM = 60;

/**
 * Waste faces enclosed between blanks, where each is, and the pins that strip them: one each, two in one longer than 60 mm. The waste web along the gaps, and
 * what lies open towards the sheet's edge, go with the gripper and tail strips.
 *
 * Formula: the holes of all outlines together, each outline made wider by half of the gap and of 3 mm.
 * Source: geometry; one pin a face, two above 60 mm: common practice, no source.
 * @example wasteFaces([[[0, 0], [50, 0], [50, 50], [0, 50], [0, 40], [40, 40], [40, 10], [0, 10]], [[-3, 0], [-3, 50], [-9, 50], [-9, 0]]], 3).length // 1
 */
export function wasteFaces(outlines: readonly (readonly Point[])[], gapMm: number): WasteFace[] {
  const paths = outlines.map((outline) => {
    const path = outline.map(([x, y]) => ({ x: Math.round(x * UM), y: Math.round(y * UM) }));
    return Clipper.area(path) < 0 ? path.reverse() : path;
  });
  const widerUm = ((gapMm + WIDER_MM) / 2) * UM;
  const wider = Clipper.inflatePaths(paths, widerUm, JoinType.Miter, EndType.Polygon, 2);
  return Clipper.union(wider, [], FillRule.NonZero)
    .filter((path) => Clipper.area(path) < 0)
    .map((hole) => faceOf(hole, widerUm))
    .sort((a, b) => a.y - b.y || a.x - b.x);
}

/** A hole as a face, as large as it is between the blanks' own lines: so much wider to each side. */
function faceOf(hole: Path64, widerUm: number): WasteFace {
  const { left, right, top, bottom } = Clipper.getBounds(hole);
  const [w, h] = [right - left + 2 * widerUm, bottom - top + 2 * widerUm];
  const halves = Math.max(w, h) > TWO_PINS_MM * UM ? halvesOf(hole, w > h) : [hole];
  return {
    x: tenths(left - widerUm),
    y: tenths(top - widerUm),
    w: tenths(w),
    h: tenths(h),
    pins: halves.map(roomiest),
  };
}
const tenths = (um: number): number => Math.round(um / 100) / 10;
function halvesOf(hole: Path64, isWide: boolean): Path64[] {
  const { left, right, top, bottom } = Clipper.getBounds(hole);
  const [midX, midY] = [(left + right) / 2, (top + bottom) / 2];
  const box = (l: number, t: number, r: number, b: number): Path64 => [
    { x: Math.round(l), y: Math.round(t) },
    { x: Math.round(r), y: Math.round(t) },
    { x: Math.round(r), y: Math.round(b) },
    { x: Math.round(l), y: Math.round(b) },
  ];
  const boxes = isWide
    ? [box(left, top, midX, bottom), box(midX, top, right, bottom)]
    : [box(left, top, right, midY), box(left, midY, right, bottom)];
  return boxes.flatMap((half) => Clipper.intersect([hole], [half], FillRule.NonZero).slice(0, 1));
}

/** Where a face has most room around a pin: the middle of what is left of it as it is made narrower for the last time. */
function roomiest(face: Path64): Point {
  const path = Clipper.area(face) < 0 ? [...face].reverse() : face;
  const { left, right, top, bottom } = Clipper.getBounds(path);
  let [low, high, last] = [0, Math.max(right - left, bottom - top), path];
  while (high - low > PIN_PLACED_UM) {
    const by = (low + high) / 2;
    const [inner] = Clipper.inflatePaths([path], -by, JoinType.Miter, EndType.Polygon, 2);
    if (inner) [low, last] = [by, inner];
    else high = by;
  }
  const room = Clipper.getBounds(last);
  return [tenths((room.left + room.right) / 2), tenths((room.top + room.bottom) / 2)];
}
