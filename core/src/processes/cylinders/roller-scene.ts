import { bodyMeasured, bodyShapes } from '../../scene/roller-shapes';
import { boxAround, type Scene, type Shape } from '../../scene/scene';
import type { Roller } from '../../product/roller';
import { formatNumber } from '../../words/format';
import type { ConsumeContext } from '../process';
import { rollersOf } from './rollers';

/** A body from the side, with its dimensions and what one turn of it prints. */
function bodyScene(roller: Roller, diameterMm: number, turnMm: number): Scene {
  const sizeMm = Math.max(diameterMm, roller.faceMm / 6) / 6;
  const y = diameterMm / 2 + 2.6 * sizeMm;
  const shapes: Shape[] = [
    ...bodyMeasured(roller, diameterMm, { face: 'face', band: 'band', diameter: 'diameter' }),
    { kind: 'text', role: 'label', x: 0, y, text: `one turn ${formatNumber(turnMm, 3)} mm`, sizeMm, anchor: 'start' },
  ];
  return {
    title: 'cylinder',
    says: `A cylinder with a face of ${roller.faceMm} millimetres and a band of ${roller.bandMm}, ${formatNumber(diameterMm, 3)} across.`,
    box: boxAround(shapes, sizeMm * 2),
    toScale: true,
    shapes,
  };
}

/** The bodies of a run from the side, one above the other. */
export function rollerScene(cx: ConsumeContext): Scene {
  const all = rollersOf(cx).map(({ roller }) => ({ roller, mm: cx.ledger.value(roller.figures.diameterMm) }));
  const [only, ...more] = all;
  if (only && more.length === 0) return bodyScene(only.roller, only.mm, cx.ledger.value(only.roller.figures.turnMm));
  const pitch = 1.4 * Math.max(0, ...all.map((r) => r.mm));
  const shapes = all.flatMap(({ roller, mm }, i) => bodyShapes(roller, mm, i * pitch));
  return {
    title: 'cylinders',
    says: `${all.length} bodies, one above the other: ${all.map((r) => r.roller.name).join(', ')}.`,
    box: boxAround(shapes, pitch / 4),
    toScale: true,
    shapes,
  };
}
