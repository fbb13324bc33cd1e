import { idOf } from '../../quantity/id-of';
import { type Scene, type Shape, boxAround } from '../../scene/scene';
import type { ConsumeContext } from '../process';
import { pressAbility } from '../press-inks';
import { ofForm } from '../web-time';
import { passOf } from './web-pass';

/** The web's way from the unwinder through the units, each with its lamp, past the camera to the rewinder; below, one repeat with its lanes, to scale. */
export function webScene(cx: ConsumeContext): Scene {
  const { inks } = passOf(cx);
  const units = Math.max(pressAbility(cx.machine).units, inks.length);
  const pitch = 62;
  const end = 70 + units * pitch;
  const shapes: Shape[] = [
    { kind: 'circle', role: 'roll', cx: 26, cy: 66, r: 26, ref: 'unwinder' },
    { kind: 'circle', role: 'core', cx: 26, cy: 66, r: 5 },
    { kind: 'line', role: 'web', x1: 26, y1: 40, x2: end + 70, y2: 40, ref: 'web' },
    { kind: 'line', role: 'splice', x1: 58, y1: 32, x2: 64, y2: 48, ref: 'splice' },
    { kind: 'text', role: 'label', x: 61, y: 60, text: 'splice', sizeMm: 11, anchor: 'middle' },
    { kind: 'rect', role: 'unit', x: end, y: 16, w: 26, h: 16, ref: 'camera' },
    { kind: 'text', role: 'label', x: end + 13, y: 11, text: 'camera', sizeMm: 11, anchor: 'middle' },
    { kind: 'circle', role: 'roll', cx: end + 70, cy: 66, r: 26, ref: 'rewinder' },
    { kind: 'circle', role: 'core', cx: end + 70, cy: 66, r: 5 },
  ];
  for (let u = 0; u < units; u++) {
    const x = 76 + u * pitch;
    const ink = inks[u];
    shapes.push({ kind: 'circle', role: 'unit', cx: x + 18, cy: 62, r: 15, ref: `unit ${u + 1}` });
    if (ink === undefined) continue;
    shapes.push(
      { kind: 'circle', role: 'ink', ink, cx: x + 18, cy: 22, r: 12 },
      { kind: 'text', role: 'inkName', x: x + 18, y: 92, text: ink, sizeMm: 11, anchor: 'middle' },
      { kind: 'rect', role: 'lamp', x: x + 38, y: 26, w: 12, h: 8, ref: `lamp ${u + 1}` },
    );
  }
  shapes.push(...repeatShapes(cx, 112, end + 96));
  const lanes = cx.ledger.value(ofForm(cx, 'lanes'));
  return {
    title: 'way of the web',
    says: `Web from the unwinder through ${inks.length} units (${inks.join(', ')}), a lamp after each, past the camera; repeat ${Math.round(cx.ledger.value(ofForm(cx, 'repeatMm')) * 10) / 10} millimetres, ${lanes} lanes, ${Math.max(cx.ledger.value(idOf(cx.id, 'rolls')) - 1, 0)} splices.`,
    box: boxAround(shapes, 8),
    toScale: false,
    shapes,
  };
}

/** Sheets of a repeat that are drawn. */
const MOST_SHEETS_DRAWN = 120;

/** One repeat lying down: the web's width upward, its running length to the right; sheets with their pieces as rows. */
function repeatShapes(cx: ConsumeContext, top: number, most: number): Shape[] {
  const web = cx.layout?.web;
  const part = cx.parts[0];
  if (!cx.layout || !web || !part?.traits?.web) return [];
  const [widthMm, repeatMm] = cx.layout.sheetMm;
  const k = Math.min(most / repeatMm, 260 / widthMm);
  const shapes: Shape[] = [{ kind: 'rect', role: 'sheet', x: 0, y: top, w: repeatMm * k, h: widthMm * k, ref: 'repeat' }];
  const [sheetW, sheetL] = web.sheetMm;
  // A repeat mistyped by a thousand holds thousands of sheets: nobody reads them, and no drawing holds them.
  for (const c of cx.layout.cells.slice(0, MOST_SHEETS_DRAWN)) {
    const left = c.x - part.traits.web.edgeMm;
    shapes.push({
      kind: 'rect',
      role: 'copy',
      x: (c.y - part.traits.web.edgeMm) * k,
      y: top + left * k,
      w: sheetL * k,
      h: sheetW * k,
      ref: `sheet of ${c.nx * c.ny}`,
    });
    for (let i = 1; i < Math.min(c.nx, 40); i++) {
      const y = top + (c.x + i * c.dx) * k;
      shapes.push({
        kind: 'line',
        role: 'perforation',
        x1: (c.y - part.traits.web.edgeMm) * k,
        y1: y,
        x2: (c.y - part.traits.web.edgeMm + sheetL) * k,
        y2: y,
      });
    }
    for (let j = 1; j < Math.min(c.ny, 60); j++) {
      const x = (c.y + j * c.dy) * k;
      shapes.push({ kind: 'line', role: 'perforation', x1: x, y1: top + left * k, x2: x, y2: top + (left + sheetW) * k });
    }
  }
  shapes.push(
    { kind: 'line', role: 'dimension', x1: 0, y1: top + widthMm * k + 8, x2: repeatMm * k, y2: top + widthMm * k + 8, ref: 'repeatMm' },
    {
      kind: 'text',
      role: 'label',
      x: 0,
      y: top + widthMm * k + 22,
      text: `repeat ${Math.round(repeatMm * 10) / 10} mm, ${web.teeth} teeth · ${web.lanes} ${web.lanes === 1 ? 'lane' : 'lanes'} on ${widthMm} mm · ${web.around} around`,
      sizeMm: 11,
      anchor: 'start',
    },
  );
  return shapes;
}
