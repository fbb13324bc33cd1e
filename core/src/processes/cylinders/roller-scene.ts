import { bodyShapes } from '../../scene/roller-shapes';
import { boxAround, type Scene, type Shape } from '../../scene/scene';
import type { Roller } from '../../product/roller';
import type { ConsumeContext } from '../process';
import { rollersOf } from './rollers';

/** A body seen from the side, with its dimensions. */
export function bodyScene(
  roller: Pick<Roller, 'faceMm' | 'bandMm' | 'hollow' | 'name'>,
  diameterMm: number,
  refs: { face: string; band: string; turn: string; turnMm: number },
): Scene {
  const { faceMm, bandMm } = roller;
  const text = Math.max(diameterMm, faceMm / 6) / 6;
  const [top, low] = [-diameterMm / 2 - text, diameterMm / 2 + text];
  const begin = (faceMm - bandMm) / 2;
  const shapes: Shape[] = [
    ...bodyShapes(roller, diameterMm, 0),
    { kind: 'line', role: 'dimension', x1: 0, y1: low, x2: faceMm, y2: low, ref: refs.face },
    { kind: 'line', role: 'dimension', x1: begin, y1: top, x2: begin + bandMm, y2: top, ref: refs.band },
    { kind: 'text', role: 'label', x: 0, y: low + 1.6 * text, text: `one turn ${refs.turnMm} mm`, sizeMm: text, anchor: 'start' },
    { kind: 'line', role: 'dimension', x1: -text, y1: -diameterMm / 2, x2: -text, y2: diameterMm / 2, ref: refs.turn },
  ];
  return {
    title: 'cylinder',
    says: `A cylinder with a face of ${faceMm} millimetres and a band of ${bandMm}, ${Math.round(diameterMm * 1000) / 1000} across.`,
    box: boxAround(shapes, text * 2),
    toScale: true,
    shapes,
  };
}

/** The bodies of a run from the side, one above the other. */
export function rollerScene(cx: ConsumeContext): Scene {
  const all = rollersOf(cx).map(({ roller }) => ({ roller, mm: cx.ledger.value(roller.figures.diameterMm) }));
  const [only, ...more] = all;
  if (only && more.length === 0) {
    const turnMm = Math.round(cx.ledger.value(only.roller.figures.turnMm) * 1000) / 1000;
    return bodyScene(only.roller, only.mm, { face: 'face', band: 'band', turn: 'diameter', turnMm });
  }
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
