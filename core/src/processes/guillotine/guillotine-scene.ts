import { type Scene, type Shape, boxAround } from '../../scene/scene';
import { copyPlaces } from '../../layout/layout';
import { letterOf } from '../../layout/sheet-scene';
import type { ConsumeContext } from '../process';
import { EDGES, mmSays, programOf } from './program';

export function cutScene(cx: ConsumeContext): Scene {
  const cuts = programOf(cx);
  if (!cx.layout || !cx.parts[0])
    return { title: 'cutting program', says: 'No program yet.', box: { x: 0, y: 0, w: 100, h: 60 }, toScale: false, shapes: [] };
  const [w, h] = cx.layout.sheetMm;
  const text = Math.max(w, h) / 42;
  const up = (y: number): number => h - y;
  const shapes: Shape[] = [
    { kind: 'rect', role: 'sheet', x: 0, y: 0, w, h, ref: 'sheet' },
    { kind: 'rect', role: 'gripper', x: 0, y: h - cx.layout.gripperMm, w, h: cx.layout.gripperMm },
  ];
  for (const p of copyPlaces(cx.layout).slice(0, 400)) {
    shapes.push({ kind: 'rect', role: 'copy', x: p.x, y: up(p.y + p.h), w: p.w, h: p.h });
    const flat = cx.layout.imposed?.flats.find((f) => f.x === p.x && f.y === p.y);
    if (flat)
      shapes.push({
        kind: 'text',
        role: 'label',
        x: p.x + p.w / 2,
        y: up(p.y + p.h / 2) + text / 3,
        text: cx.layout.imposed?.sections.find((s) => s.key === flat.section)?.name ?? '',
        sizeMm: text,
        anchor: 'middle',
      });
    if (cx.parts.length > 1)
      shapes.push({
        kind: 'text',
        role: 'label',
        x: p.x + p.w / 2,
        y: up(p.y + p.h / 2) + text / 3,
        text: letterOf(p.part, cx.layout),
        sizeMm: text,
        anchor: 'middle',
      });
  }
  const over = text * 0.9;
  for (const { nr, lines } of cuts) {
    for (const l of lines)
      shapes.push(
        l.across === 'x'
          ? { kind: 'line', role: 'cut', x1: l.atMm, y1: up(l.toMm) - over, x2: l.atMm, y2: up(l.fromMm) + over, ref: `cut ${nr}` }
          : { kind: 'line', role: 'cut', x1: l.fromMm - over, y1: up(l.atMm), x2: l.toMm + over, y2: up(l.atMm), ref: `cut ${nr}` },
      );
    // Strips cut together bear the number once.
    const l = lines.at(-1);
    if (l)
      shapes.push({
        kind: 'text',
        role: 'strong',
        x: l.across === 'x' ? l.atMm : l.toMm + over * 1.6 + (nr % 2) * text * 1.3,
        y: l.across === 'x' ? up(l.toMm) - over * 1.3 - (nr % 2) * text : up(l.atMm) + text / 3,
        text: String(nr),
        sizeMm: text,
        anchor: 'middle',
      });
  }
  shapes.push({
    kind: 'text',
    role: 'label',
    x: 0,
    y: h + text * 1.6,
    text: `${cuts.length} cuts a lift, in the order of the numbers; gripper edge below, side lay at the left`,
    sizeMm: text,
  });
  return {
    title: 'cutting program',
    says: `${cuts.length} cuts: ${cuts.map((c) => `${c.nr} ${EDGES[c.edge]} at the gauge, ${mmSays(c.gaugeMm)} mm`).join('; ')}`,
    box: boxAround(shapes, text * 1.6),
    toScale: true,
    shapes,
  };
}
