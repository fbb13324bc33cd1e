import { idOf } from '../../quantity/id-of';
import { freeStock, neededOf } from '../passes/ready';
import { isCustomers, pulledFlow } from '../../processes/pull/stock-flow';
import type { Rule } from './rule';

/** The works' free sheets of this stock do not cover what the plan pulls. */
export const stockShort: Rule = {
  code: 'stock.short',
  nr: 6,
  find: ({ plan, plant, shelf, ledger, contexts }) => {
    // What all parts of one stock take together is held against what is free, and said once.
    const said = new Set<string>();
    return contexts.flatMap(({ cx }) => {
      const flow = plan.flows[pulledFlow(cx)];
      if (flow?.supply?.from !== 'stock' || isCustomers(cx) || said.has(flow.supply.stock)) return [];
      const { stock: id } = flow.supply;
      said.add(id);
      const [need, free, stock] = [neededOf(plan, id, ledger), freeStock(shelf, id), plant.stocks[id]];
      if (need <= free) return [];
      return [
        {
          level: 'decide',
          at: cx.id,
          figure: idOf(pulledFlow(cx), 'demand'),
          args: { short: need - free, unit: flow.unit, stock: stock?.name ?? '', days: stock?.leadDays ?? 0 },
          remedies: [{ do: 'ask', says: 'remedy.orderStock', desk: 'store' }],
        },
      ];
    });
  },
};
