import type { Shape } from './scene';

/** A body from the side with its shafts, its face, and the band that is engraved; y is where its axis lies. */
export function bodyShapes(
  roller: { faceMm: number; bandMm: number; hollow: boolean; name: string },
  diameterMm: number,
  y: number,
): Shape[] {
  const { faceMm, bandMm, hollow, name } = roller;
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
