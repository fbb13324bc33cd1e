import { boxAround, type Scene, type Shape } from '../scene/scene';
import { foliosSay } from '../signature/folios';
import { type Hopper, hopperOrder } from './hoppers';
import type { ConsumeContext } from './process';

const STEP = 40;
const IN_A_ROW = 10;
const ROW = 84;

/** A hopper: its number, what it drops, which way it lies, and the block's back with its mark. */
function hopperShapes({ position, section, isTurned, pages, markMm, part }: Hopper, x: number, y: number): Shape[] {
  const tall = 20;
  const at = y + 40 + (markMm / part.heightMm) * tall;
  const middle = x + STEP / 2 - 3;
  return [
    { kind: 'rect', role: 'unit', x, y, w: STEP - 6, h: 22, ref: `hopper ${position}` },
    { kind: 'text', role: 'strong', x: middle, y: y + 9, text: String(position), sizeMm: 8, anchor: 'middle' },
    { kind: 'text', role: 'label', x: middle, y: y + 18, text: foliosSay(pages), sizeMm: 7, anchor: 'middle' },
    { kind: 'text', role: 'label', x: middle, y: y + 30, text: isTurned ? 'turned' : '', sizeMm: 7, anchor: 'middle' },
    { kind: 'rect', role: 'copy', x: middle - 5, y: y + 38, w: 10, h: tall + 4, ref: section.name },
    { kind: 'rect', role: 'mark', x: middle - 5, y: at, w: 10, h: 1.6 },
  ];
}

/** Hopper after hopper in the order of the book, the marks stepping down; what they take of the drawing. */
export function hoppersDrawn(cx: ConsumeContext): { order: Hopper[]; shapes: Shape[]; wide: number; high: number } {
  const order = hopperOrder(cx);
  return {
    order,
    shapes: order.flatMap((hopper, i) => hopperShapes(hopper, (i % IN_A_ROW) * STEP, Math.floor(i / IN_A_ROW) * ROW)),
    wide: Math.min(order.length, IN_A_ROW) * STEP,
    high: Math.max(Math.ceil(order.length / IN_A_ROW), 1) * ROW,
  };
}
/** The hoppers in words. */
export const hoppersSay = (order: readonly Hopper[]): string =>
  `${order.length} hoppers: ${order.map((h) => `${h.position} ${h.section.name}${h.isTurned ? ' turned end for end' : ''}, pages ${foliosSay(h.pages)}`).join('; ')}.`;

/** A gatherer that stands alone. */
export function gathererScene(cx: ConsumeContext): Scene {
  const { order, shapes } = hoppersDrawn(cx);
  return { title: 'gatherer', says: hoppersSay(order), box: boxAround(shapes, 8), toScale: false, shapes };
}
