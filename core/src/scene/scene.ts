/** What a shape of a drawing is. Renderers give roles their look; core knows millimetres only. */
export const SCENE_ROLES = [
  'sheet',
  'usable',
  'gripper',
  'colourBar',
  'copy',
  'bleed',
  'fold',
  'score',
  'cut',
  'grain',
  'lay',
  'mark',
  'dimension',
  'label',
  'strong',
  'ink',
  'inkName',
  'foil',
  'strike',
  'unit',
  'person',
  'piece',
  'pile',
  'pallet',
  'band',
  'carton',
  'bar',
  'wait',
  'arrow',
  'roll',
  'core',
  'web',
  'lamp',
  'splice',
  'perforation',
] as const;
export type SceneRole = (typeof SCENE_ROLES)[number];

interface ShapeOf {
  role: SceneRole;
  /** The thing the shape stands for: a step, a copy, a cut. */ ref?: string;
  /** For role ink: the colour's name. */ ink?: string;
}
export interface RectShape extends ShapeOf {
  kind: 'rect';
  x: number;
  y: number;
  w: number;
  h: number;
}
export interface LineShape extends ShapeOf {
  kind: 'line';
  x1: number;
  y1: number;
  x2: number;
  y2: number;
}
export interface PathShape extends ShapeOf {
  kind: 'path';
  points: [number, number][];
  closed: boolean;
}
export interface CircleShape extends ShapeOf {
  kind: 'circle';
  cx: number;
  cy: number;
  r: number;
}
export interface TextShape extends ShapeOf {
  kind: 'text';
  x: number;
  y: number;
  text: string;
  sizeMm: number;
  anchor?: 'start' | 'middle' | 'end';
  turn?: number;
}
export type Shape = RectShape | LineShape | PathShape | CircleShape | TextShape;

/** A drawing to scale: shapes in millimetres, y downwards, with its own text alternative. */
export interface Scene {
  title: string;
  /** What a person who cannot see the drawing is told. */
  says: string;
  box: { x: number; y: number; w: number; h: number };
  /** False where distances mean nothing (a row of units, a chart in time): then no scale is printed and nothing is measured. */
  toScale: boolean;
  shapes: Shape[];
}

function cornersOf(s: Shape): [number, number][] {
  switch (s.kind) {
    case 'rect':
      return [
        [s.x, s.y],
        [s.x + s.w, s.y + s.h],
      ];
    case 'line':
      return [
        [s.x1, s.y1],
        [s.x2, s.y2],
      ];
    case 'circle':
      return [
        [s.cx - s.r, s.cy - s.r],
        [s.cx + s.r, s.cy + s.r],
      ];
    case 'path':
      return s.points;
    case 'text':
      return [[s.x, s.y]];
  }
}

/** The smallest box around shapes, with a margin; text counts with its anchor point only. */
export function boxAround(shapes: readonly Shape[], marginMm: number): Scene['box'] {
  let [left, top, right, bottom] = [Infinity, Infinity, -Infinity, -Infinity];
  const take = (x: number, y: number): void => {
    left = Math.min(left, x);
    top = Math.min(top, y);
    right = Math.max(right, x);
    bottom = Math.max(bottom, y);
  };
  for (const s of shapes) {
    for (const [x, y] of cornersOf(s)) take(x, y);
  }
  if (left === Infinity) return { x: 0, y: 0, w: 100, h: 100 };
  return { x: left - marginMm, y: top - marginMm, w: right - left + 2 * marginMm, h: bottom - top + 2 * marginMm };
}
