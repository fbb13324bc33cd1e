import type { Scene, Shape } from '../../scene/scene';
import { platesOfInk } from '../../form/plates';
import type { ConsumeContext } from '../process';
import { pagesScene } from '../pages-scene';
import { plateSets } from './plate-sets';

export function platemakingScene(cx: ConsumeContext): Scene {
  if (cx.layout?.imposed) return bothForms(cx);
  const shapes: Shape[] = [];
  const press = cx.layout?.sheetMm ?? [740, 600];
  plateSets(cx).forEach((set, row) => {
    shapes.push({
      kind: 'text',
      role: 'strong',
      x: 0,
      y: row * 130 + 12,
      text: set.side === 'both' ? 'one form, both sides' : `form ${row + 1}, ${set.side}`,
      sizeMm: 11,
    });
    set.inks.forEach((ink, i) => {
      const [x, y] = [i * 104, row * 130 + 22];
      shapes.push(
        { kind: 'rect', role: 'unit', x, y, w: 92, h: 74, ref: `plate ${ink} ${set.side}` },
        { kind: 'rect', role: 'ink', ink, x: x + 10, y: y + 12, w: 72, h: 44 },
        { kind: 'rect', role: 'gripper', x, y: y + 64, w: 92, h: 10 },
      );
      for (const hole of [x + 20, x + 72]) shapes.push({ kind: 'circle', role: 'unit', cx: hole, cy: y + 69, r: 2.5 });
      shapes.push({ kind: 'text', role: 'inkName', x: x + 46, y: y + 90, text: platesSay(cx, ink), sizeMm: 11, anchor: 'middle' });
    });
  });
  return {
    title: 'plates',
    says:
      plateSets(cx)
        .map((s) => `${s.side}: ${s.inks.map((ink) => platesSay(cx, ink)).join(', ')}`)
        .join('; ') + `; for a sheet of ${press[0]} by ${press[1]} millimetres`,
    box: { x: -10, y: -6, w: Math.max(...plateSets(cx).map((s) => s.inks.length * 104), 300) + 20, h: plateSets(cx).length * 130 + 10 },
    toScale: false,
    shapes,
  };
}

/** Of sections both sides of the sheet, as they lie in the press: front above, back beneath. */
function bothForms(cx: ConsumeContext): Scene {
  const [front, back] = [pagesScene(cx, 'front'), pagesScene(cx, 'back')];
  const down = front.box.h;
  const moved = (shape: Shape): Shape => {
    switch (shape.kind) {
      case 'rect':
      case 'text':
        return { ...shape, y: shape.y + down };
      case 'line':
        return { ...shape, y1: shape.y1 + down, y2: shape.y2 + down };
      case 'circle':
        return { ...shape, cy: shape.cy + down };
      case 'path':
        return { ...shape, points: shape.points.map(([x, y]) => [x, y + down]) };
    }
  };
  const size = front.box.w / 30;
  const title = (text: string, y: number): Shape => ({
    kind: 'text',
    role: 'strong',
    x: front.box.w / 2.4,
    y,
    text,
    sizeMm: size,
    anchor: 'middle',
  });
  return {
    title: 'forms',
    says: `${front.says} ${back.says}`,
    box: { ...front.box, y: front.box.y - size, h: 2 * down + size },
    toScale: true,
    shapes: [
      title('front', front.box.y + size * 0.9),
      ...front.shapes,
      title('back', front.box.y + down + size * 0.9),
      ...back.shapes.map(moved),
    ],
  };
}

/** An ink, and how many plates of it are made where versions have plates of their own. */
const platesSay = (cx: ConsumeContext, ink: string): string => {
  const plates = platesOfInk(ink, cx.versions).length;
  return plates > 1 ? `${ink} × ${plates}` : ink;
};
