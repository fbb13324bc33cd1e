import { type Scene, type Shape, boxAround } from '../scene/scene';
import type { FoilDieWish } from './foil-die-wish';

const MARGIN_MM = 5;
/** Right-reading artwork stands mirrored on a die, so that it strikes the right way round. */
export function foilDiePicture(wish: FoilDieWish): Scene {
  const [w, h] = [wish.widthMm ?? 40, wish.heightMm ?? 40];
  const text = Math.max(w, h) / 9;
  const shapes: Shape[] = [
    { kind: 'rect', role: 'unit', x: -MARGIN_MM, y: -MARGIN_MM, w: w + 2 * MARGIN_MM, h: h + 2 * MARGIN_MM, ref: 'metal' },
    { kind: 'rect', role: 'foil', x: 0, y: 0, w, h, ref: 'image' },
    { kind: 'text', role: 'strong', x: w / 2, y: h / 2 + text / 3, text: wish.face ?? '', sizeMm: text, anchor: 'middle' },
    { kind: 'line', role: 'dimension', x1: 0, y1: -MARGIN_MM - text, x2: w, y2: -MARGIN_MM - text, ref: 'widthMm' },
    { kind: 'line', role: 'dimension', x1: -MARGIN_MM - text, y1: 0, x2: -MARGIN_MM - text, y2: h, ref: 'heightMm' },
  ];
  return {
    title: 'finished product',
    says: `A die for hot foil, its image ${w} by ${h} millimetres.`,
    box: boxAround(shapes, text * 2),
    toScale: true,
    shapes,
  };
}
