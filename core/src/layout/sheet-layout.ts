import type { Id } from '../quantity/figure';
import { type CutTree, type GuillotineAsk, type GuillotineLayout, guillotineCount } from './guillotine-count';
import type { Cell, Layout } from './layout';
import { WORK_STYLES, type WorkStyleId } from './work-style';

export interface SheetLayoutAsk {
  part: Id<'part'>;
  item: Id<'item'>;
  sheetMm: [long: number, short: number];
  usable: { x: number; y: number; widthMm: number; heightMm: number };
  /** Trim size of a copy, and bleed on each side. */
  trimMm: [number, number];
  bleedMm: number;
  /** Along which side of the copy the grain must run; null: copies may be turned. */
  grainAlong: 'width' | 'height' | null;
  sheetGrain: 'x' | 'y';
  style: WorkStyleId;
  gripperMm: number;
}

/** What of a press sheet may be printed on. */
export type UsableSheet = Pick<SheetLayoutAsk, 'sheetMm' | 'usable' | 'gripperMm'>;

/** Layouts already found: pure, so the same question may keep its answer while a planner types another number. */
const found = new Map<string, GuillotineLayout>();
function guillotineLayout(ask: GuillotineAsk): GuillotineLayout {
  const key = `${ask.width}|${ask.height}|${ask.pieceWidth}|${ask.pieceHeight}|${ask.mayTurn}`;
  const known = found.get(key);
  if (known) return known;
  if (found.size >= 64) found.clear();
  const layout = guillotineCount(ask);
  found.set(key, layout);
  return layout;
}

/** Whether copies must be turned so that their grain side lies along the sheet's grain. */
const mustTurn = (ask: SheetLayoutAsk): boolean => ask.grainAlong !== null && (ask.grainAlong === 'width' ? 'x' : 'y') !== ask.sheetGrain;

/** What a sheet's question comes to: the room for one half (or all) of the copies, and a copy with its bleed, turned where the grain asks it. */
export function roomOf(ask: SheetLayoutAsk): {
  width: number;
  height: number;
  pieceWidth: number;
  pieceHeight: number;
  mayTurn: boolean;
  turnAll: boolean;
} {
  const { usable, bleedMm, trimMm } = ask;
  const turnAll = mustTurn(ask);
  const [pieceW, pieceH] = [trimMm[0] + 2 * bleedMm, trimMm[1] + 2 * bleedMm];
  const halves = WORK_STYLES[ask.style].halves;
  return {
    width: halves === 'x' ? usable.widthMm / 2 : usable.widthMm,
    height: halves === 'y' ? usable.heightMm / 2 : usable.heightMm,
    pieceWidth: turnAll ? pieceH : pieceW,
    pieceHeight: turnAll ? pieceW : pieceH,
    mayTurn: ask.grainAlong === null,
    turnAll,
  };
}

/** Copies in the room as lattices on the sheet; the second half is the first in the mirror. */
export function cellsOf(
  ask: SheetLayoutAsk,
  blocks: readonly Pick<GuillotineLayout['blocks'][number], 'x' | 'y' | 'nx' | 'ny' | 'turned'>[],
): Cell[] {
  const { usable, bleedMm, trimMm } = ask;
  const { turnAll } = roomOf(ask);
  const [pieceW, pieceH] = [trimMm[0] + 2 * bleedMm, trimMm[1] + 2 * bleedMm];
  const half = blocks.map((b): Cell => {
    const turned = b.turned !== turnAll;
    const [dx, dy] = turned ? [pieceH, pieceW] : [pieceW, pieceH];
    return {
      part: ask.part,
      item: ask.item,
      trimMm,
      x: usable.x + b.x + bleedMm,
      y: usable.y + b.y + bleedMm,
      nx: b.nx,
      ny: b.ny,
      dx,
      dy,
      turn: turned ? 90 : 0,
    };
  });
  const halves = WORK_STYLES[ask.style].halves;
  return halves === null ? half : [...half, ...half.map((c) => mirrored(c, halves, usable, bleedMm))];
}

/**
 * The exact guillotine-cuttable layout of one part on a sheet: most copies, grain fixed or free.
 * Work-and-turn and work-and-tumble fill one half and mirror it (fronts on one half, backs on the other), so copies up are even.
 * Null: not one copy fits.
 */
export function sheetLayout(ask: SheetLayoutAsk): Layout | null {
  const { usable } = ask;
  const room = roomOf(ask);
  const { width, height } = room;
  if (!(width > 0 && height > 0 && room.pieceWidth > 0 && room.pieceHeight > 0)) return null;
  const answer = guillotineLayout(room);
  if (answer.count === 0) return null;
  const halves = WORK_STYLES[ask.style].halves;
  const size = halves === 'x' ? width : height;
  const cuts: CutTree =
    halves === null
      ? answer.tree
      : { kind: 'cut', across: halves, at: size, first: answer.tree, second: mirroredTree(answer.tree, halves, width, height) };
  const cutsBox = { x: usable.x, y: usable.y, w: usable.widthMm, h: usable.heightMm };
  return { sheetMm: ask.sheetMm, cells: cellsOf(ask, answer.blocks), cuts, cutsBox, gripperMm: ask.gripperMm, proved: answer.proved };
}

/** The same cuts seen in the mirror: what was first across the mirrored direction is second. */
function mirroredTree(tree: CutTree, across: 'x' | 'y', w: number, h: number): CutTree {
  if (tree.kind !== 'cut') return tree;
  const [firstW, firstH, restW, restH] = tree.across === 'x' ? [tree.at, h, w - tree.at, h] : [w, tree.at, w, h - tree.at];
  const first = mirroredTree(tree.first, across, firstW, firstH);
  const second = mirroredTree(tree.second, across, restW, restH);
  if (tree.across !== across) return { ...tree, first, second };
  return { ...tree, at: (across === 'x' ? w : h) - tree.at, first: second, second: first };
}

function mirrored(cell: Cell, across: 'x' | 'y', usable: SheetLayoutAsk['usable'], bleedMm: number): Cell {
  if (across === 'x') {
    const right = cell.x - bleedMm + cell.nx * cell.dx - usable.x;
    return { ...cell, x: usable.x + usable.widthMm - right + bleedMm };
  }
  const bottom = cell.y - bleedMm + cell.ny * cell.dy - usable.y;
  return { ...cell, y: usable.y + usable.heightMm - bottom + bleedMm, turn: cell.turn === 0 ? 180 : 270 };
}
