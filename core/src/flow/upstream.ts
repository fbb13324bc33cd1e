import type { Id } from '../quantity/figure';
import { makersFirst, type Net } from './net';

/**
 * The steps pieces pass on their way to a flow, makers first. Steps that only prepare (plates, dies) pass none.
 * @example of print → cut → fold, with plates before the print: stepsTo(net, 'folded') → ['print', 'cut', 'fold']
 */
export function stepsTo(net: Pick<Net, 'steps'>, flow: Id<'flow'>): Id<'step'>[] {
  const wanted = new Set([flow]);
  const found = new Set<Id<'step'>>();
  const { order } = makersFirst(net.steps);
  for (const id of [...order].reverse()) {
    const step = net.steps[id];
    if (!step?.gives.some((g) => wanted.has(g.flow))) continue;
    found.add(id);
    for (const { flow: taken } of step.takes) wanted.add(taken);
  }
  return order.filter((id) => found.has(id));
}
