import { portableCos, portableSin } from '../../quantity/portable-math';
import type { CreaseClass, DieLine } from './die-line';
import { facesOf, type Face } from './faces';
import { pathLength, type Point } from './points';

export type Point3 = readonly [x: number, y: number, z: number];

/** A hinge of the folded piece: the face that is moved, the one it hangs on, the line they share, and how far it is folded in the end. */
export interface Hinge {
  parent: number;
  child: number;
  from: Point;
  to: Point;
  class: CreaseClass;
  endDegrees: number;
}
/** A flat piece as faces on hinges, from one that lies still. */
export interface FoldModel {
  faces: Face[];
  hinges: Hinge[];
  root: number;
  /** Faces that hang on nothing. */
  loose: number[];
}

/**
 * A die line as faces on hinges. The face that most others hang on lies still, the largest of them; each other hangs on what is fewest creases from it.
 * Null: nothing encloses a face.
 */
export function foldModel(die: DieLine): FoldModel | null {
  const { faces, shared } = facesOf(die);
  if (faces.length === 0) return null;
  const hanging = (face: number): number => shared.filter((s) => s.faces.includes(face)).length;
  const root = faces.reduce((best, face, i) => {
    const [now, most] = [hanging(i), hanging(best)];
    return now > most || (now === most && face.areaMm2 > (faces[best]?.areaMm2 ?? 0) + 1e-6) ? i : best;
  }, 0);
  const hinges: Hinge[] = [];
  const reached = new Set([root]);
  for (const parent of reached) {
    const here = shared
      .filter((s) => s.faces.includes(parent))
      .sort((a, b) => pathLength([b.from, b.to], false) - pathLength([a.from, a.to], false));
    for (const { faces: both, crease, from, to } of here) {
      const child = both[0] === parent ? both[1] : both[0];
      if (reached.has(child)) continue;
      reached.add(child);
      hinges.push({ parent, child, from, to, class: crease.class, endDegrees: crease.endAngle ?? 90 });
    }
  }
  return { faces, hinges, root, loose: faces.flatMap((_, i) => (reached.has(i) ? [] : [i])) };
}

/** When, of the whole folding from 0 to 1, creases of a class are folded: the body first, what closes it last. */
const WHEN: Readonly<Record<CreaseClass, readonly [from: number, to: number]>> = {
  spine: [0, 0.5],
  body: [0, 0.5],
  wall: [0.1, 0.6],
  flat: [0.45, 0.7],
  dust: [0.5, 0.7],
  tuck: [0.65, 0.8],
  lid: [0.7, 1],
};

/**
 * Degrees a hinge is folded by, so far into the folding.
 * @example hingeDegrees({ class: 'body', endDegrees: 90 }, 0.25) // 45
 */
export function hingeDegrees(hinge: Pick<Hinge, 'class' | 'endDegrees'>, share: number): number {
  const [from, to] = WHEN[hinge.class];
  return hinge.endDegrees * Math.min(Math.max((share - from) / (to - from), 0), 1);
}

/** Turning and moving in space: rows of a matrix, then what is added. */
type Move = readonly [Point3, Point3, Point3, Point3];
const STILL: Move = [
  [1, 0, 0],
  [0, 1, 0],
  [0, 0, 1],
  [0, 0, 0],
];
const moved = ([r0, r1, r2, add]: Move, [x, y, z]: Point3): Point3 => [
  r0[0] * x + r0[1] * y + r0[2] * z + add[0],
  r1[0] * x + r1[1] * y + r1[2] * z + add[1],
  r2[0] * x + r2[1] * y + r2[2] * z + add[2],
];
/** First `inner`, then `outer`. */
function after(outer: Move, inner: Move): Move {
  const column = (k: 0 | 1 | 2): Point3 => [inner[0][k], inner[1][k], inner[2][k]];
  const row = (r: Point3): Point3 => [0, 1, 2].map((k) => dot(r, column(k as 0 | 1 | 2))) as unknown as Point3;
  return [row(outer[0]), row(outer[1]), row(outer[2]), moved(outer, inner[3])];
}
const dot = (a: Point3, b: Point3): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];

/** Turned about a line of the flat piece, so that what lies on the child's side of it comes up. */
function aboutHinge({ from, to }: Hinge, towards: Point, degrees: number): Move {
  const long = pathLength([from, to], false);
  const [ux, uy] = [(to[0] - from[0]) / long, (to[1] - from[1]) / long];
  const isLeft = (to[0] - from[0]) * (towards[1] - from[1]) - (to[1] - from[1]) * (towards[0] - from[0]) > 0;
  const radians = ((isLeft ? degrees : -degrees) * Math.PI) / 180;
  const [c, s] = [portableCos(radians), portableSin(radians)];
  // Rodrigues' formula for an axis in the plane.
  const turn: Move = [
    [c + ux * ux * (1 - c), ux * uy * (1 - c), uy * s],
    [ux * uy * (1 - c), c + uy * uy * (1 - c), -ux * s],
    [-uy * s, ux * s, c],
    [0, 0, 0],
  ];
  const [ox, oy, oz] = moved(turn, [from[0], from[1], 0]);
  return [turn[0], turn[1], turn[2], [from[0] - ox, from[1] - oy, -oz]];
}
const middleOf = ({ outline }: Face): Point => {
  // Weighted by area, so that a face of many small corners has its middle inside.
  let [area, x, y] = [0, 0, 0];
  outline.forEach(([x0, y0], i) => {
    const [x1, y1] = outline[(i + 1) % outline.length] as Point;
    const cross = x0 * y1 - x1 * y0;
    area += cross;
    x += (x0 + x1) * cross;
    y += (y0 + y1) * cross;
  });
  return [x / (3 * area), y / (3 * area)];
};

/**
 * Every face where it stands, so far into the folding: 0 flat, 1 closed. The printed side lies below while it is flat; faces fold up.
 * Source: rotation about a line (Rodrigues 1840), hinge after hinge.
 */
export function foldedFaces({ faces, hinges, root }: FoldModel, share: number): Point3[][] {
  const moves = new Map<number, Move>([[root, STILL]]);
  for (const hinge of hinges) {
    const own = aboutHinge(hinge, middleOf(faces[hinge.child] as Face), hingeDegrees(hinge, share));
    moves.set(hinge.child, after(moves.get(hinge.parent) ?? STILL, own));
  }
  return faces.map((face, i) => face.outline.map(([x, y]): Point3 => moved(moves.get(i) ?? STILL, [x, y, 0])));
}
