export type Point = readonly [x: number, y: number];

/**
 * Length of a path through points, in their own unit; closed, back to the first.
 * @example pathLength([[0, 0], [3, 0], [3, 4]], true) // 12
 */
export function pathLength(points: readonly Point[], closed: boolean): number {
  const ends = closed ? [...points.slice(1), ...points.slice(0, 1)] : points.slice(1);
  return ends.reduce((sum, [x, y], i) => {
    const [x0, y0] = points[i] as Point;
    return sum + Math.sqrt((x - x0) * (x - x0) + (y - y0) * (y - y0));
  }, 0);
}

/**
 * Area inside a closed path that does not cross itself, whichever way it runs.
 *
 * Formula: |Σ (xᵢ yᵢ₊₁ − xᵢ₊₁ yᵢ)| / 2. Source: the surveyor's formula, any handbook of geometry.
 * @example pathArea([[0, 0], [3, 0], [3, 4]]) // 6
 */
export function pathArea(points: readonly Point[]): number {
  const twice = points.reduce((sum, [x, y], i) => {
    const [x1, y1] = points[(i + 1) % points.length] as Point;
    return sum + x * y1 - x1 * y;
  }, 0);
  return Math.abs(twice) / 2;
}

/**
 * Points turned anticlockwise in quarters, and moved so that the box of a whole (of themselves where none is named) stands with its lower left corner at 0.
 * @example a point at (3, 0) of a whole that is 3 wide and 2 high, turned by 90, lies at (2, 3)
 */
export function turnedAtOrigin(points: readonly Point[], turn: 0 | 90 | 180 | 270, whole: readonly Point[] = points): Point[] {
  const turned = (of: readonly Point[]): Point[] =>
    of.map(([x, y]): Point => (turn === 0 ? [x, y] : turn === 90 ? [-y, x] : turn === 180 ? [-x, -y] : [y, -x]));
  const box = turned(whole);
  const [left, low] = [Math.min(...box.map((p) => p[0])), Math.min(...box.map((p) => p[1]))];
  return turned(points).map(([x, y]): Point => [x - left, y - low]);
}

/**
 * Width and height of the box around points.
 * @example pathBox([[1, 2], [4, 2], [4, 8]]) // [3, 6]
 */
export const pathBox = (points: readonly Point[]): [widthMm: number, heightMm: number] => {
  const along = (axis: 0 | 1): number => Math.max(...points.map((p) => p[axis])) - Math.min(...points.map((p) => p[axis]));
  return [along(0), along(1)];
};

interface Box {
  x: number;
  y: number;
  w: number;
  h: number;
}
/**
 * How near a straight line comes to a box; 0 where it reaches into it.
 * Source: geometry. Clipped to the box it is nearest at an end of the line or at a corner of the box.
 * @example distanceToBox([0, 0], [10, 0], { x: 2, y: 3, w: 4, h: 4 }) // 3
 */
export function distanceToBox(a: Point, b: Point, { x, y, w, h }: Box): number {
  const toBox = ([px, py]: Point): number => length(Math.max(x - px, 0, px - x - w), Math.max(y - py, 0, py - y - h));
  // The line cut to where it lies over the box from side to side, then from foot to top.
  const inside = (axis: 0 | 1, from: number, to: number): [number, number] => {
    const d = b[axis] - a[axis];
    if (d === 0) return a[axis] > from && a[axis] < to ? [0, 1] : [1, 0];
    const [s, t] = [(from - a[axis]) / d, (to - a[axis]) / d];
    return [Math.max(Math.min(s, t), 0), Math.min(Math.max(s, t), 1)];
  };
  const [across, along] = [inside(0, x, x + w), inside(1, y, y + h)];
  if (Math.max(across[0], along[0]) < Math.min(across[1], along[1])) return 0;
  const corners: Point[] = [
    [x, y],
    [x + w, y],
    [x, y + h],
    [x + w, y + h],
  ];
  return Math.min(toBox(a), toBox(b), ...corners.map((c) => distanceToLine(c, a, b)));
}

/**
 * From a point to the nearest one of a straight line between two others.
 * @example distanceToLine([5, 3], [0, 0], [10, 0]) // 3
 */
export function distanceToLine([x, y]: Point, [x0, y0]: Point, [x1, y1]: Point): number {
  const [dx, dy] = [x1 - x0, y1 - y0];
  const square = dx * dx + dy * dy;
  const along = square === 0 ? 0 : Math.min(Math.max(((x - x0) * dx + (y - y0) * dy) / square, 0), 1);
  return length(x - x0 - along * dx, y - y0 - along * dy);
}
const length = (dx: number, dy: number): number => Math.sqrt(dx * dx + dy * dy);
