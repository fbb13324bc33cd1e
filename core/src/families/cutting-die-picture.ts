import { type Scene, type Shape, boxAround } from '../scene/scene';
import { type CuttingDieWish, USUAL_CUTTING_DIE } from './cutting-die-wish';

/** Board left around the sheet a die cuts, as the picture shows it. */
const MARGIN_MM = 20;

/** A cutting die from its ruled side: board, the sheet it cuts, and what it is for. */
export function cuttingDiePicture(wish: CuttingDieWish): Scene {
  const { sheetWidthMm: w, sheetHeightMm: h, places } = { ...USUAL_CUTTING_DIE, ...wish };
  const text = w / 26;
  const shapes: Shape[] = [
    { kind: 'rect', role: 'pallet', x: -MARGIN_MM, y: -MARGIN_MM, w: w + 2 * MARGIN_MM, h: h + 2 * MARGIN_MM, ref: 'board' },
    { kind: 'rect', role: 'cut', x: 0, y: 0, w, h, ref: 'sheet' },
    { kind: 'text', role: 'strong', x: w / 2, y: h / 2, text: wish.name ?? '', sizeMm: text, anchor: 'middle' },
    { kind: 'text', role: 'label', x: w / 2, y: h / 2 + 1.5 * text, text: `places: ${places}`, sizeMm: text, anchor: 'middle' },
    { kind: 'line', role: 'dimension', x1: 0, y1: -MARGIN_MM - text, x2: w, y2: -MARGIN_MM - text, ref: 'sheetWidthMm' },
    { kind: 'line', role: 'dimension', x1: -MARGIN_MM - text, y1: 0, x2: -MARGIN_MM - text, y2: h, ref: 'sheetHeightMm' },
  ];
  return {
    title: 'finished product',
    says: `A cutting die for a sheet of ${w} by ${h} millimetres with ${places} places.`,
    box: boxAround(shapes, text * 2),
    toScale: true,
    shapes,
  };
}
