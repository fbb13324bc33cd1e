import { idOf } from '../../quantity/id-of';
import type { Rule } from './rule';

/** The measured caliper of a lot is more than 5 % off the stock card. */
export const lotCaliper: Rule = {
  code: 'stock.lotCaliper',
  nr: 7,
  find: ({ shelf, ledger, contexts }) =>
    contexts.flatMap(({ cx }) => {
      if (!ledger.has(idOf(cx.id, 'caliper')) || !cx.stock) return [];
      const card = cx.stock.caliperUm;
      return Object.values(shelf.lots)
        .filter((l) => l.stock === cx.stockId && l.caliperUm !== undefined && Math.abs(l.caliperUm - card) > card * 0.05)
        .map((l) => ({
          level: 'decide',
          at: cx.id,
          figure: idOf(cx.id, 'caliper'),
          args: { lotUm: l.caliperUm ?? 0, cardUm: card, percent: Math.round(((l.caliperUm ?? 0) / card - 1) * 100) },
          remedies: [],
        }));
    }),
};
