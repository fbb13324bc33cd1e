import type { Id } from '../quantity/figure';
import { type Scene, type Shape, boxAround } from '../scene/scene';
import { foldsOf } from './folds';
import type { Part } from './part';

export const SIDES = ['front', 'back'] as const;
export type Side = (typeof SIDES)[number];

/** A hot-foil area on a part, seen from the side it is struck on. */
export interface FoilArea {
  id: Id<'foil'>;
  name: string;
  widthMm: number;
  heightMm: number;
  side: Side;
  /** What the foil is called, such as gold, matt. */
  colour?: string;
  /** From the left and from the top edge of the open piece to the area; nobody has placed it where they are missing. */
  xMm?: number;
  yMm?: number;
  tool?: Id<'tool'>;
}
declare module './part' {
  interface Traits {
    /** Areas struck with foil, and how close to print they are asked. */
    foil: { areas: FoilArea[]; toPrintMm?: number };
  }
}

type Piece = Pick<Part, 'widthMm' | 'heightMm' | 'traits'>;
type Area = Omit<FoilArea, 'tool'>;

/** Whether somebody has said where an area lies. */
export const isPlaced = (area: Pick<FoilArea, 'xMm' | 'yMm'>): boolean => area.xMm !== undefined && area.yMm !== undefined;

/**
 * Where an area lies on the open piece, mm from its left and top edges: as placed, else in the middle of the first panel.
 * @example foilPlace({ widthMm: 40, heightMm: 30 }, { widthMm: 210, heightMm: 148, traits: { folds: { folds: 1, foldedWidthMm: 105 } } }) // { xMm: 32.5, yMm: 59 }
 */
export function foilPlace(
  { xMm, yMm, ...area }: Pick<FoilArea, 'widthMm' | 'heightMm' | 'xMm' | 'yMm'>,
  piece: Piece,
): { xMm: number; yMm: number } {
  const panelMm = piece.widthMm / (foldsOf(piece) + 1);
  return { xMm: xMm ?? Math.max((panelMm - area.widthMm) / 2, 0), yMm: yMm ?? Math.max((piece.heightMm - area.heightMm) / 2, 0) };
}

/** Whether an area lies on the piece, edges touching allowed. Tolerance a thousandth of a millimetre: lengths may have been typed in inches. */
export function liesOnPiece(area: Area, piece: Piece): boolean {
  const { xMm, yMm } = foilPlace(area, piece);
  return xMm + area.widthMm <= piece.widthMm + 1e-3 && yMm + area.heightMm <= piece.heightMm + 1e-3;
}

/** The fold an area lies across, counted from the left edge of the piece, in mm; null: none. Folds divide the open width alike. */
export function foldUnder(area: Area, piece: Piece): number | null {
  const { xMm } = foilPlace(area, piece);
  const folds = foldsOf(piece);
  for (let fold = 1; fold <= folds; fold++) {
    const lineMm = (piece.widthMm * fold) / (folds + 1);
    if (xMm + 1e-3 < lineMm && lineMm < xMm + area.widthMm - 1e-3) return lineMm;
  }
  return null;
}

/** The open piece seen from one side, to scale, with the foil areas of that side and how far each lies from the left and the top edge. */
export function foilPlacesScene(piece: Piece, areas: readonly Area[], side: Side): Scene {
  const { widthMm: w, heightMm: h } = piece;
  const text = Math.max(w, h) / 22;
  const shapes: Shape[] = [{ kind: 'rect', role: 'copy', x: 0, y: 0, w, h, ref: side }];
  for (let fold = 1; fold <= foldsOf(piece); fold++) {
    const x = (w * fold) / (foldsOf(piece) + 1);
    shapes.push({ kind: 'line', role: 'fold', x1: x, y1: 0, x2: x, y2: h });
  }
  const here = areas.filter((a) => a.side === side);
  for (const area of here) {
    const { xMm: x, yMm: y } = foilPlace(area, piece);
    const [middle, level] = [x + area.widthMm / 2, y + area.heightMm / 2];
    shapes.push(
      { kind: 'line', role: 'dimension', x1: 0, y1: level, x2: x, y2: level },
      { kind: 'line', role: 'dimension', x1: middle, y1: 0, x2: middle, y2: y },
      { kind: 'rect', role: 'strike', x, y, w: area.widthMm, h: area.heightMm, ref: `foil ${area.id}` },
      { kind: 'text', role: 'strong', x: middle, y: level + text / 3, text: area.name, sizeMm: text, anchor: 'middle' },
      { kind: 'text', role: 'label', x: x / 2, y: level - text / 3, text: inTenths(x), sizeMm: text, anchor: 'middle' },
      { kind: 'text', role: 'label', x: middle + text / 3, y: y / 2, text: inTenths(y), sizeMm: text },
    );
  }
  shapes.push({
    kind: 'text',
    role: 'label',
    x: 0,
    y: h + text * 1.4,
    text: `${side}, ${inTenths(w)} × ${inTenths(h)} mm open`,
    sizeMm: text,
  });
  return {
    title: 'foil on the piece',
    says: `The open piece seen from the ${side}: ${here.map((a) => `${a.name} ${inTenths(foilPlace(a, piece).xMm)} from the left, ${inTenths(foilPlace(a, piece).yMm)} from the top`).join('; ') || 'no foil'}. Millimetres.`,
    box: boxAround(shapes, text),
    toScale: true,
    shapes,
  };
}

const inTenths = (mm: number): string => String(Math.round(mm * 10) / 10);
