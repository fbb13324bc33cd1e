import { practiceTerm } from '../../plant/practice';
import { type Cut, type SheetEdge, cuttingProgram } from '../../finishing/cutting-program';
import { type ConsumeContext, type ProcessContext, setting } from '../process';

/** The lift asked: lower for soft or laminated stock. */
export const liftMm = (cx: ProcessContext & { stock: { soft?: boolean } | null }): ReturnType<typeof practiceTerm> =>
  setting(cx, 'liftMm', practiceTerm(cx.plant, cx.stock?.soft ? 'guillotine.softLiftMm' : 'guillotine.liftMm'));

export const programOf = (cx: ConsumeContext): Cut[] => (cx.layout ? cuttingProgram(cx.layout, cx.machine.maxSheetMm?.[0]) : []);

export const EDGES: Readonly<Record<SheetEdge, string>> = {
  gripper: 'gripper edge',
  tail: 'tail edge',
  lay: 'side lay edge',
  far: 'far edge',
};
export const TURNS = ['', 'quarter turn', 'end for end'] as const;
export const FALLS: Readonly<Record<Cut['falls'], string>> = { trim: 'trim', strip: 'strip', waste: 'waste' };
export const mmSays = (mm: number): string => (Math.round(mm * 10) / 10).toFixed(1);
