import type { Id } from '../quantity/figure';
import type { CutTree } from './guillotine-count';
import type { WebForm } from './web-form';

/** A lattice of one part on the sheet: nx × ny copies, dx × dy apart; x across the press, y from the gripper edge. Sizes are trim sizes. */
export interface Cell {
  part: Id<'part'>;
  item: Id<'item'>;
  x: number;
  y: number;
  nx: number;
  ny: number;
  dx: number;
  dy: number;
  turn: 0 | 90 | 180 | 270;
}
/** Copies on a press sheet (long side across the press). `cuts`: how straight cuts take the box of the copies apart, where it was made for them. */
export interface Layout {
  sheetMm: [number, number];
  cells: Cell[];
  cuts?: CutTree;
  cutsBox?: { x: number; y: number; w: number; h: number };
  gripperMm: number;
  proved?: boolean;
  /** A form on a web: width of the web × one turn of the cylinder. */
  web?: WebForm;
}
export interface CopyPlace {
  x: number;
  y: number;
  w: number;
  h: number;
  turned: boolean;
  part: Id<'part'>;
}

/** Every copy's place (trim size), from the lattices. */
export function copyPlaces(layout: Layout, trim: { widthMm: number; heightMm: number }): CopyPlace[] {
  return layout.cells.flatMap((cell) => {
    const turned = cell.turn === 90 || cell.turn === 270;
    const [w, h] = turned ? [trim.heightMm, trim.widthMm] : [trim.widthMm, trim.heightMm];
    return Array.from({ length: cell.nx * cell.ny }, (_, i) => ({
      x: cell.x + (i % cell.nx) * cell.dx,
      y: cell.y + Math.floor(i / cell.nx) * cell.dy,
      w,
      h,
      turned,
      part: cell.part,
    }));
  });
}

/** Copies on the sheet. */
export const copiesUp = (layout: Layout): number => layout.cells.reduce((sum, c) => sum + c.nx * c.ny, 0);
