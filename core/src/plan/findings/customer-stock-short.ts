import { idOf } from '../../quantity/id-of';
import { freeStock } from '../passes/ready';
import { isCustomers, pulledFlow } from '../../processes/pull/stock-flow';
import type { Rule } from './rule';

/** The customer sent fewer sheets than the plan needs. */
export const customerStockShort: Rule = {
  code: 'stock.customerShort',
  nr: 8,
  find: ({ shelf, ledger, contexts }) =>
    contexts.flatMap(({ cx }) => {
      if (!isCustomers(cx) || cx.stockId === null) return [];
      const [need, sent] = [ledger.value(idOf(pulledFlow(cx), 'demand')), freeStock(shelf, cx.stockId, 'customer')];
      return need <= sent
        ? []
        : [
            {
              level: 'release',
              at: cx.id,
              figure: idOf(pulledFlow(cx), 'demand'),
              args: { sent, need },
              remedies: [{ do: 'ask', says: 'remedy.askCustomer', desk: 'customer' }],
            },
          ];
    }),
};
