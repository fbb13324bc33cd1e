import { typed } from '../quantity/ledger';
import { type ConsumeContext, type Consumed } from './process';
import { type StepTime, timeAndCost } from './time-and-cost';

/** Whether a machine runs with the one before it: the line's time and cost stand there. */
export const isInLine = ({ machine }: Pick<ConsumeContext, 'machine'>): boolean => (machine.limits.inLine ?? 0) > 0;

/** Time and cost of a step; none of its own where it runs with the step before. */
export const inLineTime = (cx: ConsumeContext, time: StepTime): Consumed['costs'] =>
  isInLine(cx)
    ? timeAndCost(cx, { step: time.step, setupFactor: typed(0, 's', 'runs with the binder'), runS: typed(0, 's', 'runs with the binder') })
    : timeAndCost(cx, time);
