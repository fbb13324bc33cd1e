import type { DieLine } from './die-line/die-line';
import { type Face, facesOf } from './die-line/faces';
import { pathArea, type Point, turnedAtOrigin } from './die-line/points';
import type { Part } from './part';

declare module './part' {
  interface Traits {
    /** Cut by a die from its sheet: the flat blank as it is seen from its printed side. Its part's width and height are those of the blank's box. */
    blank: { die: DieLine };
  }
}

/**
 * Area of a piece, mm²: of a blank inside its outline, else width × height.
 * @example pieceAreaMm2({ widthMm: 210, heightMm: 100 }) // 21000
 */
export const pieceAreaMm2 = ({ widthMm, heightMm, traits }: Pick<Part, 'widthMm' | 'heightMm' | 'traits'>): number =>
  traits?.blank ? pathArea(traits.blank.die.outline) : widthMm * heightMm;

/**
 * What of a piece is glued to a printed face and has neither coat nor solid ink, mm².
 * @example knockOutMm2({}) // 0
 */
export const knockOutMm2 = ({ traits }: Pick<Part, 'traits'>): number =>
  (traits?.blank?.die.joints ?? []).reduce((sum, j) => sum + pathArea(j.region), 0);

/** The lines of a die line that are drawn, cut or creased, as a piece turned on its sheet has them; the lower left corner of its box at 0. */
export interface DieDrawn {
  outline: Point[];
  slits: Point[][];
  creases: Point[][];
}
export function dieTurned({ outline, slits, creases }: DieLine, turn: 0 | 90 | 180 | 270): DieDrawn {
  const turned = (points: readonly Point[]): Point[] => turnedAtOrigin(points, turn, outline);
  return { outline: turned(outline), slits: slits.map(turned), creases: creases.map((c) => turned([c.from, c.to])) };
}

/** Middles already found: pure, and asked for every copy of a drawing. */
const middles = new WeakMap<DieLine, Point>();
/** The middle of a blank's largest panel, clear of its creases, as the piece is turned on its sheet: from the lower left corner of its box. */
export function middleOfPanel(die: DieLine, turn: 0 | 90 | 180 | 270): Point {
  const known = middles.get(die) ?? middleOf(largestPanel(die));
  middles.set(die, known);
  return turnedAtOrigin([known], turn, die.outline)[0] ?? [0, 0];
}
const largestPanel = (die: DieLine): readonly Point[] =>
  facesOf(die).faces.reduce<Face>((best, face) => (face.areaMm2 > best.areaMm2 + 1e-6 ? face : best), {
    outline: die.outline.slice(),
    areaMm2: 0,
  }).outline;
function middleOf(points: readonly Point[]): Point {
  const [xs, ys] = [points.map((p) => p[0]), points.map((p) => p[1])];
  return [(Math.min(...xs) + Math.max(...xs)) / 2, (Math.min(...ys) + Math.max(...ys)) / 2];
}

/**
 * How far below the upper edge of a blank's box the top of an area lies, whose lower left corner is said from that of the box.
 * @example topOnBlank({ heightMm: 100 }, { yMm: 10, heightMm: 30 }) // 60
 */
export const topOnBlank = (part: Pick<Part, 'heightMm'> | undefined, { yMm, heightMm }: { yMm: number; heightMm: number }): number =>
  (part?.heightMm ?? 0) - yMm - heightMm;
