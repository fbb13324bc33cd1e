import { type Scene, type Shape, boxAround } from '../../scene/scene';
import { foldedWidthOf, foldsOf } from '../../product/folds';
import type { ConsumeContext } from '../process';
import { isScored } from './is-scored';

/** The open piece with its folds, and the folded piece seen on edge. */
export function foldScene(cx: ConsumeContext): Scene {
  const part = cx.parts[0];
  if (!part) return { title: 'fold', says: 'Nothing to fold.', box: { x: 0, y: 0, w: 100, h: 60 }, toScale: false, shapes: [] };
  const { widthMm: w, heightMm: h } = part;
  const [folds, folded] = [foldsOf(part), foldedWidthOf(part)];
  const text = Math.max(w, h) / 26;
  const shapes: Shape[] = [{ kind: 'rect', role: 'copy', x: 0, y: 0, w, h, ref: 'open' }];
  for (let f = 1; f <= folds; f++) {
    const at = (w * f) / (folds + 1);
    shapes.push({
      kind: 'line',
      role: isScored(cx) ? 'score' : 'fold',
      x1: at,
      y1: -text * 0.5,
      x2: at,
      y2: h + text * 0.5,
      ref: `fold ${f}`,
    });
    shapes.push({
      kind: 'text',
      role: 'label',
      x: at,
      y: -text * 0.9,
      text: `${isScored(cx) ? 'score, ' : ''}fold ${f} at ${Math.round(at * 10) / 10}`,
      sizeMm: text,
      anchor: 'middle',
    });
  }
  const x0 = w + text * 4;
  shapes.push(
    { kind: 'rect', role: 'copy', x: x0, y: 0, w: folded, h, ref: 'folded' },
    {
      kind: 'text',
      role: 'label',
      x: x0 + folded / 2,
      y: h + text * 1.6,
      text: `folded ${Math.round(folded * 10) / 10} × ${h} mm`,
      sizeMm: text,
      anchor: 'middle',
    },
  );
  shapes.push(
    { kind: 'line', role: 'arrow', x1: w + text * 0.8, y1: h / 2, x2: x0 - text * 0.8, y2: h / 2 },
    { kind: 'text', role: 'label', x: w / 2, y: h + text * 1.6, text: `open ${w} × ${h} mm`, sizeMm: text, anchor: 'middle' },
  );
  // Zigzag on edge: panels one on the other.
  const edge: [number, number][] = Array.from({ length: folds + 2 }, (_, i) => [
    x0 + (i % 2 === 0 ? 0 : folded),
    h + text * 3 + i * text * 0.8,
  ]);
  shapes.push({ kind: 'path', role: 'arrow', points: edge, closed: false, ref: 'edge' });
  return {
    title: 'folds',
    says: `Open ${w} by ${h} millimetres, ${folds} parallel folds${isScored(cx) ? ', scored first' : ''}, folded ${folded} by ${h}.`,
    box: boxAround(shapes, text * 1.8),
    toScale: true,
    shapes,
  };
}
