import type { Id } from '../quantity/figure';
import { floorTolerant } from '../quantity/round-tolerant';
import { PPM } from '../quantity/units';
import { goodCycles } from './counts';
import { goodByTable } from './loss-table';
import { type Net, inOrder } from './net';

export interface Forecast {
  /** Cycles each step can run, the good ones among them, and the flow that limits it (the limiting part). */
  steps: Record<Id<'step'>, { run: number; good: number; limitedBy: Id<'flow'> | null }>;
  /** What is left of each flow once every taker has had its share. */
  left: Record<Id<'flow'>, number>;
}

/**
 * Counts forward: what comes out if so much is really there. `there` holds what was bought, received or counted, by flow.
 * Steps whose counts were logged (`counted`) keep them; every other step runs on what reaches it and loses what the plan expects.
 * A flow with several takers is shared in the proportion they take.
 */
export function solveForward(
  net: Net,
  there: Readonly<Record<Id<'flow'>, number>>,
  counted: Readonly<Record<Id<'step'>, { run: number; good: number }>> = {},
): Forecast {
  const { order } = inOrder(net.steps);
  const left: Record<Id<'flow'>, number> = { ...there };
  const takers = new Map<Id<'flow'>, number>();
  for (const step of Object.values(net.steps)) for (const { flow, per } of step.takes) takers.set(flow, (takers.get(flow) ?? 0) + per);
  const reached: Record<Id<'flow'>, number> = { ...there };
  const steps: Forecast['steps'] = {};
  for (const id of order) {
    const step = net.steps[id];
    if (!step) continue;
    let run = Infinity;
    let limitedBy: Id<'flow'> | null = null;
    for (const { flow, per, spoilPpm = 0 } of step.takes) {
      const share = per / (takers.get(flow) ?? per);
      const mine = (reached[flow] ?? 0) * share * ((PPM - spoilPpm) / PPM);
      const cycles = step.whole ? floorTolerant(mine / per) : mine / per;
      if (cycles < run) [run, limitedBy] = [cycles, flow];
    }
    if (run === Infinity) run = 0;
    const { setupCycles: setup, runningPpm, samples, perBatch, table } = step.loss;
    const logged = counted[id];
    if (logged) run = logged.run;
    const good = logged
      ? logged.good
      : table
        ? goodByTable(table, run, samples)
        : goodCycles(run, { setup, runningPpm, samples, batchCycles: perBatch?.cycles ?? 0, batchLost: perBatch?.lost ?? 0 });
    steps[id] = { run, good, limitedBy };
    for (const { flow, per, spoilPpm = 0 } of step.takes)
      left[flow] = Math.max((left[flow] ?? 0) - (run * per * PPM) / (PPM - spoilPpm), 0);
    for (const { flow, per } of step.gives) {
      const made = step.whole ? good * per : floorTolerant(good * per);
      reached[flow] = (reached[flow] ?? 0) + made;
      left[flow] = (left[flow] ?? 0) + made;
    }
  }
  return { steps, left };
}
