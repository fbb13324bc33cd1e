import type { Scene, Shape } from '../../scene/scene';
import type { ConsumeContext } from '../process';

export function bandScene(cx: ConsumeContext): Scene {
  const per = Math.min(cx.parts[0]?.traits?.packed?.perBand ?? 1, 24);
  const shapes: Shape[] = Array.from({ length: per }, (_, i): Shape => ({
    kind: 'rect',
    role: 'copy',
    x: 0,
    y: i * 7,
    w: 150,
    h: 6,
    ref: `piece ${i + 1}`,
  }));
  shapes.push(
    { kind: 'rect', role: 'band', x: 60, y: -3, w: 24, h: per * 7 + 5, ref: 'band' },
    {
      kind: 'text',
      role: 'label',
      x: 0,
      y: per * 7 + 18,
      text: `${cx.parts[0]?.traits?.packed?.perBand ?? 1} a band; the last one may be short`,
      sizeMm: 9,
    },
  );
  return {
    title: 'band',
    says: `${cx.parts[0]?.traits?.packed?.perBand ?? 1} pieces in a band.`,
    box: { x: -8, y: -10, w: 190, h: per * 7 + 36 },
    toScale: false,
    shapes,
  };
}
