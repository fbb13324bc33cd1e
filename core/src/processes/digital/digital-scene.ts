import type { Scene } from '../../scene/scene';
import { practiceTerm } from '../../plant/practice';
import { sheetScene } from '../../layout/sheet-scene';
import type { ConsumeContext } from '../process';

export const digitalScene = (cx: ConsumeContext): Scene =>
  sheetScene(cx.layout, cx.parts, cx.stock, cx.workStyle, practiceTerm(cx.plant, 'layout.colourBarMm'));
