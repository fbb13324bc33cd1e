import type { Id } from '../quantity/figure';
import { idOf } from '../quantity/id-of';
import type { Net, Port, Step } from './net';

/** What a step gives on the way to an item: of a sheet that is parted into several orders the copies of its own. */
export const giveOf = (step: Step, item: Id<'item'>, { flows }: Pick<Net, 'flows'>): Port | undefined =>
  step.gives.find((g) => flows[g.flow]?.item === item) ?? step.gives[0];

/**
 * Cycles of a step per finished copy of an item.
 * @example cyclesPerGood({ gives: [{ flow: 'f', per: 8 }] }, 'i', { flows: { f: { item: 'i', perGood: 1 } } }) // 0.125
 */
export function cyclesPerGood(step: Step, item: Id<'item'>, net: Pick<Net, 'flows'>): number {
  const gives = giveOf(step, item, net);
  const flow = net.flows[gives?.flow ?? ''];
  return gives ? (flow?.perGoodOf?.[item] ?? flow?.perGood ?? 1) / gives.per : 1;
}

/** Name of a figure of a step that is reckoned in finished copies: where copies of several orders share the sheet, of each order. */
export const inCopiesOf = (id: Id<'step'>, what: string, item: Id<'item'>, net: Pick<Net, 'flows' | 'steps'>): Id<'figure'> => {
  const shared = net.steps[id]?.takes.some((t) => net.flows[t.flow]?.perGoodOf);
  return shared ? idOf(id, `${what}.${item}`) : idOf(id, what);
};
