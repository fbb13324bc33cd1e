import { pathArea, pathBox, pathLength, type Point } from './points';

/** What a hinge holds: by it goes which way the grain should run, and how its channel is cut. */
export const CREASE_CLASSES = ['body', 'lid', 'tuck', 'dust', 'wall', 'spine', 'flat'] as const;
export type CreaseClass = (typeof CREASE_CLASSES)[number];

/** More lines than a die has: they are not looked at. */
export const MOST_LINES = 2_000;

/** A line of a blank that is no cut through: pressed, cut in dashes, or cut half through. */
export const HINGE_KINDS = ['crease', 'perforation', 'halfCut'] as const;
export type HingeKind = (typeof HINGE_KINDS)[number];

export interface Crease {
  class: CreaseClass;
  from: Point;
  to: Point;
  /** A crease where nothing is said. */
  kind?: HingeKind;
  /** How far it is folded in the finished piece: 90° where nothing is said. */
  endAngle?: 180;
}

/** Where a printed face is glued to another: it has no coat and no solid ink there. */
export interface Joint {
  kind: 'seam' | 'bottom' | 'corner';
  region: Point[];
}

/** A flat blank as the die sees it, lengths in mm: the outline is cut, slits are cut into it, hinges are creased. */
export interface DieLine {
  outline: Point[];
  slits: [Point, Point][];
  creases: Crease[];
  joints: Joint[];
  /** Edges that are looked at on the finished piece: no nick stands there. */
  showing?: [Point, Point][];
}

/** What a die line measures, in mm and mm². */
export interface DieMeasures {
  widthMm: number;
  heightMm: number;
  outlineMm: number;
  areaMm2: number;
  /** Outline and slits. */
  cutMm: number;
  creaseMm: number;
  creaseByClass: Record<CreaseClass, number>;
  /** Without coat, all joints together. */
  knockOutMm2: number;
}

/**
 * Measures a die line. Formulas: cut = outline + slits; crease = sum of the hinges; knock-out = sum of the joints' areas. Source: arithmetic.
 * @example measureDieLine({ outline: [[0, 0], [4, 0], [4, 3], [0, 3]], slits: [[[1, 1], [2, 1]]], creases: [], joints: [] }).cutMm // 15
 */
export function measureDieLine({ outline, slits, creases, joints }: DieLine): DieMeasures {
  const [widthMm, heightMm] = pathBox(outline);
  const outlineMm = pathLength(outline, true);
  const creaseByClass = Object.fromEntries(CREASE_CLASSES.map((c) => [c, 0])) as Record<CreaseClass, number>;
  for (const c of creases) creaseByClass[c.class] += pathLength([c.from, c.to], false);
  return {
    widthMm,
    heightMm,
    outlineMm,
    areaMm2: pathArea(outline),
    cutMm: outlineMm + slits.reduce((sum, s) => sum + pathLength(s, false), 0),
    creaseMm: Object.values(creaseByClass).reduce((sum, mm) => sum + mm, 0),
    creaseByClass,
    knockOutMm2: joints.reduce((sum, j) => sum + pathArea(j.region), 0),
  };
}

/** Every line of a die: cut along the outline and in slits, creased along the hinges. */
export const linesOf = ({ outline, slits, creases }: DieLine): [Point, Point][] => [
  ...outline.map((p, i): [Point, Point] => [p, outline[(i + 1) % outline.length] as Point]),
  ...slits,
  ...creases.map((c): [Point, Point] => [c.from, c.to]),
];
