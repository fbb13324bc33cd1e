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
