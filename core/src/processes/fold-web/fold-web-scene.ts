import { boxAround, type Scene, type Shape } from '../../scene/scene';
import type { ConsumeContext } from '../process';
import { foldWebPass } from './fold-web-pass';

/** The web's way: roll, units above and below it, dryer, former, jaw and chopper, the sections that come out. */
export function foldWebScene(cx: ConsumeContext): Scene {
  const { prints } = foldWebPass(cx);
  const most = Math.max(1, ...prints.map((p) => p.inks.length));
  const [step, y] = [46, 70];
  const shapes: Shape[] = [
    { kind: 'circle', role: 'roll', cx: 0, cy: y + 24, r: 26 },
    { kind: 'circle', role: 'core', cx: 0, cy: y + 24, r: 5 },
    { kind: 'text', role: 'label', x: 0, y: y + 66, text: 'roll', sizeMm: 9, anchor: 'middle' },
  ];
  const first = 44;
  prints.forEach(({ side, inks }, row) => {
    inks.forEach((ink, i) => {
      const x = first + i * step;
      const top = row === 0 ? y - 46 : y + 6;
      shapes.push(
        { kind: 'rect', role: 'unit', x, y: top, w: 36, h: 40, ref: `unit ${i + 1}, ${side}` },
        { kind: 'circle', role: 'ink', ink, cx: x + 18, cy: row === 0 ? top + 26 : top + 14, r: 10 },
        { kind: 'text', role: 'inkName', x: x + 18, y: row === 0 ? top - 4 : top + 52, text: ink, sizeMm: 9, anchor: 'middle' },
      );
    });
  });
  const stations = ['dryer', 'former', 'jaw', 'chopper', 'sections'];
  const start = first + most * step + 8;
  stations.forEach((name, i) => {
    const x = start + i * 58;
    shapes.push({ kind: 'rect', role: i === 0 ? 'lamp' : 'unit', x, y: y - 22, w: 48, h: 44, ref: name });
    shapes.push({ kind: 'text', role: 'strong', x: x + 24, y: y + 38, text: name, sizeMm: 9, anchor: 'middle' });
  });
  shapes.push({ kind: 'line', role: 'web', x1: 0, y1: y, x2: start + stations.length * 58 - 10, y2: y });
  return {
    title: 'web path',
    says: `Roll, ${prints.map((p) => `${p.side} ${p.inks.join(', ')}`).join('; ')}, dryer, former, jaw, chopper; ${(cx.layout?.imposed?.sections ?? []).map((s) => s.name).join(', ')} come out.`,
    box: boxAround(shapes, 12),
    toScale: false,
    shapes,
  };
}
