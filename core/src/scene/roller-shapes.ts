import type { Shape } from './scene';

/** A body as it is drawn. */
interface Body {
  faceMm: number;
  bandMm: number;
  hollow: boolean;
  name: string;
}

/** A body from the side with its shafts, its face, and the band that is engraved; y is where its axis lies. */
export function bodyShapes({ faceMm, bandMm, hollow, name }: Body, diameterMm: number, y: number): Shape[] {
  const top = y - diameterMm / 2;
  const shaft = diameterMm * (hollow ? 0.35 : 0.5);
  const ends: Shape[] = hollow
    ? [0, faceMm].map((x): Shape => ({ kind: 'circle', role: 'core', cx: x, cy: y, r: shaft / 2 }))
    : [
        { kind: 'rect', role: 'core', x: -diameterMm, y: y - shaft / 2, w: diameterMm, h: shaft },
        { kind: 'rect', role: 'core', x: faceMm, y: y - shaft / 2, w: diameterMm, h: shaft },
      ];
  return [
    ...ends,
    { kind: 'rect', role: 'roll', x: 0, y: top, w: faceMm, h: diameterMm, ref: 'face' },
    { kind: 'rect', role: 'copy', x: (faceMm - bandMm) / 2, y: top, w: bandMm, h: diameterMm, ref: 'band' },
    { kind: 'text', role: 'strong', x: faceMm / 2, y: y + diameterMm / 12, text: name, sizeMm: diameterMm / 4, anchor: 'middle' },
  ];
}

/** The same with its dimensions: face, band, and beside the shaft what its diameter says; each carries the key of what it shows. */
export function bodyMeasured(body: Body, diameterMm: number, refs: { face: string; band: string; diameter: string }): Shape[] {
  const { faceMm, bandMm } = body;
  const away = diameterMm / 2 + Math.max(diameterMm, faceMm / 6) / 6;
  const [begin, beside] = [(faceMm - bandMm) / 2, -2.4 * diameterMm];
  return [
    ...bodyShapes(body, diameterMm, 0),
    { kind: 'line', role: 'dimension', x1: 0, y1: away, x2: faceMm, y2: away, ref: refs.face },
    { kind: 'line', role: 'dimension', x1: begin, y1: -away, x2: begin + bandMm, y2: -away, ref: refs.band },
    { kind: 'line', role: 'dimension', x1: beside, y1: -diameterMm / 2, x2: beside, y2: diameterMm / 2, ref: refs.diameter },
  ];
}
