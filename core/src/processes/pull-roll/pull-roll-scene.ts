import { idOf } from '../../quantity/id-of';
import { type Scene, type Shape, boxAround } from '../../scene/scene';
import { rollDiameterMm } from '../../stock/roll';
import type { ConsumeContext } from '../process';
import { caliperUmOf } from '../stock-terms';
import { ofForm } from '../web-time';

/** The roll from the side, to scale, with core and diameter; beside it how it stands on the unwinder, with its width. */
export function rollScene(cx: ConsumeContext): Scene {
  const core = cx.stock?.coreMm ?? 76;
  const length = cx.ledger.value(ofForm(cx, 'rollLength'));
  const caliperUm = caliperUmOf(cx) || 100;
  const diameter = cx.stock?.rollDiameterMm ?? rollDiameterMm({ lengthM: length, coreMm: core, caliperUm });
  const width = cx.stock?.widthMm ?? 0;
  const r = diameter / 2;
  const text = Math.max(diameter, 200) / 18;
  const x0 = diameter + text * 4;
  const shapes: Shape[] = [
    { kind: 'circle', role: 'roll', cx: r, cy: r, r, ref: 'roll' },
    ...[0.82, 0.64, 0.46].map((k): Shape => ({ kind: 'circle', role: 'roll', cx: r, cy: r, r: core / 2 + (r - core / 2) * k })),
    { kind: 'circle', role: 'core', cx: r, cy: r, r: core / 2, ref: 'core' },
    { kind: 'line', role: 'dimension', x1: 0, y1: diameter + text, x2: diameter, y2: diameter + text, ref: 'diameter' },
    {
      kind: 'text',
      role: 'label',
      x: r,
      y: diameter + text * 2.4,
      text: `${round(diameter)} mm, core ${round(core)}`,
      sizeMm: text,
      anchor: 'middle',
    },
    { kind: 'rect', role: 'roll', x: x0, y: 0, w: width, h: diameter, ref: 'face' },
    { kind: 'rect', role: 'core', x: x0 - text, y: r - core / 2, w: text, h: core },
    { kind: 'rect', role: 'core', x: x0 + width, y: r - core / 2, w: text, h: core },
    { kind: 'line', role: 'dimension', x1: x0, y1: diameter + text, x2: x0 + width, y2: diameter + text, ref: 'width' },
    {
      kind: 'text',
      role: 'label',
      x: x0 + width / 2,
      y: diameter + text * 2.4,
      text: `${round(width)} mm`,
      sizeMm: text,
      anchor: 'middle',
    },
    {
      kind: 'text',
      role: 'strong',
      x: x0 + width / 2,
      y: r + text / 3,
      text: `${Math.round(length)} m a roll`,
      sizeMm: text,
      anchor: 'middle',
    },
  ];
  return {
    title: 'roll',
    says: `Roll of ${Math.round(length)} metres, ${round(width)} millimetres wide, diameter ${round(diameter)}, core ${round(core)}; ${cx.ledger.value(idOf(cx.id, 'rolls'))} rolls.`,
    box: boxAround(shapes, text * 1.4),
    toScale: true,
    shapes,
  };
}

const round = (x: number): number => Math.round(x * 10) / 10;
