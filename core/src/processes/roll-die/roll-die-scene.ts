import { type Scene, type Shape, boxAround } from '../../scene/scene';
import { copyPlaces } from '../../layout/layout';
import type { ConsumeContext } from '../process';
import { ofForm } from '../web-time';

const MOST_DRAWN = 400;

/** One repeat of the web to scale: the labels that stay, the matrix about them that goes. */
export function dieScene(cx: ConsumeContext): Scene {
  const [w, h] = [cx.stock?.widthMm ?? 1, cx.ledger.value(ofForm(cx, 'repeatMm'))];
  const text = Math.max(w, h) / 24;
  const shapes: Shape[] = [{ kind: 'rect', role: 'web', x: 0, y: 0, w, h, ref: 'matrix' }];
  if (cx.layout && cx.ledger.value(ofForm(cx, 'copiesUp')) <= MOST_DRAWN)
    for (const p of copyPlaces(cx.layout)) shapes.push({ kind: 'rect', role: 'copy', x: p.x, y: p.y, w: p.w, h: p.h, ref: 'label' });
  shapes.push({ kind: 'text', role: 'label', x: 0, y: h + text * 1.9, text: `web ${round(w)} mm, one turn ${round(h)} mm`, sizeMm: text });
  return {
    title: 'die',
    says: `One turn of the die on the web, ${round(w)} by ${round(h)} millimetres: labels stay, the matrix about them is drawn off.`,
    box: boxAround(shapes, text * 1.6),
    toScale: true,
    shapes,
  };
}
const round = (x: number): number => Math.round(x * 10) / 10;
