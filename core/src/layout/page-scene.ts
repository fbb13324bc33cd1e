import type { Shape } from '../scene/scene';
import type { Compass, PagePlace } from '../signature/sheet-pages';
import type { Imposed } from './layout';

export type PrintedSide = 'front' | 'back';

/** How far a page's number is turned, and where its middle then stands from the middle of the page, in parts of its size. */
const TURNED: Readonly<Record<Compass, { turn?: number; dx: number; dy: number }>> = {
  n: { dx: 0, dy: 1 / 3 },
  s: { turn: 180, dx: 0, dy: -1 / 3 },
  w: { turn: -90, dx: 1 / 3, dy: 0 },
  e: { turn: 90, dx: -1 / 3, dy: 0 },
};

/** A page where it stands: its number read as the page is read, a bar at its head. */
function pageShapes({ x, y, w, h, page, head }: PagePlace, up: (y: number, h: number) => number): Shape[] {
  const top = up(y, h);
  const size = Math.min(w, h) / 3.2;
  const { turn, dx, dy } = TURNED[head];
  const bar = Math.min(w, h) / 40;
  const ends: Record<Compass, [number, number, number, number]> = {
    n: [x + w * 0.3, top + bar, x + w * 0.7, top + bar],
    s: [x + w * 0.3, top + h - bar, x + w * 0.7, top + h - bar],
    w: [x + bar, top + h * 0.3, x + bar, top + h * 0.7],
    e: [x + w - bar, top + h * 0.3, x + w - bar, top + h * 0.7],
  };
  const [x1, y1, x2, y2] = ends[head];
  const ref = page === null ? 'blank page' : `page ${page}`;
  return [
    { kind: 'rect', role: 'copy', x, y: top, w, h, ref },
    { kind: 'line', role: 'mark', x1, y1, x2, y2 },
    {
      kind: 'text',
      role: page === null ? 'label' : 'strong',
      x: x + w / 2 + dx * size,
      y: top + h / 2 + dy * size,
      text: page === null ? '–' : String(page),
      sizeMm: size,
      anchor: 'middle',
      ref,
      ...(turn !== undefined && { turn }),
    },
  ];
}

/** Pages of one printed side, and where the sheet is cut into its sections. */
export function imposedShapes(imposed: Imposed, side: PrintedSide, sheetMm: readonly [number, number], text: number): Shape[] {
  const [w, h] = sheetMm;
  const up = (y: number, height: number): number => h - y - height;
  const isBack = side === 'back';
  return [
    ...imposed[side].flatMap((p) => pageShapes(p, up)),
    ...imposed.flats.flatMap((flat): Shape[] => {
      const x = isBack && imposed.mirror === 'x' ? w - flat.x - flat.w : flat.x;
      const y = isBack && imposed.mirror === 'y' ? h - flat.y - flat.h : flat.y;
      const name = imposed.sections.find((s) => s.key === flat.section)?.name ?? '';
      return [
        { kind: 'rect', role: 'cut', x, y: up(y, flat.h), w: flat.w, h: flat.h, ref: name },
        { kind: 'text', role: 'label', x: x + text * 0.4, y: up(y, flat.h) + text, text: name, sizeMm: text * 0.8 },
      ];
    }),
  ];
}

/** "front: 3, 6, 7, 10 …", for who cannot see the drawing. */
export const pagesSay = (imposed: Imposed, side: PrintedSide): string =>
  imposed[side].map((p) => (p.page === null ? 'blank' : String(p.page))).join(', ');
