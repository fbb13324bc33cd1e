import { ascending } from '../quantity/ascending';
import type { Id } from '../quantity/figure';
import { ceilTolerant, floorTolerant } from '../quantity/round-tolerant';
import type { Cell } from './layout';
import type { SheetLayoutAsk } from './sheet-layout';

/** A piece of one order that shares a sheet with others. `turn`: how its grain lets it lie. */
export interface GangPiece {
  part: Id<'part'>;
  item: Id<'item'>;
  trimMm: [width: number, height: number];
  bleedMm: number;
  turn: 'never' | 'always' | 'free';
  wanted: number;
}
type Usable = SheetLayoutAsk['usable'];

/** How so many copies of a piece lie in rows across the sheet: the way that takes least of its depth. */
interface Rows {
  turned: boolean;
  across: number;
  rowMm: number;
  columnMm: number;
  depthMm: number;
}

function rowsOf({ trimMm, bleedMm, turn }: GangPiece, copies: number, widthMm: number): Rows | null {
  const [w, h] = [trimMm[0] + 2 * bleedMm, trimMm[1] + 2 * bleedMm];
  const ways = turn === 'free' ? [false, true] : [turn === 'always'];
  const found = ways.flatMap((turned): Rows[] => {
    const [columnMm, rowMm] = turned ? [h, w] : [w, h];
    const across = floorTolerant(widthMm / columnMm);
    return across < 1 ? [] : [{ turned, across, rowMm, columnMm, depthMm: ceilTolerant(copies / across) * rowMm }];
  });
  return found.reduce<Rows | null>((best, r) => (best === null || r.depthMm < best.depthMm ? r : best), null);
}

/** Rows of all pieces, or null where they are deeper than the sheet. */
function fitted(pieces: readonly GangPiece[], copies: readonly number[], usable: Usable): Rows[] | null {
  const rows = pieces.flatMap((p, i) => rowsOf(p, copies[i] ?? 0, usable.widthMm) ?? []);
  const depth = rows.reduce((sum, r) => sum + r.depthMm, 0);
  return rows.length === pieces.length && depth <= usable.heightMm + 1e-6 ? rows : null;
}

/** The sheet seen from its side: rows laid on it are columns on the sheet. */
const turnedSheet = ({ x, y, widthMm, heightMm }: Usable): Usable => ({ x: y, y: x, widthMm: heightMm, heightMm: widthMm });
const turnedPiece = (piece: GangPiece): GangPiece => ({
  ...piece,
  trimMm: [piece.trimMm[1], piece.trimMm[0]],
});
const turnedCell = ({ x, y, nx, ny, dx, dy, trimMm, ...cell }: Cell): Cell => ({
  ...cell,
  trimMm: [trimMm[1], trimMm[0]],
  x: y,
  y: x,
  nx: ny,
  ny: nx,
  dx: dy,
  dy: dx,
});

/**
 * Pieces of several orders on one sheet, each in rows of its own across it, or in columns of its own up it, so that straight cuts part them. As many of each as
 * asked; else as few sheets as rows or columns allow: for so many sheets s a piece needs ⌈wanted ÷ s⌉ places, and the least s whose places fit is taken, from all wanted ÷ k.
 * Null: not one of each fits. `asAsked`: the numbers asked fit.
 * Source: house rule; rows and columns are not the best of all gangs.
 * @example 1,000 of 100 × 100 and 2,000 of 100 × 50 mm on 400 × 150 mm: 2 and 4 up, 500 sheets
 */
export function gangRows(
  pieces: readonly GangPiece[],
  usable: Usable,
  asked: Readonly<Record<Id<'part'>, number>> | null,
): { cells: Cell[]; asAsked: boolean } | null {
  const rows = laidInRows(pieces, usable, asked);
  const columns = laidInRows(pieces.map(turnedPiece), turnedSheet(usable), asked);
  if (columns && (!rows || (columns.asAsked && !rows.asAsked) || (columns.asAsked === rows.asAsked && columns.sheets < rows.sheets)))
    return { cells: columns.cells.map(turnedCell), asAsked: columns.asAsked };
  return rows;
}

function laidInRows(
  pieces: readonly GangPiece[],
  usable: Usable,
  asked: Readonly<Record<Id<'part'>, number>> | null,
): { cells: Cell[]; asAsked: boolean; sheets: number } | null {
  const typed = asked && pieces.map((p) => asked[p.part] ?? 0);
  const byWish = typed && fitted(pieces, typed, usable);
  const copies = byWish ? typed : fewestSheets(pieces, usable);
  const rows = byWish ?? (copies && fitted(pieces, copies, usable));
  if (!copies || !rows) return null;
  const cells: Cell[] = [];
  let y = usable.y;
  pieces.forEach((piece, i) => {
    const { turned, across, columnMm, rowMm, depthMm } = rows[i] as Rows;
    const count = copies[i] ?? 0;
    const full = Math.floor(count / across);
    const cell = (row: number, nx: number, ny: number): Cell => ({
      part: piece.part,
      item: piece.item,
      trimMm: piece.trimMm,
      x: usable.x + piece.bleedMm,
      y: y + row * rowMm + piece.bleedMm,
      nx,
      ny,
      dx: columnMm,
      dy: rowMm,
      turn: turned ? 90 : 0,
    });
    if (full > 0) cells.push(cell(0, across, full));
    if (count % across > 0) cells.push(cell(full, count % across, 1));
    y += depthMm;
  });
  return { cells, asAsked: byWish !== null, sheets: Math.max(...pieces.map((p, i) => p.wanted / Math.max(copies[i] ?? 1, 1))) };
}

/** More places of one piece than any sheet is laid out for. */
const MOST_PLACES = 500;

function fewestSheets(pieces: readonly GangPiece[], usable: Usable): number[] | null {
  const area = usable.widthMm * usable.heightMm;
  const most = ({ trimMm, bleedMm }: GangPiece): number =>
    Math.min(floorTolerant(area / Math.max((trimMm[0] + 2 * bleedMm) * (trimMm[1] + 2 * bleedMm), 1)), MOST_PLACES);
  const sheets = pieces.flatMap((p) => Array.from({ length: most(p) }, (_, k) => p.wanted / (k + 1)));
  const runs = ascending([...new Set(sheets)]);
  const copiesFor = (s: number): number[] => pieces.map((p) => Math.max(ceilTolerant(p.wanted / s), 1));
  // The longer the run, the fewer places are needed: what fits once fits for every longer run.
  let [low, high] = [0, runs.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (fitted(pieces, copiesFor(runs[middle] ?? 1), usable)) high = middle;
    else low = middle + 1;
  }
  const least = runs[low];
  return least === undefined ? null : copiesFor(least);
}
