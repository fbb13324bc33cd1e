import { boxAround, type Scene, type Shape } from '../scene/scene';
import type { CardField } from './machine-card';
import type { PackCard } from './plant';

/** Everything of a carton's or pallet's card that a person may set; its sides stand on the drawing. */
export const PACK_FIELDS: readonly CardField[] = [
  { at: ['widthMm'], key: 'widthMm', kind: 'length', onDrawing: true },
  { at: ['depthMm'], key: 'depthMm', kind: 'length', onDrawing: true },
  { at: ['heightMm'], key: 'heightMm', kind: 'length', onDrawing: true },
  { at: ['name'], key: 'name', kind: 'text' },
  { at: ['emptyKg'], key: 'emptyKg', kind: 'number' },
  { at: ['price'], key: 'price', kind: 'number' },
];

/** A carton or pallet from above, and from the front below it, to one scale; dimension lines carry the keys of their fields. */
export function packScene(pack: PackCard): Scene {
  const { name, widthMm, depthMm, heightMm } = pack;
  const text = Math.max(widthMm, depthMm) / 14;
  const front = depthMm + text * 2;
  const shapes: Shape[] = [
    { kind: 'rect', role: 'carton', x: 0, y: 0, w: widthMm, h: depthMm, ref: 'from above' },
    { kind: 'rect', role: 'carton', x: 0, y: front, w: widthMm, h: heightMm, ref: 'from the front' },
    { kind: 'line', role: 'dimension', x1: 0, y1: -text, x2: widthMm, y2: -text, ref: 'widthMm' },
    { kind: 'line', role: 'dimension', x1: widthMm + text, y1: 0, x2: widthMm + text, y2: depthMm, ref: 'depthMm' },
    { kind: 'line', role: 'dimension', x1: widthMm + text, y1: front, x2: widthMm + text, y2: front + heightMm, ref: 'heightMm' },
  ];
  return {
    title: name,
    says: `${name}: ${widthMm} by ${depthMm} millimetres, ${heightMm} high.`,
    box: boxAround(shapes, text * 2),
    toScale: true,
    shapes,
  };
}
