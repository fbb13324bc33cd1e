import { practiceTerm } from '../../plant/practice';
import { copyPlaces } from '../../layout/layout';
import { sheetScene } from '../../layout/sheet-scene';
import { foilPlace } from '../../product/foil-area';
import type { Scene, Shape } from '../../scene/scene';
import type { ConsumeContext } from '../process';
import { reliefsOf } from './emboss-page';

/** The sheet as it lies, with a pair of dies at every place. */
export function embossScene(cx: ConsumeContext): Scene {
  const sheet = sheetScene(cx.layout, cx.parts, cx.stock, cx.workStyle, practiceTerm(cx.plant, 'layout.colourBarMm'));
  const { layout } = cx;
  if (!layout) return sheet;
  const depth = layout.sheetMm[1];
  const pairs = layout.cells.flatMap((cell) =>
    copyPlaces({ ...layout, cells: [cell] }).flatMap((p) =>
      reliefsOf(cx)
        .filter((a) => a.part.id === p.part)
        .map((a): Shape => {
          const { xMm, yMm } = foilPlace(a, a.part);
          // From the upper left corner of the blank as it is seen; turned with it, anticlockwise.
          const [w, h] = cell.turn === 90 || cell.turn === 270 ? [a.heightMm, a.widthMm] : [a.widthMm, a.heightMm];
          const [fromLeft, fromTop] = {
            0: [xMm, yMm],
            90: [yMm, p.h - xMm - h],
            180: [p.w - xMm - w, p.h - yMm - h],
            270: [p.w - yMm - w, xMm],
          }[cell.turn] as [number, number];
          return { kind: 'rect', role: 'strike', x: p.x + fromLeft, y: depth - p.y - p.h + fromTop, w, h, ref: a.name };
        }),
    ),
  );
  return { ...sheet, title: 'embossing', shapes: [...sheet.shapes, ...pairs] };
}
