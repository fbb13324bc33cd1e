import { idOf } from '../../quantity/id-of';
import { boxAround, type Scene } from '../../scene/scene';
import { hoppersDrawn, hoppersSay } from '../gatherer-scene';
import { booksACycle } from '../hoppers';
import type { ConsumeContext } from '../process';

const LINE = ['clamp', 'glue', 'cover', 'cool'] as const;

/** Hopper after hopper in the order of the book, the marks stepping down; then clamp, glue, cover, conveyor. */
export function binderScene(cx: ConsumeContext): Scene {
  const { order, shapes, wide, high } = hoppersDrawn(cx);
  const y = high + 6;
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
    says: `${hoppersSay(order)} ${says}, spine ${spine} millimetres.`,
    box: boxAround([...shapes, { kind: 'rect', role: 'usable', x: 0, y: 0, w: wide, h: 1 }], 8),
    toScale: false,
    shapes,
  };
}
