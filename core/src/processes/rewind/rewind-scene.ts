import { type Scene, type Shape, boxAround } from '../../scene/scene';
import type { ConsumeContext } from '../process';
import { CORE_MM, finishedRoll } from './finished-roll';

export function rewindScene(cx: ConsumeContext): Scene {
  const { widthMm, diameterMm, lengthM } = finishedRoll(cx);
  const [r, text] = [diameterMm / 2, Math.max(diameterMm, 80) / 12];
  const shapes: Shape[] = [
    { kind: 'circle', role: 'roll', cx: r, cy: r, r, ref: 'roll' },
    { kind: 'circle', role: 'core', cx: r, cy: r, r: CORE_MM / 2, ref: 'core' },
    { kind: 'rect', role: 'roll', x: diameterMm + text * 3, y: 0, w: widthMm, h: diameterMm, ref: 'face' },
    {
      kind: 'text',
      role: 'label',
      x: 0,
      y: diameterMm + text * 2,
      text: `diameter ${Math.round(diameterMm)} mm, ${Math.round(lengthM)} m, ${Math.round(widthMm * 10) / 10} mm wide`,
      sizeMm: text,
    },
  ];
  return {
    title: 'finished roll',
    says: `Finished roll of ${cx.parts[0]?.traits?.web?.piecesARoll ?? 1} pieces, ${Math.round(lengthM)} metres, diameter ${Math.round(diameterMm)} millimetres.`,
    box: boxAround(shapes, text),
    toScale: true,
    shapes,
  };
}
