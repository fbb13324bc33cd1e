import { anyLayout, type AnyLayoutProgress, type PiecePlace } from './any-layout';
import type { Layout } from './layout';
import { cellsOf, roomOf, type SheetLayoutAsk } from './sheet-layout';
import { WORK_STYLES } from './work-style';

interface Block {
  x: number;
  y: number;
  nx: number;
  ny: number;
  turned: boolean;
}
const EPS = 1e-6;

/** Single places as lattices: runs side by side first, then equal runs one above the other. Nothing is lost: the blocks hold every place once. */
export function blocksOf(places: readonly PiecePlace[], pieceWidth: number, pieceHeight: number): Block[] {
  const widthOf = (b: { turned: boolean }): number => (b.turned ? pieceHeight : pieceWidth);
  const heightOf = (b: { turned: boolean }): number => (b.turned ? pieceWidth : pieceHeight);
  const rows: Block[] = [];
  for (const p of [...places].sort((a, b) => a.y - b.y || a.x - b.x)) {
    const run = rows.find((r) => r.turned === p.turned && Math.abs(r.y - p.y) < EPS && Math.abs(r.x + r.nx * widthOf(r) - p.x) < EPS);
    if (run) run.nx++;
    else rows.push({ ...p, nx: 1, ny: 1 });
  }
  const blocks: Block[] = [];
  for (const row of rows) {
    const below = blocks.find(
      (b) => b.turned === row.turned && b.nx === row.nx && Math.abs(b.x - row.x) < EPS && Math.abs(b.y + b.ny * heightOf(b) - row.y) < EPS,
    );
    if (below) below.ny++;
    else blocks.push(row);
  }
  return blocks;
}

/** Most copies of a part on its sheet in any layout, with the bound no layout is above. Halved work styles search one half and mirror it. */
export function anySheetLayout(
  ask: SheetLayoutAsk,
  iterations: number,
  tell: (progress: AnyLayoutProgress) => void = () => undefined,
): { layout: Layout; bound: number; iterations: number } {
  const room = roomOf(ask);
  const times = WORK_STYLES[ask.style].halves === null ? 1 : 2;
  const found = anyLayout({ ...room, iterations }, (p) => {
    tell({ ...p, count: p.count * times, bound: p.bound * times });
  });
  const cells = cellsOf(ask, blocksOf(found.places, room.pieceWidth, room.pieceHeight));
  return {
    layout: { sheetMm: ask.sheetMm, cells, gripperMm: ask.gripperMm, proved: found.count === found.bound },
    bound: found.bound * times,
    iterations: found.iterations,
  };
}
