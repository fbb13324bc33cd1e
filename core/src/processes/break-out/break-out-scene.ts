import { practiceTerm } from '../../plant/practice';
import { sheetScene } from '../../layout/sheet-scene';
import type { Scene } from '../../scene/scene';
import type { ConsumeContext } from '../process';

/** The sheet as it lies: which stack comes from which place. */
export const stackScene = (cx: ConsumeContext): Scene => ({
  ...sheetScene(cx.layout, cx.parts, cx.stock, cx.workStyle, practiceTerm(cx.plant, 'layout.colourBarMm')),
  title: 'stacks by place',
});
