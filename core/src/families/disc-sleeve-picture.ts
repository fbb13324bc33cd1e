import { portableCos, portableSin } from '../quantity/portable-math';
import { sleeveSizes, stripLongMm, traysInside } from '../product/die-line/sleeve';
import type { SleeveAsk } from '../product/die-line/sleeve-ask';
import { type Scene, type Shape, boxAround } from '../scene/scene';

/** How a panel that stands up is seen: its width shortened, its far edge raised. */
const OPENED = { across: 0.6, up: 0.3 } as const;

/** The sleeve half open, its trays and discs on it, and beside it closed. */
export function discSleevePicture(ask: SleeveAsk, discs: number): Scene {
  const of = sleeveSizes(ask);
  const [width, height, thick] = of.closedMm;
  const text = Math.max(width, height) / 14;
  const trays = traysInside(ask);
  const shapes: Shape[] = [];
  const [first] = of.panels;
  // The first panel stands half open at the left, the others lie flat.
  const hinge = (first?.widthMm ?? 0) + (of.spinesMm[0] ?? 0);
  const seen = (x: number, y: number): [number, number] =>
    x >= hinge ? [x, -y] : [hinge - (hinge - x) * OPENED.across, -y - (hinge - x) * OPENED.up];
  of.panels.forEach(({ leftMm, widthMm }, i) => {
    const [l, r] = [leftMm, leftMm + widthMm];
    shapes.push({
      kind: 'path',
      role: 'copy',
      points: [seen(l, 0), seen(r, 0), seen(r, height), seen(l, height)],
      closed: true,
      ref: `panel ${i + 1}`,
    });
  });
  trays.forEach((t, i) => {
    const corner = (dx: number, dy: number): [number, number] => seen(t.xMm + dx * t.widthMm, t.yMm + dy * t.heightMm);
    shapes.push({
      kind: 'path',
      role: 'strike',
      points: [corner(0, 0), corner(1, 0), corner(1, 1), corner(0, 1)],
      closed: true,
      ref: `tray ${i + 1}`,
    });
    if (i >= discs) return;
    const radius = Math.min(t.widthMm, t.heightMm) / 2 - 1;
    const ring = Array.from({ length: 48 }, (_, k): [number, number] => {
      const angle = (2 * Math.PI * k) / 48;
      return seen(t.xMm + t.widthMm / 2 + radius * portableCos(angle), t.yMm + t.heightMm / 2 + radius * portableSin(angle));
    });
    shapes.push({ kind: 'path', role: 'copy', points: ring, closed: true, ref: `disc ${i + 1}` });
  });
  const shown = trays[0] ?? { xMm: hinge, yMm: 0, widthMm: ask.widthMm, heightMm: ask.heightMm };
  const [trayLeft] = seen(shown.xMm, 0);
  const [trayRight] = seen(shown.xMm + shown.widthMm, 0);
  const right = stripLongMm(of);
  shapes.push(
    { kind: 'line', role: 'dimension', x1: trayLeft, y1: text * 1.4, x2: trayRight, y2: text * 1.4, ref: 'widthMm' },
    {
      kind: 'line',
      role: 'dimension',
      x1: right + text * 1.4,
      y1: -shown.yMm,
      x2: right + text * 1.4,
      y2: -shown.yMm - shown.heightMm,
      ref: 'heightMm',
    },
  );
  const left = right + text * 6;
  const rounded = (mm: number): number => Math.round(mm * 10) / 10;
  shapes.push(
    { kind: 'rect', role: 'copy', x: left, y: -height, w: width, h: height, ref: 'closed' },
    { kind: 'rect', role: 'copy', x: left + width + text * 2, y: -height, w: thick, h: height, ref: 'closed, from the side' },
    {
      kind: 'line',
      role: 'dimension',
      x1: left + width + text * 2,
      y1: text * 1.4,
      x2: left + width + text * 2 + thick,
      y2: text * 1.4,
      ref: 'depthMm',
    },
    {
      kind: 'text',
      role: 'label',
      x: left,
      y: text * 1.4,
      text: `closed ${rounded(width)} × ${rounded(height)} × ${rounded(thick)} mm`,
      sizeMm: text * 0.8,
    },
  );
  return {
    title: 'finished product',
    says: `Sleeve of ${of.panels.length} panels, half open, with ${trays.length} trays and ${discs} discs; beside it closed, ${rounded(width)} by ${rounded(height)} by ${rounded(thick)} millimetres.`,
    box: boxAround(shapes, text * 2.4),
    toScale: false,
    shapes,
  };
}
