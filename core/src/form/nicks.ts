import { pathLength, type Point } from '../product/die-line/points';
import type { DieLine } from '../product/die-line/die-line';
import { nicksOf } from './cutting-die';

/** Where a nick stands on the outline of a blank, and on what kind of edge. */
export interface Nick {
  at: Point;
  edge: 'along' | 'upright' | 'slanted';
}

const EPS = 1e-9;
const sameEdge = ([a, b]: readonly [Point, Point], [c, d]: readonly [Point, Point]): boolean => {
  const near = (p: Point, q: Point): boolean => Math.abs(p[0] - q[0]) < EPS && Math.abs(p[1] - q[1]) < EPS;
  return (near(a, c) && near(b, d)) || (near(a, d) && near(b, c));
};

/**
 * Places of the nicks that hold a blank in its sheet: as many as its outline wants, evenly along the edges that do not show on the finished piece.
 * Source: common practice, no source.
 * @throws never; an outline of which every edge shows is nicked all round
 */
export function nickPlaces({ outline, showing = [] }: Pick<DieLine, 'outline' | 'showing'>): Nick[] {
  const edges = outline.map((p, i): [Point, Point] => [p, outline[(i + 1) % outline.length] as Point]);
  const hidden = edges.filter((e) => !showing.some((s) => sameEdge(e, s)));
  const used = hidden.length > 0 ? hidden : edges;
  const total = used.reduce((sum, e) => sum + pathLength(e, false), 0);
  const count = nicksOf(pathLength(outline, true));
  return Array.from({ length: count }, (_, i) => {
    let left = ((i + 0.5) * total) / count;
    for (const [a, b] of used) {
      const long = pathLength([a, b], false);
      if (left <= long && long > 0) {
        const share = left / long;
        const at: Point = [a[0] + share * (b[0] - a[0]), a[1] + share * (b[1] - a[1])];
        return { at, edge: Math.abs(a[1] - b[1]) < EPS ? 'along' : Math.abs(a[0] - b[0]) < EPS ? 'upright' : 'slanted' };
      }
      left -= long;
    }
    return { at: (used.at(-1) as [Point, Point])[1], edge: 'slanted' };
  });
}
