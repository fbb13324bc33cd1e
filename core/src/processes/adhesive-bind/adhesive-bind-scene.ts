import { idOf } from '../../quantity/id-of';
import { boxAround, type Scene, type Shape } from '../../scene/scene';
import { foliosSay } from '../../signature/folios';
import type { ConsumeContext } from '../process';
import { booksACycle, type Hopper, hopperOrder } from '../hoppers';

const STEP = 40;
const IN_A_ROW = 10;

const LINE = ['clamp', 'glue', 'cover', 'cool'] as const;

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

/** Hopper after hopper in the order of the book, the marks stepping down; then clamp, glue, cover, conveyor. */
export function binderScene(cx: ConsumeContext): Scene {
  const order = hopperOrder(cx);
  const shapes: Shape[] = order.flatMap((hopper, i) => hopperShapes(hopper, (i % IN_A_ROW) * STEP, Math.floor(i / IN_A_ROW) * 84));
  const rows = Math.max(Math.ceil(order.length / IN_A_ROW), 1);
  const y = rows * 84 + 6;
  const wide = Math.min(order.length, IN_A_ROW) * STEP;
  LINE.forEach((text, i) => {
    const x = i * 62;
    shapes.push({ kind: 'rect', role: 'unit', x, y, w: 50, h: 26, ref: text });
    shapes.push({ kind: 'text', role: 'strong', x: x + 25, y: y + 16, text, sizeMm: 8, anchor: 'middle' });
    if (i > 0) shapes.push({ kind: 'line', role: 'arrow', x1: x - 12, y1: y + 13, x2: x, y2: y + 13 });
  });
  const spine = Math.round(cx.ledger.value(idOf(cx.id, 'spineMm')) * 100) / 100;
  const says = booksACycle(cx) === 2 ? 'two books as one length' : 'one book';
  shapes.push({ kind: 'text', role: 'label', x: 0, y: y + 40, text: `${says}, spine ${spine} mm`, sizeMm: 9 });
  return {
    title: 'gatherer and binder',
    says: `${order.length} hoppers: ${order.map((h) => `${h.position} ${h.section.name}${h.isTurned ? ' turned end for end' : ''}, pages ${foliosSay(h.pages)}`).join('; ')}. ${says}, spine ${spine} millimetres.`,
    box: boxAround([...shapes, { kind: 'rect', role: 'usable', x: 0, y: 0, w: wide, h: 1 }], 8),
    toScale: false,
    shapes,
  };
}
