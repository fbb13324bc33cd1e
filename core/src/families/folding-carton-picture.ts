import { cartonDieLine } from '../product/die-line/carton';
import type { CartonAsk } from '../product/die-line/carton-ask';
import { pathBox, type Point, turnedAtOrigin } from '../product/die-line/points';
import { type Scene, type Shape, boxAround } from '../scene/scene';

/** How far the depth is seen to the right and upwards, for each millimetre of it. */
const DEPTH = { across: 0.55, up: 0.38 } as const;

/** The carton standing open, its inside sizes on its edges, and the flat blank beside it. */
export function foldingCartonPicture(ask: CartonAsk): Scene {
  const { style, lengthMm: l, widthMm: w, heightMm: h } = ask;
  const text = Math.max(l, w, h) / 12;
  const corner = (x: number, depth: number, up: number): [number, number] => [x + depth * DEPTH.across, -up - depth * DEPTH.up];
  const face = (points: [number, number][], ref: string): Shape => ({ kind: 'path', role: 'copy', points, closed: true, ref });
  const shapes: Shape[] = [
    face([corner(0, w, 0), corner(l, w, 0), corner(l, w, h), corner(0, w, h)], 'back'),
    face([corner(0, 0, 0), corner(0, w, 0), corner(0, w, h), corner(0, 0, h)], 'side'),
    face([corner(0, 0, 0), corner(l, 0, 0), corner(l, 0, h), corner(0, 0, h)], 'front'),
    face([corner(l, 0, 0), corner(l, w, 0), corner(l, w, h), corner(l, 0, h)], 'side'),
  ];
  // A lid stands open behind, its tuck leaning forward.
  if (style !== 'sleeve' && style !== 'tray')
    shapes.push(
      face([corner(0, w, h), corner(l, w, h), corner(l, w * 1.15, h + w * 0.8), corner(0, w * 1.15, h + w * 0.8)], 'lid'),
      face(
        [
          corner(0, w * 1.15, h + w * 0.8),
          corner(l, w * 1.15, h + w * 0.8),
          corner(l, w * 0.95, h + w * 0.8 + (ask.tuckMm ?? 15)),
          corner(0, w * 0.95, h + w * 0.8 + (ask.tuckMm ?? 15)),
        ],
        'tuck',
      ),
    );
  shapes.push(
    { kind: 'line', role: 'dimension', x1: 0, y1: text * 1.4, x2: l, y2: text * 1.4, ref: 'lengthMm' },
    {
      kind: 'line',
      role: 'dimension',
      x1: l + text * 3,
      y1: -text,
      x2: l + text * 3 + w * DEPTH.across,
      y2: -text - w * DEPTH.up,
      ref: 'widthMm',
    },
    { kind: 'line', role: 'dimension', x1: -text * 1.4, y1: 0, x2: -text * 1.4, y2: -h, ref: 'heightMm' },
  );
  shapes.push(...blank(ask, l + w * DEPTH.across + text * 9, text));
  return {
    title: 'finished product',
    says: `Carton, inside ${l} by ${w} by ${h} millimetres, standing open; beside it its flat blank.`,
    box: boxAround(shapes, text * 2.4),
    toScale: false,
    shapes,
  };
}

/** The flat blank, as high as the carton stands. */
function blank(ask: CartonAsk, left: number, text: number): Shape[] {
  const die = cartonDieLine(ask);
  const [wide, high] = pathBox(die.outline);
  const scale = (ask.heightMm + ask.widthMm * 1.4) / high;
  const at = (points: readonly Point[]): [number, number][] =>
    turnedAtOrigin(points, 0, die.outline).map(([x, y]) => [left + x * scale, -y * scale]);
  return [
    { kind: 'path', role: 'copy', points: at(die.outline), closed: true, ref: 'blank' },
    ...die.slits.map((s): Shape => ({ kind: 'path', role: 'cut', points: at(s), closed: false })),
    ...die.creases.map((c): Shape => ({ kind: 'path', role: 'fold', points: at([c.from, c.to]), closed: false })),
    {
      kind: 'text',
      role: 'label',
      x: left,
      y: text * 1.4,
      text: `blank ${Math.round(wide * 10) / 10} × ${Math.round(high * 10) / 10} mm`,
      sizeMm: text * 0.9,
    },
  ];
}
