import { type Scene, type Shape, boxAround } from '../scene/scene';
import { stitchPlacesMm } from '../finishing/stitch-places';
import type { BookletWish } from './booklet-wish';

/** The closed booklet, its spine with the stitches, and beside it the edge with its leaves. */
export function bookletPicture(
  wish: Required<Pick<BookletWish, 'widthMm' | 'heightMm' | 'pages' | 'stitches' | 'spine'>> & { fromHeadMm: number; sum: string },
): Scene {
  const { widthMm: w, heightMm: h, pages, stitches, spine, fromHeadMm, sum } = wish;
  const away = Math.max(w, h) * 0.07;
  const spineX = spine === 'left' ? 0 : w;
  const out = spine === 'left' ? 1 : -1;
  const shapes: Shape[] = [
    // The leaves below stand out at the face.
    ...[2, 1].map((i): Shape => ({
      kind: 'rect',
      role: 'copy',
      x: spine === 'left' ? 0 : -i * away * 0.12,
      y: i * away * 0.1,
      w: w + i * away * 0.12,
      h,
      ref: 'text',
    })),
    { kind: 'rect', role: 'copy', x: 0, y: 0, w, h, ref: 'cover' },
    { kind: 'line', role: 'fold', x1: spineX + out * away * 0.18, y1: 0, x2: spineX + out * away * 0.18, y2: h },
    ...stitchPlacesMm(h, stitches, fromHeadMm).map((y): Shape => ({
      kind: 'rect',
      role: 'piece',
      x: spineX - away * 0.09,
      y: y - 6.5,
      w: away * 0.18,
      h: 13,
      ref: 'stitches',
    })),
    { kind: 'line', role: 'dimension', x1: 0, y1: h + away * 1.3, x2: w, y2: h + away * 1.3, ref: 'widthMm' },
    { kind: 'line', role: 'dimension', x1: -away * 1.3, y1: 0, x2: -away * 1.3, y2: h, ref: 'heightMm' },
  ];
  for (const x of [0, w]) shapes.push({ kind: 'line', role: 'dimension', x1: x, y1: h + away, x2: x, y2: h + away * 1.6 });
  for (const y of [0, h]) shapes.push({ kind: 'line', role: 'dimension', x1: -away * 1.6, y1: y, x2: -away, y2: y });
  // On edge: one line for every sheet, at most as many as can be told apart.
  const edgeX = w + away * 2.4;
  const sheets = Math.min(Math.ceil(pages / 4), 16);
  for (let i = 0; i < sheets; i++)
    shapes.push({
      kind: 'path',
      role: 'dimension',
      points: [
        [edgeX + i * 1.6, h * 0.62],
        [edgeX + i * 1.6, h * 0.3 + i * 0.8],
        [edgeX + (2 * sheets - i) * 1.6, h * 0.3 + i * 0.8],
        [edgeX + (2 * sheets - i) * 1.6, h * 0.62],
      ],
      closed: false,
      ref: 'pages',
    });
  shapes.push({
    kind: 'text',
    role: 'label',
    x: edgeX + sheets * 1.6,
    y: h * 0.62 + away,
    text: `${pages} pages`,
    sizeMm: away * 0.7,
    anchor: 'middle',
  });
  shapes.push({ kind: 'text', role: 'label', x: 0, y: -away * 0.7, text: sum, sizeMm: away * 0.7 });
  return {
    title: 'finished product',
    says: `Booklet of ${pages} pages, ${w} by ${h} millimetres, ${stitches} stitches, bound on the ${spine}.`,
    box: boxAround(shapes, away),
    toScale: false,
    shapes,
  };
}
