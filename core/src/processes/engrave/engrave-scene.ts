import type { Scene } from '../../scene/scene';
import type { ConsumeContext } from '../process';
import { imageOf } from './die-image';

/** A die from above and from the side: metal, and the image that stands up from it, mirrored. */
export function dieScene(cx: ConsumeContext): Scene {
  const [part] = cx.parts;
  const { face, widthMm, heightMm } = imageOf(cx);
  const [w, h] = [part?.widthMm ?? widthMm, part?.heightMm ?? heightMm];
  const [x, y] = [(w - widthMm) / 2, (h - heightMm) / 2];
  const thick = Math.max((cx.stock?.caliperUm ?? 0) / 1000, 2);
  const text = Math.max(w, h) / 14;
  const side = h + text * 2.4;
  return {
    title: 'die',
    says: `A die of ${w} by ${h} millimetres with a raised, mirrored image of ${widthMm} by ${heightMm}: ${face}.`,
    box: { x: -text, y: -text, w: w + 2 * text, h: side + thick + text * 3 },
    toScale: true,
    shapes: [
      { kind: 'rect', role: 'unit', x: 0, y: 0, w, h, ref: 'metal' },
      { kind: 'rect', role: 'foil', x, y, w: widthMm, h: heightMm, ref: 'image' },
      { kind: 'rect', role: 'unit', x: 0, y: side + thick / 3, w, h: (thick * 2) / 3, ref: 'body' },
      { kind: 'rect', role: 'foil', x, y: side, w: widthMm, h: thick / 3, ref: 'raised' },
      { kind: 'text', role: 'label', x: 0, y: side + thick + text * 1.6, text: `${face}, mirrored`, sizeMm: text },
    ],
  };
}
