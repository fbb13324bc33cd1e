import type { Scene, Shape } from '../../scene/scene';
import type { ConsumeContext } from '../process';
import { caliperUmOf } from '../stock-terms';

export function stackScene(cx: ConsumeContext): Scene {
  const sheets = cx.parts[0]?.traits?.web?.sheetsAStack ?? 1;
  const heightMm = (sheets * caliperUmOf(cx)) / 1000;
  const [w] = cx.layout?.web?.sheetMm ?? [200];
  const layers = Math.min(sheets, 24);
  const high = Math.max(heightMm, 8);
  const shapes: Shape[] = Array.from({ length: layers }, (_, i): Shape => ({
    kind: 'rect',
    role: 'pile',
    x: 0,
    y: (high * i) / layers,
    w,
    h: high / layers,
  }));
  if (cx.parts[0]?.traits?.web?.wrapped) shapes.push({ kind: 'rect', role: 'band', x: -4, y: -4, w: w + 8, h: high + 8, ref: 'film' });
  const text = w / 22;
  shapes.push({
    kind: 'text',
    role: 'label',
    x: 0,
    y: high + text * 2,
    text: `${sheets} sheets, ${Math.round(heightMm * 10) / 10} mm high`,
    sizeMm: text,
  });
  return {
    title: 'stack',
    says: `${sheets} sheets a stack, ${Math.round(heightMm * 10) / 10} millimetres high.`,
    box: { x: -w * 0.06, y: -w * 0.06, w: w * 1.12, h: high + text * 3 + w * 0.06 },
    toScale: true,
    shapes,
  };
}
