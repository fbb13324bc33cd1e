import { boxAround, type Scene, type Shape } from '../../scene/scene';
import { idOf } from '../../quantity/id-of';
import { lanesOff } from '../designs-off';
import type { ConsumeContext } from '../process';
import { ofForm } from '../web-time';
import { gravurePass } from './gravure-pass';

/** The web's way through the stations, each with its cylinder, pan and dryer, to the mother reel; below, one turn with lanes, edges and marks, to scale. */
export function gravureScene(cx: ConsumeContext): Scene {
  const { inks } = gravurePass(cx);
  const pitch = 64;
  const end = 80 + inks.length * pitch;
  const shapes: Shape[] = [
    { kind: 'circle', role: 'roll', cx: 26, cy: 62, r: 24, ref: 'unwinder' },
    { kind: 'circle', role: 'core', cx: 26, cy: 62, r: 5 },
    { kind: 'line', role: 'web', x1: 26, y1: 38, x2: end + 28, y2: 38, ref: 'web' },
    { kind: 'circle', role: 'roll', cx: end + 28, cy: 66, r: 28, ref: 'mother reel' },
    { kind: 'circle', role: 'core', cx: end + 28, cy: 66, r: 9 },
    { kind: 'text', role: 'label', x: end + 28, y: 108, text: 'reel', sizeMm: 10, anchor: 'middle' },
  ];
  inks.forEach((ink, i) => {
    const x = 84 + i * pitch;
    shapes.push(
      { kind: 'circle', role: 'ink', ink, cx: x, cy: 54, r: 15, ref: `station ${i + 1}` },
      { kind: 'rect', role: 'piece', x: x - 17, y: 62, w: 34, h: 12, ref: `pan ${i + 1}` },
      { kind: 'rect', role: 'lamp', x: x + 22, y: 16, w: 18, h: 14, ref: `dryer ${i + 1}` },
      { kind: 'text', role: 'inkName', x, y: 88, text: ink, sizeMm: 10, anchor: 'middle' },
      { kind: 'text', role: 'label', x, y: 101, text: String(i + 1), sizeMm: 10, anchor: 'middle' },
    );
  });
  shapes.push(...turnShapes(cx, 126, end + 56));
  const lanes = cx.layout?.web?.lanes ?? 0;
  return {
    title: 'way of the web',
    says: `Web through ${inks.length} stations (${inks.join(', ')}) to the mother reel; one turn ${cx.layout?.sheetMm[1] ?? 0} millimetres, ${lanes} lanes, ${Math.max(cx.ledger.value(idOf(cx.id, 'rolls')) - 1, 0)} splices.`,
    box: boxAround(shapes, 8),
    toScale: false,
    shapes,
  };
}

/** One turn lying down: the web's width upward, its length to the right; lanes with their designs, edges, marks of the band. */
function turnShapes(cx: ConsumeContext, top: number, most: number): Shape[] {
  const web = cx.layout?.web;
  const part = cx.parts[0];
  if (!cx.layout || !web || !part) return [];
  const [widthMm, turnMm] = cx.layout.sheetMm;
  const k = Math.min(most / turnMm, 240 / widthMm);
  const names = lanesOff(cx);
  const edge = (widthMm - web.lanes * part.widthMm) / 2;
  const mark = (cx.ledger.value(ofForm(cx, 'bandMm')) - web.lanes * part.widthMm) / 2;
  const shapes: Shape[] = [{ kind: 'rect', role: 'sheet', x: 0, y: top, w: turnMm * k, h: widthMm * k, ref: 'turn' }];
  for (let lane = 0; lane < web.lanes; lane++) {
    const y = top + (edge + lane * part.widthMm) * k;
    shapes.push(
      { kind: 'rect', role: 'copy', x: 0, y, w: turnMm * k, h: part.widthMm * k, ref: `lane ${lane + 1}` },
      {
        kind: 'text',
        role: 'label',
        x: (turnMm * k) / 2,
        y: y + (part.widthMm * k) / 2,
        text: `${lane + 1} ${names[lane] ?? ''}`.trim(),
        sizeMm: Math.min(11, part.widthMm * k * 0.6),
        anchor: 'middle',
      },
    );
  }
  for (const y of [top + (edge - mark) * k, top + (widthMm - edge) * k])
    shapes.push({ kind: 'rect', role: 'mark', x: 0, y, w: turnMm * k, h: Math.max(mark * k, 0.5), ref: 'marks' });
  const under = top + widthMm * k;
  shapes.push(
    { kind: 'line', role: 'dimension', x1: 0, y1: under + 8, x2: turnMm * k, y2: under + 8, ref: 'turnMm' },
    {
      kind: 'text',
      role: 'label',
      x: 0,
      y: under + 22,
      text: `one turn ${turnMm} mm · ${web.lanes} ${web.lanes === 1 ? 'lane' : 'lanes'} of ${part.widthMm} on ${widthMm} mm · edges ${Math.round(edge * 10) / 10}`,
      sizeMm: 10,
      anchor: 'start',
    },
  );
  return shapes;
}
