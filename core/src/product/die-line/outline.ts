import type { Point } from './points';

/** Whether a point lies inside an outline: a ray to the right crosses it an odd number of times. */
export function isInside([x, y]: Point, outline: readonly Point[]): boolean {
  let odd = false;
  outline.forEach(([x0, y0], i) => {
    const [x1, y1] = outline[(i + 1) % outline.length] as Point;
    if (y0 > y !== y1 > y && x < x0 + ((x1 - x0) * (y - y0)) / (y1 - y0)) odd = !odd;
  });
  return odd;
}
