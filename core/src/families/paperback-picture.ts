import { type Scene, type Shape, boxAround } from '../scene/scene';

/** What the picture of a book shows. */
interface BookSeen {
  widthMm: number;
  heightMm: number;
  /** Null: no paper is known yet. */
  spineMm: number | null;
  pages: number;
  spine: 'left' | 'right';
  insert: { pages: number; after: number } | null;
  sum: string;
}

/** The standing book from its front, with the spine beside it; and from the fore-edge, with the insert as a stripe where it comes. */
export function paperbackPicture({ widthMm: w, heightMm: h, spineMm, pages, spine, insert, sum }: BookSeen): Scene {
  const away = Math.max(w, h) * 0.07;
  // Drawn as thick as it is; before its paper is known, as thick as such books are.
  const thick = Math.max(spineMm ?? pages / 20, 2);
  const spineSays = spineMm === null ? '' : `spine ${Math.round(spineMm * 10) / 10}`;
  const left = spine === 'left';
  const spineX = left ? -thick : w;
  const slant = thick * 0.35;
  const outside = (left ? -thick : 0) - away;
  const shapes: Shape[] = [
    { kind: 'rect', role: 'copy', x: 0, y: 0, w, h, ref: 'cover' },
    // The spine, seen from the side.
    {
      kind: 'path',
      role: 'copy',
      points: left
        ? [
            [0, 0],
            [-thick, -slant],
            [-thick, h - slant],
            [0, h],
          ]
        : [
            [w, 0],
            [w + thick, -slant],
            [w + thick, h - slant],
            [w, h],
          ],
      closed: true,
      ref: 'spine',
    },
    {
      kind: 'text',
      role: 'label',
      x: spineX + thick / 2,
      y: -slant - away * 0.3,
      text: spineSays,
      sizeMm: away * 0.6,
      anchor: 'middle',
    },
    { kind: 'line', role: 'dimension', x1: 0, y1: h + away, x2: w, y2: h + away, ref: 'widthMm' },
    { kind: 'line', role: 'dimension', x1: outside, y1: 0, x2: outside, y2: h, ref: 'heightMm' },
  ];
  for (const y of [0, h])
    shapes.push({ kind: 'line', role: 'dimension', x1: outside - away * 0.3, y1: y, x2: outside + away * 0.3, y2: y });
  for (const x of [0, w]) shapes.push({ kind: 'line', role: 'dimension', x1: x, y1: h + away * 0.7, x2: x, y2: h + away * 1.3 });
  // The fore-edge, wider than it is: leaves as lines, the insert as a stripe.
  const edgeX = w + away * 3 + (left ? 0 : thick);
  const edge = Math.max(thick * 2, away);
  const lines = Math.min(Math.ceil(pages / 16), 12);
  shapes.push({ kind: 'rect', role: 'copy', x: edgeX, y: 0, w: edge, h, ref: 'fore-edge' });
  for (let i = 1; i < lines; i++)
    shapes.push({ kind: 'line', role: 'dimension', x1: edgeX + (edge * i) / lines, y1: 0, x2: edgeX + (edge * i) / lines, y2: h });
  if (insert) {
    const at = edgeX + edge * Math.min(insert.after / Math.max(pages, 1), 1);
    const stripe = Math.max((edge * insert.pages) / Math.max(pages, 1), edge / 20);
    shapes.push({ kind: 'rect', role: 'mark', x: at - stripe / 2, y: 0, w: stripe, h, ref: 'insertAfter' });
    shapes.push({
      kind: 'text',
      role: 'label',
      x: at,
      y: -away * 0.4,
      text: `${insert.pages} after ${insert.after}`,
      sizeMm: away * 0.6,
      anchor: 'middle',
      ref: 'insertAfter',
    });
  }
  shapes.push({
    kind: 'text',
    role: 'label',
    x: edgeX + edge / 2,
    y: h + away,
    text: `${pages} pages`,
    sizeMm: away * 0.6,
    anchor: 'middle',
    ref: 'pages',
  });
  shapes.push({ kind: 'text', role: 'label', x: 0, y: -away * 1.6, text: sum, sizeMm: away * 0.65 });
  return {
    title: 'finished product',
    says: `Book of ${pages} pages, ${w} by ${h} millimetres, ${spineSays}, bound on the ${spine}. ${sum}.`,
    box: boxAround(shapes, away),
    toScale: false,
    shapes,
  };
}
