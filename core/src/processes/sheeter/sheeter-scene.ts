import { type Scene, type Shape, boxAround } from '../../scene/scene';
import type { ConsumeContext } from '../process';

const MOST_LINES = 80;

/** One sheet to scale: its pieces, perforations, slits in the liner. */
export function sheetScene(cx: ConsumeContext): Scene {
  const part = cx.parts[0];
  const form = cx.layout?.web;
  if (!part?.traits?.web || !form)
    return { title: 'sheet', says: 'No sheet yet.', box: { x: 0, y: 0, w: 100, h: 60 }, toScale: false, shapes: [] };
  const [w, h] = form.sheetMm;
  const { across, along, gapMm, edgeMm, perforated, backSlitMm } = part.traits.web;
  const text = Math.max(w, h) / 24;
  const shapes: Shape[] = [{ kind: 'rect', role: 'sheet', x: 0, y: 0, w, h, ref: 'sheet' }];
  const rowMm = (h - 2 * edgeMm + gapMm) / along;
  if (across * along <= 400)
    for (let j = 0; j < along; j++)
      for (let i = 0; i < across; i++)
        shapes.push({
          kind: 'rect',
          role: 'copy',
          x: edgeMm + i * (part.widthMm + gapMm),
          y: edgeMm + j * rowMm,
          w: part.widthMm,
          h: part.heightMm,
          ref: `piece ${j * across + i + 1}`,
        });
  if (perforated) {
    for (let i = 1; i < Math.min(across, MOST_LINES); i++) {
      const x = edgeMm + i * (part.widthMm + gapMm) - gapMm / 2;
      shapes.push({ kind: 'line', role: 'perforation', x1: x, y1: 0, x2: x, y2: h, ref: 'perforation' });
    }
    for (let j = 1; j < Math.min(along, MOST_LINES); j++) {
      const y = edgeMm + j * rowMm - gapMm / 2;
      shapes.push({ kind: 'line', role: 'perforation', x1: 0, y1: y, x2: w, y2: y, ref: 'perforation' });
    }
  }
  if (backSlitMm !== null)
    for (let x = backSlitMm; x < w && x / backSlitMm < MOST_LINES; x += backSlitMm)
      shapes.push({ kind: 'line', role: 'cut', x1: x, y1: -text * 0.6, x2: x, y2: h + text * 0.6, ref: 'slit in the liner' });
  shapes.push(
    { kind: 'text', role: 'label', x: w / 2, y: h + text * 1.9, text: `${round(w)} × ${round(h)} mm`, sizeMm: text, anchor: 'middle' },
    { kind: 'text', role: 'label', x: 0, y: -text * 0.9, text: `${across} × ${along} pieces`, sizeMm: text },
  );
  return {
    title: 'sheet',
    says: `Sheet ${round(w)} by ${round(h)} millimetres with ${across} by ${along} pieces${perforated ? ', perforated between them' : ''}${backSlitMm === null ? '' : `, liner slit every ${backSlitMm} millimetres`}.`,
    box: boxAround(shapes, text * 1.6),
    toScale: true,
    shapes,
  };
}
const round = (x: number): number => Math.round(x * 10) / 10;
