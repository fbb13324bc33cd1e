import type { Id } from '../quantity/figure';
import type { SectionMargins } from '../signature/section-size';
import { type Flat, flatsACopy, type Heads, type LaidSection, type SheetMirror, type SheetPages } from '../signature/sheet-pages';
import type { CutTree } from './guillotine-count';
import type { WebForm } from './web-form';

/** A lattice of one part on the form: nx × ny copies, dx × dy apart; x across the press, y from the gripper edge. Sizes are trim sizes. */
export interface Cell {
  part: Id<'part'>;
  item: Id<'item'>;
  /** Trim size of a copy as the customer holds it, before it is turned. */
  trimMm: readonly [width: number, height: number];
  x: number;
  y: number;
  nx: number;
  ny: number;
  dx: number;
  dy: number;
  turn: 0 | 90 | 180 | 270;
}
/** Sections of a book on a press sheet: what lies where, and its pages side by side. */
export interface Imposed extends SheetPages {
  heads: Heads;
  /** How the sheet is turned between its sides. */
  mirror: SheetMirror;
  sections: LaidSection[];
  flats: Flat[];
  /** Of a page as it is trimmed: width and height; what is trimmed off around it; bound on the right. */
  trimMm: readonly [number, number];
  margins: SectionMargins;
  isRight: boolean;
  /** Page places on which nothing is printed, both sides together. */
  empty: number;
  /** Its only section is as large as the sheet: it is folded as it comes from the press, and what the sheet leaves comes off in the three-knife. */
  foldedWhole?: true;
}
/** Copies on a press sheet (long side across the press). `cuts`: how straight cuts take the box of the copies apart, where it was made for them. */
export interface Layout {
  sheetMm: [number, number];
  cells: Cell[];
  cuts?: CutTree;
  cutsBox?: { x: number; y: number; w: number; h: number };
  gripperMm: number;
  /** Every place of the die that all forms of a gang are cut by, also those on which nothing lies here; absent: as many as there are copies. */
  dieCells?: Cell[];
  /** Orders of a gang, as they are lettered on whatever form they lie. */
  orders?: readonly Id<'part'>[];
  proved?: boolean;
  /** A piece holds so many copies, parted later: covers of two books as one length. Absent: one. */
  copiesAPiece?: number;
  /** Its copies are the flat sections of a book. */
  imposed?: Imposed;
  /** A form on a web: width of the web × one turn of the cylinder. */
  web?: WebForm;
}
export interface CopyPlace {
  x: number;
  y: number;
  w: number;
  h: number;
  /** A quarter turn: width and height are exchanged. */
  turned: boolean;
  turn: Cell['turn'];
  part: Id<'part'>;
}

/** A layout with all that its die cuts, places on which nothing lies too. */
export const cutByDie = (layout: Layout): Layout => (layout.dieCells ? { ...layout, cells: layout.dieCells } : layout);

/** Every copy's place (trim size), from the lattices. */
export function copyPlaces(layout: Layout): CopyPlace[] {
  return layout.cells.flatMap((cell) => {
    const turned = cell.turn === 90 || cell.turn === 270;
    const [across, along] = cell.trimMm;
    const [w, h] = turned ? [along, across] : [across, along];
    return Array.from({ length: cell.nx * cell.ny }, (_, i) => ({
      x: cell.x + (i % cell.nx) * cell.dx,
      y: cell.y + Math.floor(i / cell.nx) * cell.dy,
      w,
      h,
      turned,
      turn: cell.turn,
      part: cell.part,
    }));
  });
}

/** Numbers of the places on which copies of a part lie, as its die has them. */
export function placesOf(layout: Layout, part: Id<'part'>): number[] {
  const copies = copyPlaces(layout).filter((c) => c.part === part);
  return copyPlaces(cutByDie(layout)).flatMap((place, i) => (copies.some((c) => c.x === place.x && c.y === place.y) ? [i + 1] : []));
}

/** Width and height of the box around all copies, trim size to trim size. */
export function boxOfCopies(layout: Layout): [widthMm: number, heightMm: number] {
  const places = copyPlaces(layout);
  if (places.length === 0) return [0, 0];
  const across = Math.max(...places.map((p) => p.x + p.w)) - Math.min(...places.map((p) => p.x));
  return [across, Math.max(...places.map((p) => p.y + p.h)) - Math.min(...places.map((p) => p.y))];
}

/**
 * Copies on the form; of one part, where a part is named.
 * @example copiesUp({ cells: [{ nx: 4, ny: 2 }] }) // 8
 */
export const copiesUp = (layout: Layout, part?: Id<'part'>): number =>
  layout.cells.reduce((sum, c) => sum + (part === undefined || c.part === part ? c.nx * c.ny : 0), 0);

/**
 * How many of what is made come off a form: copies; of sections as many whole sets as lie on it.
 * @example goodsUp({ cells: [{ nx: 4, ny: 2 }] }) // 8
 */
export const goodsUp = (layout: Layout): number =>
  layout.imposed
    ? Math.min(...layout.imposed.sections.map((s) => sectionsUp(layout, s.key) / flatsACopy(s)))
    : copiesUp(layout) * (layout.copiesAPiece ?? 1);

/**
 * Flats of one section on a form.
 * @example sectionsUp({}, 's1') // 0
 */
export const sectionsUp = ({ imposed }: Pick<Layout, 'imposed'>, section: string): number =>
  imposed?.flats.filter((f) => f.section === section).length ?? 0;
