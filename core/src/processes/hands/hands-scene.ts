import type { Scene, Shape } from '../../scene/scene';
import type { ConsumeContext } from '../process';
import { type Motion, termValue } from './motion';

/** People at the bench, what each piece gets, and the seconds as bars to one scale. */
export function handsScene(cx: ConsumeContext, motions: Motion[], people: number): Scene {
  const shapes: Shape[] = [];
  const shown = Math.min(people, 12);
  for (let i = 0; i < shown; i++)
    shapes.push(
      { kind: 'circle', role: 'person', cx: 18 + i * 30, cy: 14, r: 7, ref: `person ${i + 1}` },
      {
        kind: 'path',
        role: 'person',
        points: [
          [8 + i * 30, 40],
          [12 + i * 30, 25],
          [24 + i * 30, 25],
          [28 + i * 30, 40],
        ],
        closed: true,
      },
    );
  shapes.push({ kind: 'rect', role: 'pallet', x: 0, y: 42, w: Math.max(shown * 30 + 6, 200), h: 5 });
  const total = Math.max(...motions.map((m) => termValue(cx, m.seconds)), 1);
  motions.forEach((m, i) => {
    const y = 64 + i * 24;
    const s = termValue(cx, m.seconds);
    shapes.push(
      { kind: 'rect', role: 'bar', x: 0, y, w: (240 * s) / total, h: 12, ref: m.name },
      { kind: 'text', role: 'strong', x: 4, y: y + 9.5, text: `${m.name}, ${Math.round(s * 10) / 10} s`, sizeMm: 9 },
    );
  });
  return {
    title: 'hands',
    says: `${people} people; each piece: ${motions.map((m) => `${m.name} ${termValue(cx, m.seconds)} seconds`).join(', ')}`,
    box: { x: -6, y: 0, w: Math.max(shown * 30 + 18, 262), h: 72 + motions.length * 24 },
    toScale: false,
    shapes,
  };
}
