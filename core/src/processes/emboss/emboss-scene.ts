import { practiceTerm } from '../../plant/practice';
import { onEveryCopy, sheetScene } from '../../layout/sheet-scene';
import { foilPlace } from '../../product/foil-area';
import type { Scene } from '../../scene/scene';
import type { ConsumeContext } from '../process';
import { reliefsOf } from './emboss-page';

/** The sheet as it lies, with a pair of dies at every place. */
export function embossScene(cx: ConsumeContext): Scene {
  const sheet = sheetScene(cx.layout, cx.parts, cx.stock, cx.workStyle, practiceTerm(cx.plant, 'layout.colourBarMm'));
  const { layout } = cx;
  if (!layout) return sheet;
  const pairs = onEveryCopy(layout, (part) =>
    reliefsOf(cx)
      .filter((a) => a.part.id === part)
      .map((a) => ({ ...a, ...foilPlace(a, a.part) })),
  );
  return { ...sheet, title: 'embossing', shapes: [...sheet.shapes, ...pairs] };
}
