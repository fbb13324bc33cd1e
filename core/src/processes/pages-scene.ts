import { practiceTerm } from '../plant/practice';
import type { PrintedSide } from '../layout/page-scene';
import { sheetScene } from '../layout/sheet-scene';
import type { Scene } from '../scene/scene';
import type { ConsumeContext } from './process';

/** A side of the sheet as it lies before the operator: its pages, gripper edge below. */
export const pagesScene = (cx: ConsumeContext, side: PrintedSide): Scene =>
  sheetScene(cx.layout, cx.parts, cx.stock, cx.workStyle, practiceTerm(cx.plant, 'layout.colourBarMm'), side);
