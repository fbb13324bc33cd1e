import type { Scene, Shape } from '../../scene/scene';
import { dieTurned } from '../blank';
import type { DieLine } from './die-line';
import { pathBox, type Point } from './points';

/** One blank as a drawing at true size, as a die maker wants to see it. */
export function dieLineScene(name: string, die: DieLine): Scene {
  const { outline, slits, creases } = dieTurned(die, 0);
  const [w, h] = pathBox(outline);
  const at = (points: readonly Point[]): [number, number][] => points.map(([x, y]) => [x, h - y]);
  return {
    title: name,
    says: `Flat blank of ${name}, ${Math.round(w * 10) / 10} by ${Math.round(h * 10) / 10} millimetres, seen from its printed side.`,
    box: { x: 0, y: 0, w, h },
    toScale: true,
    shapes: [
      { kind: 'path', role: 'cut', points: at(outline), closed: true, ref: 'outline' },
      ...slits.map((s): Shape => ({ kind: 'path', role: 'cut', points: at(s), closed: false })),
      ...creases.map((c): Shape => ({ kind: 'path', role: 'score', points: at(c), closed: false })),
    ],
  };
}
