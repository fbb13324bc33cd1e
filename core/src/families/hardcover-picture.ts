import { type Scene, type Shape, boxAround } from '../scene/scene';
import { arcPoints } from '../finishing/sewn-block';
import type { CaseTitle } from '../product/sewn';

/** What the picture of a hardcover shows. */
interface HardcoverSeen {
  widthMm: number;
  heightMm: number;
  pages: number;
  squareMm: number;
  boardMm: number;
  angleDeg: number | null;
  /** Null: no paper is known yet. */
  blockMm: number | null;
  spine: 'left' | 'right';
  titles: readonly Pick<CaseTitle, 'name' | 'place'>[];
  hasJacket: boolean;
}

/** The block standing, the case lifted off behind it, and the block end-on with its back: what is said of size, square, board and back stands there. */
export function hardcoverPicture(seen: HardcoverSeen): Scene {
  const { widthMm: w, heightMm: h, squareMm, boardMm, angleDeg, pages } = seen;
  const t = Math.max(w, h) * 0.05;
  const thick = Math.max(seen.blockMm ?? pages / 18, 3);
  const lifted = w * 0.24;
  // The board behind stands out at head, foot and fore-edge.
  const boardX = lifted;
  const shapes: Shape[] = [
    { kind: 'rect', role: 'piece', x: boardX, y: -squareMm - t, w: w + squareMm, h: h + 2 * squareMm, ref: 'back board' },
    { kind: 'rect', role: 'copy', x: 0, y: 0, w, h, ref: 'block' },
    ...[0.2, 0.4, 0.6, 0.8].map((k): Shape => ({ kind: 'line', role: 'fold', x1: w * 0.15, y1: h * k, x2: w * 0.85, y2: h * k })),
    { kind: 'line', role: 'dimension', x1: 0, y1: h + t * 1.4, x2: w, y2: h + t * 1.4, ref: 'widthMm' },
    { kind: 'line', role: 'dimension', x1: -t * 1.4, y1: 0, x2: -t * 1.4, y2: h, ref: 'heightMm' },
    { kind: 'text', role: 'label', x: w / 2, y: h * 0.52, text: `${pages} pages`, sizeMm: t, anchor: 'middle', ref: 'pages' },
    {
      kind: 'text',
      role: 'label',
      x: boardX + w + squareMm + t * 0.4,
      y: -t * 0.2,
      text: `square ${squareMm}`,
      sizeMm: t * 0.8,
      ref: 'squareMm',
    },
  ];
  for (const y of [0, h]) shapes.push({ kind: 'line', role: 'dimension', x1: -t * 1.8, y1: y, x2: -t, y2: y });
  for (const x of [0, w]) shapes.push({ kind: 'line', role: 'dimension', x1: x, y1: h + t, x2: x, y2: h + t * 1.8 });
  // End-on, larger than it is: back at the left, boards above and below.
  const k = Math.max((h * 0.2) / thick, 1);
  const [x, y, deep] = [boardX + w + squareMm + t * 3, h * 0.35, Math.min(w * 0.8, thick * k * 1.8)];
  const chord = thick * k;
  const back: [number, number][] =
    angleDeg === null
      ? [
          [x, y],
          [x, y + chord],
        ]
      : arcPoints({ chordMm: chord, angleDeg, x, y });
  const face = back.map(([px, py]): [number, number] => [px + deep, py]).reverse();
  const board = Math.max(boardMm * k, t * 0.3);
  shapes.push({ kind: 'path', role: 'copy', points: [...back, ...face], closed: true, ref: 'spineForm' });
  for (const top of [y - board, y + chord])
    shapes.push({ kind: 'rect', role: 'piece', x: x + t * 0.5, y: top, w: deep, h: board, ref: 'boardGrade' });
  const form = angleDeg === null ? 'flat back' : `round back, ${angleDeg}°`;
  const says = seen.blockMm === null ? '' : `block ${Math.round(seen.blockMm * 10) / 10}, `;
  shapes.push({ kind: 'text', role: 'label', x, y: y - board - t * 0.8, text: form, sizeMm: t * 0.8, ref: 'spineForm' });
  shapes.push({
    kind: 'text',
    role: 'label',
    x,
    y: y + chord + board + t * 1.4,
    text: `${says}board ${Math.round(boardMm * 10) / 10}`,
    sizeMm: t * 0.8,
    ref: 'boardGrade',
  });
  const titles = seen.titles.map((title) => `${title.name} on the ${title.place}`).join(', ');
  if (titles) shapes.push({ kind: 'text', role: 'label', x: 0, y: h + t * 4, text: titles, sizeMm: t * 0.8, ref: 'titles' });
  return {
    title: 'finished product',
    says: `Sewn book of ${pages} pages, ${w} by ${h} millimetres, ${form}, in a case that stands out by ${squareMm}, bound on the ${seen.spine}${seen.hasJacket ? ', in a jacket' : ''}.${titles ? ` ${titles}.` : ''}`,
    box: boxAround(shapes, t),
    toScale: false,
    shapes,
  };
}
