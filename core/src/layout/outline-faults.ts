import { isInside } from '../product/die-line/outline';
import { distanceToLine, pathBox, pathLength, type Point, turnedAtOrigin } from '../product/die-line/points';
import { edgesOf, partsFromShared, sharedStretches } from './common-cut';
import type { Layout } from './layout';
import type { SheetLayoutAsk } from './sheet-layout';

const EPS = 1e-6;
/** Nobody sets a rule finer: so far outlines may come nearer, or over one another. */
const RULE_MM = 0.005;

/** A blank as it lies on the sheet, with its box: what lies far apart need not be looked at. */
interface Laid {
  outline: Point[];
  x: number;
  y: number;
  w: number;
  h: number;
}

/** Every blank of a layout where it lies, in the order of its cells. */
export function outlinesLaid(layout: Pick<Layout, 'cells'>, outline: readonly Point[]): Laid[] {
  return layout.cells.flatMap((cell) => {
    const turned = turnedAtOrigin(outline, cell.turn);
    const [w, h] = pathBox(turned);
    return Array.from({ length: cell.nx * cell.ny }, (_, i) => {
      const [x, y] = [cell.x + (i % cell.nx) * cell.dx, cell.y + Math.floor(i / cell.nx) * cell.dy];
      return { outline: turned.map(([px, py]): Point => [px + x, py + y]), x, y, w, h };
    });
  });
}

/**
 * What is wrong with a nest somebody chose: blanks that leave the usable sheet, or come nearer to one another than the gap. Null: nothing.
 * Source: geometry; two outlines are as near as the nearest of their edges, unless one lies inside the other.
 */
export function outlineFault(
  layout: Pick<Layout, 'cells'>,
  { outline, usable, gapMm, commonCuts }: { outline: readonly Point[]; usable: SheetLayoutAsk['usable']; gapMm: number; commonCuts?: true },
): 'offSheet' | 'overlap' | null {
  const laid = outlinesLaid(layout, outline);
  const off = laid.some(
    (b) =>
      b.x < usable.x - EPS ||
      b.y < usable.y - EPS ||
      b.x + b.w > usable.x + usable.widthMm + EPS ||
      b.y + b.h > usable.y + usable.heightMm + EPS,
  );
  if (off) return 'offSheet';
  const inOrder = [...laid].sort((a, b) => a.x - b.x);
  const near = inOrder.some((a, i) => {
    for (let j = i + 1; j < inOrder.length && (inOrder[j] as Laid).x < a.x + a.w + gapMm - EPS; j++) {
      const b = inOrder[j] as Laid;
      if (b.y < a.y + a.h + gapMm - EPS && a.y < b.y + b.h + gapMm - EPS && isNearer(a.outline, b.outline, gapMm, commonCuts)) return true;
    }
    return false;
  });
  return near ? 'overlap' : null;
}

/**
 * Whether two outlines come nearer than the gap: an edge of one to an edge of the other, or one lies inside the other. Where they may share cuts, edges that part
 * from a shared one may be as near as they are there.
 */
export function isNearer(a: readonly Point[], b: readonly Point[], gapMm: number, commonCuts = false): boolean {
  const shared = commonCuts ? sharedStretches(a, b) : [];
  const theirs = edgesOf(b);
  for (const [p, q] of edgesOf(a))
    for (const [r, s] of theirs) {
      if (doCross(p, q, r, s)) return true;
      const apart = Math.min(distanceToLine(p, r, s), distanceToLine(q, r, s), distanceToLine(r, p, q), distanceToLine(s, p, q));
      if (apart < gapMm - RULE_MM && !(commonCuts && partsFromShared([p, q], [r, s], shared))) return true;
    }
  // One over the other without their edges crossing: a point inside of it lies in both.
  return isInside(pointInside(a), b) || isInside(pointInside(b), a);
}

/** A point within an outline: beside the middle of its longest edge, a twentieth of a millimetre in. */
function pointInside(outline: readonly Point[]): Point {
  const [p, q] = edgesOf(outline).reduce((a, b) => (pathLength(b, false) > pathLength(a, false) ? b : a));
  const long = Math.max(pathLength([p, q], false), EPS);
  const [x, y, nx, ny] = [(p[0] + q[0]) / 2, (p[1] + q[1]) / 2, (0.05 * (p[1] - q[1])) / long, (0.05 * (q[0] - p[0])) / long];
  const left: Point = [x + nx, y + ny];
  return isInside(left, outline) ? left : [x - nx, y - ny];
}

/** Whether two stretches cross by more than a rule is set to. */
function doCross(a: Point, b: Point, c: Point, d: Point): boolean {
  // How far a point lies to the left of a line.
  const side = (p: Point, q: Point, r: Point): number =>
    ((q[0] - p[0]) * (r[1] - p[1]) - (q[1] - p[1]) * (r[0] - p[0])) / Math.max(pathLength([p, q], false), EPS);
  const apart = (s: number, t: number): boolean => (s > RULE_MM && t < -RULE_MM) || (s < -RULE_MM && t > RULE_MM);
  return apart(side(a, b, c), side(a, b, d)) && apart(side(c, d, a), side(c, d, b));
}
