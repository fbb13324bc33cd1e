import { type Scene, type Shape, boxAround } from '../scene/scene';
import { askedSheetMm } from '../layout/web-layout';
import { gapOf, type LabelSheetWish } from './label-sheet-wish';

const MOST_DRAWN = 300;

/** The sheet of labels lying flat, one label lifting off its corner; dimension lines on the first label. */
export function labelSheetPicture(wish: LabelSheetWish): Scene {
  const [w, h, across, along] = [wish.widthMm ?? 60, wish.heightMm ?? 40, wish.across ?? 4, wish.along ?? 6];
  const [gapMm, edgeMm] = [gapOf(wish, wish.bleedMm ?? 1.5), wish.edgeMm ?? 5];
  const [sheetW, sheetH] = askedSheetMm([w, h], { across, along, gapMm, edgeMm });
  const text = Math.max(sheetW, sheetH) / 16;
  const shapes: Shape[] = [{ kind: 'rect', role: 'sheet', x: 0, y: 0, w: sheetW, h: sheetH, ref: 'sheet' }];
  const labelAt = (i: number, j: number): [number, number] => [edgeMm + i * (w + gapMm), edgeMm + j * (h + gapMm)];
  if (across * along <= MOST_DRAWN)
    for (let j = 0; j < along; j++)
      for (let i = 0; i < across; i++) {
        if (i === across - 1 && j === 0) continue;
        const [x, y] = labelAt(i, j);
        shapes.push({ kind: 'rect', role: 'copy', x, y, w, h, ref: `label ${j * across + i + 1}` });
      }
  else shapes.push({ kind: 'rect', role: 'copy', x: edgeMm, y: edgeMm, w: sheetW - 2 * edgeMm, h: sheetH - 2 * edgeMm, ref: 'labels' });
  // The last label of the first row peels off: its free corner turned in.
  const [px, py] = labelAt(across - 1, 0);
  const peel = Math.min(w, h) * 0.45;
  shapes.push(
    {
      kind: 'path',
      role: 'copy',
      points: [
        [px, py],
        [px + w - peel, py],
        [px + w, py + peel],
        [px + w, py + h],
        [px, py + h],
      ],
      closed: true,
      ref: 'label',
    },
    {
      kind: 'path',
      role: 'piece',
      points: [
        [px + w - peel, py],
        [px + w - peel, py + peel],
        [px + w, py + peel],
      ],
      closed: true,
    },
  );
  const away = text * 2;
  shapes.push(
    { kind: 'line', role: 'dimension', x1: edgeMm, y1: -away, x2: edgeMm + w, y2: -away, ref: 'widthMm' },
    { kind: 'line', role: 'dimension', x1: -away, y1: edgeMm, x2: -away, y2: edgeMm + h, ref: 'heightMm' },
    { kind: 'line', role: 'dimension', x1: 0, y1: sheetH + away, x2: sheetW, y2: sheetH + away, ref: 'across' },
    { kind: 'line', role: 'dimension', x1: sheetW + away, y1: 0, x2: sheetW + away, y2: sheetH, ref: 'along' },
  );
  return {
    title: 'finished product',
    says: `Sheet of ${across} by ${along} labels, each ${w} by ${h} millimetres.`,
    box: boxAround(shapes, text * 1.8),
    toScale: false,
    shapes,
  };
}
