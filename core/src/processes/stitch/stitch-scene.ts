import { idOf } from '../../quantity/id-of';
import { boxAround, type Scene, type Shape } from '../../scene/scene';
import { foliosSay } from '../../signature/folios';
import type { ConsumeContext } from '../process';
import { feederOrder } from './gathered';

/** The chain: feeder after feeder drops a section over what rides on it, the innermost first; then stitch and knives. */
export function stitchScene(cx: ConsumeContext): Scene {
  const order = feederOrder(cx);
  const shapes: Shape[] = [];
  const [step, tall] = [54, 56];
  const y = tall;
  order.forEach(({ section }, i) => {
    const x = i * step;
    shapes.push({ kind: 'rect', role: 'unit', x: x + 4, y: 0, w: step - 14, h: 24, ref: `feeder ${i + 1}` });
    shapes.push({ kind: 'text', role: 'strong', x: x + step / 2 - 3, y: 10, text: String(i + 1), sizeMm: 8, anchor: 'middle' });
    shapes.push({ kind: 'text', role: 'label', x: x + step / 2 - 3, y: 20, text: section.name, sizeMm: 7.5, anchor: 'middle' });
    shapes.push({ kind: 'line', role: 'arrow', x1: x + step / 2 - 3, y1: 26, x2: x + step / 2 - 3, y2: 38 });
    // Sheets astride the chain: one tent over the other, the newest outside.
    for (let s = 0; s <= i; s++) {
      const out = 5 + s * 3.2;
      shapes.push({
        kind: 'path',
        role: s === i ? 'copy' : 'fold',
        points: [
          [x + step / 2 - 3 - out, y + 10 + s],
          [x + step / 2 - 3, y - s * 3.2],
          [x + step / 2 - 3 + out, y + 10 + s],
        ],
        closed: false,
        ref: `section ${s + 1}`,
      });
    }
    shapes.push({
      kind: 'text',
      role: 'label',
      x: x + step / 2 - 3,
      y: y + 26,
      text: foliosSay(section.pages),
      sizeMm: 6.5,
      anchor: 'middle',
    });
  });
  const end = order.length * step;
  shapes.push({ kind: 'line', role: 'arrow', x1: 0, y1: y + 14, x2: end + 110, y2: y + 14 });
  for (const [i, text] of ['stitch', 'trim'].entries()) {
    const x = end + i * 56;
    shapes.push({ kind: 'rect', role: 'unit', x, y: 8, w: 46, h: 34, ref: text });
    shapes.push({ kind: 'text', role: 'strong', x: x + 23, y: 28, text, sizeMm: 8, anchor: 'middle' });
  }
  const closed = Math.round(cx.ledger.value(idOf(cx.id, 'closedMm')) * 100) / 100;
  shapes.push({ kind: 'text', role: 'label', x: end, y: y + 26, text: `closed ${closed} mm`, sizeMm: 6 });
  return {
    title: 'gathering chain',
    says: `${order.length} feeders, the innermost first: ${order.map((o) => `${o.section.name} pages ${foliosSay(o.section.pages)}`).join('; ')}. Then stitched and trimmed, ${closed} millimetres thick.`,
    box: boxAround(shapes, 8),
    toScale: false,
    shapes,
  };
}
