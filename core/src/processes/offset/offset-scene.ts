import type { Scene, Shape } from '../../scene/scene';
import type { ConsumeContext } from '../process';
import { pressAbility, runSays } from '../press-inks';
import { passesOf, unitsOfPass } from './passes';

export function pressScene(cx: ConsumeContext): Scene {
  const units = pressAbility(cx.machine).units;
  const shapes: Shape[] = [];
  passesOf(cx).forEach((pass, row) => {
    const y = row * 110;
    shapes.push({
      kind: 'text',
      role: 'strong',
      x: 0,
      y: y + 10,
      text:
        pass.side === 'both'
          ? runSays('front and back in one pass', pass)
          : `${runSays(pass.side, pass)}${pass.samePlates ? ', same plates' : ''}`,
      sizeMm: 10,
    });
    shapes.push(
      { kind: 'rect', role: 'pile', x: 0, y: y + 56, w: 34, h: 34, ref: 'feeder' },
      { kind: 'line', role: 'arrow', x1: 34, y1: y + 70, x2: 48 + units * 62, y2: y + 70 },
    );
    const standing = new Map(unitsOfPass(pass, pressAbility(cx.machine)).map((u) => [u.unit, u.ink]));
    const { beforeTurn } = pressAbility(cx.machine);
    if (pass.side === 'both' && beforeTurn !== undefined)
      shapes.push({ kind: 'text', role: 'label', x: 43 + beforeTurn * 62, y: y + 102, text: 'turned', sizeMm: 8, anchor: 'middle' });
    for (let u = 0; u < units; u++) {
      const x = 48 + u * 62;
      const ink = standing.get(u + 1);
      shapes.push({ kind: 'rect', role: 'unit', x, y: y + 20, w: 52, h: 70, ref: `unit ${u + 1}` });
      if (ink === undefined) continue;
      shapes.push(
        { kind: 'circle', role: 'ink', ink, cx: x + 26, cy: y + 42, r: 14 },
        { kind: 'circle', role: 'unit', cx: x + 26, cy: y + 71, r: 12 },
      );
      shapes.push({ kind: 'text', role: 'inkName', x: x + 26, y: y + 102, text: ink, sizeMm: 11, anchor: 'middle' });
    }
    shapes.push({ kind: 'rect', role: 'pile', x: 54 + units * 62, y: y + 46, w: 34, h: 44, ref: 'delivery' });
  });
  return {
    title: 'units and inks',
    says: passesOf(cx)
      .map((p) => `${runSays(p.side, p)}: ${p.inks.join(', ')} in ${units} units`)
      .join('; '),
    box: { x: -8, y: -6, w: units * 62 + 104, h: passesOf(cx).length * 110 + 8 },
    toScale: false,
    shapes,
  };
}
