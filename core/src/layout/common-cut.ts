import { distanceToLine, pathLength, type Point } from '../product/die-line/points';

/* A common cut: straight edges of two blanks lie on one another, so that one rule cuts both. The works says where it may be: the colour has to be the same on both sides. */

/** A shorter stretch is not worth a rule of its own. Common practice, no source. */
const LEAST_SHARED_MM = 20;
/** Nobody sets a rule finer. */
const RULE_MM = 0.005;

type Edge = readonly [Point, Point];
export const edgesOf = (outline: readonly Point[]): Edge[] => outline.map((p, i): Edge => [p, outline[(i + 1) % outline.length] as Point]);

/** Where two edges lie on one line and over one another; null: nowhere, or over less than 20 mm. */
function sharedBy([a, b]: Edge, [c, d]: Edge): Edge | null {
  const long = pathLength([a, b], false);
  if (long < LEAST_SHARED_MM) return null;
  const [ux, uy] = [(b[0] - a[0]) / long, (b[1] - a[1]) / long];
  const aside = ([x, y]: Point): number => Math.abs((x - a[0]) * uy - (y - a[1]) * ux);
  if (aside(c) > RULE_MM || aside(d) > RULE_MM) return null;
  const along = ([x, y]: Point): number => (x - a[0]) * ux + (y - a[1]) * uy;
  const [from, to] = [Math.max(0, Math.min(along(c), along(d))), Math.min(long, Math.max(along(c), along(d)))];
  const at = (mm: number): Point => [a[0] + mm * ux, a[1] + mm * uy];
  return to - from >= LEAST_SHARED_MM ? [at(from), at(to)] : null;
}

/**
 * Stretches of 20 mm and more along which straight edges of two outlines lie on one another. Source: geometry.
 * @example sharedStretches([[0, 0], [30, 0], [30, 40], [0, 40]], [[30, 0], [60, 0], [60, 40], [30, 40]]) // [[[30, 0], [30, 40]]]
 */
export function sharedStretches(one: readonly Point[], other: readonly Point[]): Edge[] {
  const theirs = edgesOf(other);
  return edgesOf(one).flatMap((edge) => theirs.map((their) => sharedBy(edge, their)).filter((shared) => shared !== null));
}

/** Whether two edges may come near: they meet in a point, or both meet a stretch that is shared, and part from there. */
export const partsFromShared = (one: Edge, other: Edge, shared: readonly Edge[]): boolean =>
  touches(one, other) || shared.some((stretch) => touches(one, stretch) && touches(other, stretch));
const touches = ([p, q]: Edge, [a, b]: Edge): boolean =>
  Math.min(distanceToLine(p, a, b), distanceToLine(q, a, b), distanceToLine(a, p, q), distanceToLine(b, p, q)) <= RULE_MM;

/**
 * What of the outlines laid on a sheet is cut once for two, mm. Source: geometry.
 * @example commonCutMm([{ outline: [[0, 0], [30, 0], [30, 40], [0, 40]], x: 0, y: 0, w: 30, h: 40 }, { outline: [[30, 0], [60, 0], [60, 40], [30, 40]], x: 30, y: 0, w: 30, h: 40 }]) // 40
 */
export function commonCutMm(laid: readonly { outline: readonly Point[]; x: number; y: number; w: number; h: number }[]): number {
  return laid.reduce((sum, a, i) => {
    const beside = laid
      .slice(i + 1)
      .filter((b) => b.x <= a.x + a.w + RULE_MM && a.x <= b.x + b.w + RULE_MM && b.y <= a.y + a.h + RULE_MM && a.y <= b.y + b.h + RULE_MM);
    return sum + beside.flatMap((b) => sharedStretches(a.outline, b.outline)).reduce((mm, s) => mm + pathLength(s, false), 0);
  }, 0);
}
