import type { FoldProgram } from './fold-model';
import { emptySignature, type PageCell, readFolded, type Signature } from './imposition';
import { readTwoUp, type SawJoint } from './two-up';

/*
 * Pages on a press sheet, in millimetres from its lay corner: x across the press, y from the gripper edge. What lies behind what follows from how the sheet is
 * turned between its sides, never from the name of the work style.
 */

/** Which way a page's head points on the sheet: to the tail (n), the gripper edge (s), the lay side (w), the far side (e). */
export type Compass = 'n' | 'e' | 's' | 'w';
/** Heads along the travel of the sheet, or across it (to the lay side). */
export type Heads = 'along' | 'across';
/** What changes when the sheet is turned for its other side: x, about the axis of travel; y, about the gripper edge. */
export type SheetMirror = 'x' | 'y';

export interface SheetBox {
  x: number;
  y: number;
  w: number;
  h: number;
}
/** A section flat on its sheet; `faceDown`: printed second, from the same form as its twin. */
export interface Flat extends SheetBox {
  section: string;
  faceDown: boolean;
}
/** A page as it stands on a printed side, seen from that side with the gripper edge below. */
export interface PagePlace extends SheetBox {
  section: string;
  /** Null: nothing is printed there. */
  page: number | null;
  head: Compass;
}
/** A section as it is laid: its pages place by place, how it is folded, and the sizes of its cells. */
export interface LaidSection {
  key: string;
  /** Its number in the book, 1 the first, and its name: "section 3", "cover". */
  nr: number;
  name: string;
  /** Pages of the book outside of it on one side (nested), or before it (gathered). */
  outside: number;
  program: FoldProgram;
  signature: Signature;
  /** The book's pages by their place in the section; null: nobody printed it. */
  pages: (number | null)[];
  columnsMm: number[];
  rowsMm: number[];
  /** Two copies as one length: what meets at the saw, and how many hoppers it feeds (turned end for end it may be another). Its pages: of the copy that lies, then of the other. */
  double?: { joint: SawJoint; hoppers: 1 | 2 };
}

/**
 * Flats of a section that a copy takes: one; of two copies as one length one for both, or one for each where it feeds two hoppers.
 * @example flatsACopy({ double: { joint: 'headToFoot', hoppers: 1 } }) // 0.5
 */
export const flatsACopy = ({ double }: Pick<LaidSection, 'double'>): number => (double ? double.hoppers / 2 : 1);

/** Pages of a section a copy at a time: of the only one; of two as one length of the one that lies, then of the other. */
export function copiesOf({ pages, double }: Pick<LaidSection, 'pages' | 'double'>): (number | null)[][] {
  if (!double) return [pages];
  const half = pages.length / 2;
  return [pages.slice(0, half), pages.slice(half)];
}

/** What is read of a printed flat once it is folded; of two copies as one length of the one that lies, then of the other. */
function readSection({ program, double }: LaidSection, printed: Signature): { pages: (number | null)[]; headsUp: boolean }[] {
  if (!double) return readFolded(printed, program);
  const { lying, other } = readTwoUp(printed, program, double.joint);
  return [{ pages: [...lying.pages, ...other.pages], headsUp: lying.headsUp && other.headsUp }];
}

const EPS = 1e-6;
const sum = (mm: readonly number[]): number => mm.reduce((a, b) => a + b, 0);

/** A box as it is seen after the sheet is turned. */
export const mirroredBox = ({ x, y, w, h }: SheetBox, mirror: SheetMirror, [sheetW, sheetH]: readonly [number, number]): SheetBox =>
  mirror === 'x' ? { x: sheetW - x - w, y, w, h } : { x, y: sheetH - y - h, w, h };
const TURNED: Readonly<Record<SheetMirror, Record<Compass, Compass>>> = {
  x: { n: 'n', s: 's', e: 'w', w: 'e' },
  y: { n: 's', s: 'n', e: 'e', w: 'w' },
};
/** Where a head points that stands up on a flat, and one that stands down. */
const headOf = (heads: Heads, head: PageCell['head']): Compass =>
  heads === 'along' ? (head === 'up' ? 'n' : 's') : head === 'up' ? 'w' : 'e';

/** The cells of a flat on the sheet, rows then columns: the first row is the one at the pages' heads. */
function cellBoxes({ columnsMm, rowsMm }: LaidSection, { x, y, h }: SheetBox, heads: Heads): SheetBox[][] {
  return rowsMm.map((rowMm, r) =>
    columnsMm.map((columnMm, c): SheetBox => {
      const [u, v] = [sum(columnsMm.slice(0, c)), sum(rowsMm.slice(0, r))];
      return heads === 'along' ? { x: x + u, y: y + h - v - rowMm, w: columnMm, h: rowMm } : { x: x + v, y: y + u, w: rowMm, h: columnMm };
    }),
  );
}

export interface SheetPages {
  front: PagePlace[];
  back: PagePlace[];
}

/** Pages of one flat on the side where its outer form is printed, and on the other. */
function pagesOfFlat(section: LaidSection, flat: Flat, heads: Heads, mirror: SheetMirror, sheetMm: readonly [number, number]): SheetPages {
  const boxes = cellBoxes(section, flat, heads);
  const placed = (grid: Signature['front'], onBack: boolean): PagePlace[] =>
    boxes.flatMap((row, r) =>
      row.map((box, c): PagePlace => {
        // What lies behind a column is found on the other side of the grid, which is seen after turning from left to right.
        const cell = grid[r]?.[onBack ? row.length - 1 - c : c];
        const head = headOf(heads, cell?.head ?? 'up');
        const page = cell?.page == null ? null : (section.pages[cell.page - 1] ?? null);
        return onBack
          ? { ...mirroredBox(box, mirror, sheetMm), section: section.key, page, head: TURNED[mirror][head] }
          : { ...box, section: section.key, page, head };
      }),
    );
  return { front: placed(section.signature.front, false), back: placed(section.signature.back, true) };
}

/**
 * Pages on both sides of a sheet. A flat that lies on its face is printed by the form that printed its twin: both sides of the sheet then look alike.
 * Source: geometry; proved by folding (`isSheetProved`).
 */
export function sheetPages(
  flats: readonly Flat[],
  sections: readonly LaidSection[],
  heads: Heads,
  mirror: SheetMirror,
  sheetMm: readonly [number, number],
): SheetPages {
  const sides = flats
    .filter((f) => !f.faceDown)
    .flatMap((flat) => {
      const section = sections.find((s) => s.key === flat.section);
      return section ? [pagesOfFlat(section, flat, heads, mirror, sheetMm)] : [];
    });
  const [front, back] = [sides.flatMap((s) => s.front), sides.flatMap((s) => s.back)];
  return flats.some((f) => f.faceDown) ? { front: [...front, ...back], back: [...front, ...back] } : { front, back };
}

/** The places that lie in a box, by rows and columns of its cells; null where one is missing or stands elsewhere. */
function cellsIn(places: readonly PagePlace[], boxes: readonly (readonly SheetBox[])[]): PagePlace[][] | null {
  const found = boxes.map((row) =>
    row.flatMap(
      (box) =>
        places.find((p) => Math.abs(p.x - box.x) + Math.abs(p.y - box.y) + Math.abs(p.w - box.w) + Math.abs(p.h - box.h) < 4 * EPS) ?? [],
    ),
  );
  return found.every((row, r) => row.length === boxes[r]?.length) ? found : null;
}

/**
 * Whether a printed sheet, turned as it was between its sides, cut into its flats and folded, gives every section as it is read: its pages in order, heads up.
 * It looks at what stands on the two sides only, not at how it came there.
 * Source: geometry; common practice is to fold a blank sheet by hand and number it.
 */
export const isSheetProved = (
  { front, back }: SheetPages,
  flats: readonly Flat[],
  sections: readonly LaidSection[],
  heads: Heads,
  mirror: SheetMirror,
  sheetMm: readonly [number, number],
): boolean =>
  flats.every((flat) => {
    const upright = sections.find((s) => s.key === flat.section);
    if (!upright) return false;
    // A flat that lies on its face is looked at from the back of the sheet, where it lies as its twin does on the front.
    const [seen, behind] = flat.faceDown ? [back, front] : [front, back];
    const box = flat.faceDown ? mirroredBox(flat, mirror, sheetMm) : flat;
    const boxes = cellBoxes(upright, box, heads);
    const faces = cellsIn(seen, boxes);
    const others = cellsIn(
      behind.map((p) => ({ ...p, ...mirroredBox(p, mirror, sheetMm), head: TURNED[mirror][p.head] })),
      boxes,
    );
    if (!faces || !others) return false;
    const printed = emptySignature(upright.program);
    const cell = ({ page, head }: PagePlace): PageCell => ({ page, head: head === headOf(heads, 'up') ? 'up' : 'down' });
    faces.forEach((row, r) => row.forEach((p, c) => ((printed.front[r] ?? [])[c] = cell(p))));
    others.forEach((row, r) => row.forEach((p, c) => ((printed.back[r] ?? [])[row.length - 1 - c] = cell(p))));
    const [read, ...more] = readSection(upright, printed);
    return more.length === 0 && read?.headsUp === true && read.pages.join() === upright.pages.join();
  });
