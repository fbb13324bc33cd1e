import { idOf } from '../../quantity/id-of';
import { freeStock } from '../ready';
import { isCustomers, pulledFlow } from '../../processes/pull';
import type { Rule } from './rule';

/** The works' free sheets of this stock do not cover what the plan pulls. */
export const stockShort: Rule = {
  code: 'stock.short',
  nr: 6,
  find: ({ plan, plant, shelf, to, contexts }) =>
    contexts.flatMap(({ cx }) => {
      const flow = plan.flows[pulledFlow(cx)];
      if (flow?.supply?.from !== 'stock' || isCustomers(cx)) return [];
      const need = to.value(idOf(pulledFlow(cx), 'demand'));
      const free = freeStock(shelf, flow.supply.stock);
      if (need <= free) return [];
      const stock = plant.stocks[flow.supply.stock];
      return [
        {
          level: 'decide',
          at: cx.id,
          figure: idOf(pulledFlow(cx), 'demand'),
          args: { short: need - free, unit: flow.unit, stock: stock?.name ?? '', days: stock?.leadDays ?? 0 },
          remedies: [{ do: 'ask', says: 'remedy.orderStock', desk: 'store' }],
        },
      ];
    }),
};
