import { type Scene, type Shape, boxAround } from '../scene/scene';
import type { FoldedCardWish } from './folded-card-wish';

/** The card standing half open: panels lean to and fro, foil areas lie on the first, dimension lines around. */
export function foldedCardPicture(wish: FoldedCardWish): Scene {
  const [w, h, folds] = [wish.openWidthMm ?? 296, wish.openHeightMm ?? 148, wish.folds ?? 1];
  const panels = folds + 1;
  const panel = (wish.foldedWidthMm ?? w / panels) * (folds > 0 ? 0.94 : 1);
  const lean = folds > 0 ? h * 0.09 : 0;
  const shapes: Shape[] = [];
  for (let i = panels - 1; i >= 0; i--) {
    const [left, right] = [i * panel, (i + 1) * panel];
    const [dl, dr] = [i % 2 === 0 ? 0 : -lean, i % 2 === 0 ? -lean : 0];
    const [down, up] = folds > 0 ? [dl, dr] : [0, 0];
    shapes.push({
      kind: 'path',
      role: 'copy',
      points: [
        [left, down],
        [right, up],
        [right, h + up],
        [left, h + down],
      ],
      closed: true,
      ref: `panel ${i + 1}`,
    });
    if (i > 0) shapes.push({ kind: 'line', role: 'fold', x1: left, y1: down, x2: left, y2: h + down });
  }
  Object.values(wish.foils ?? {})
    .slice(0, 3)
    .forEach((f, i) => {
      const width = Math.min(f.widthMm, panel * 0.8);
      const height = Math.min(f.heightMm, h * 0.5);
      const x = (panel - width) / 2;
      const y = h * 0.22 + i * h * 0.22;
      const slope = folds > 0 ? -lean / panel : 0;
      shapes.push({
        kind: 'path',
        role: 'strike',
        points: [
          [x, y + x * slope],
          [x + width, y + (x + width) * slope],
          [x + width, y + height + (x + width) * slope],
          [x, y + height + x * slope],
        ],
        closed: true,
        ref: `foil ${f.name}`,
      });
    });
  const away = Math.max(w, h) * 0.07;
  const end = panels * panel;
  shapes.push({ kind: 'line', role: 'dimension', x1: 0, y1: h + away, x2: end, y2: h + away, ref: 'openWidthMm' });
  for (const x of [0, end]) shapes.push({ kind: 'line', role: 'dimension', x1: x, y1: h + away * 0.6, x2: x, y2: h + away * 1.4 });
  shapes.push({ kind: 'line', role: 'dimension', x1: -away, y1: 0, x2: -away, y2: h, ref: 'openHeightMm' });
  for (const y of [0, h]) shapes.push({ kind: 'line', role: 'dimension', x1: -away * 1.4, y1: y, x2: -away * 0.6, y2: y });
  if (folds > 0)
    shapes.push({ kind: 'line', role: 'dimension', x1: 0, y1: -lean - away * 0.8, x2: panel, y2: -lean - away * 0.8, ref: 'folds' });
  return {
    title: 'finished product',
    says: `Card, open ${w} by ${h} millimetres, ${folds} ${folds === 1 ? 'fold' : 'folds'}.`,
    box: boxAround(shapes, Math.max(w, h) * 0.12),
    toScale: false,
    shapes,
  };
}
