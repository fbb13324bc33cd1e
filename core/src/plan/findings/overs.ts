import { idOf } from '../../quantity/id-of';
import { sharing } from '../passes/sharing';
import type { Rule } from './rule';

/** The plan aims at more than the customer takes. No remedy by one click: aiming lower raises the chance of falling short, which is graver. */
export const overs: Rule = {
  code: 'overs.above',
  nr: 42,
  find: ({ plan, spec, ledger }) =>
    Object.entries(plan.items).flatMap(([item, of]) => {
      const together = sharing(plan.items, item);
      if (together[0] !== item) return []; // said once of what is made together
      const all = (what: 'most' | 'wanted'): number => together.reduce((sum, id) => sum + ledger.value(plan.items[id]?.[what] ?? ''), 0);
      const [aim, most, wanted] = [ledger.value(idOf(of.goods, 'demand')), all('most'), all('wanted')];
      if (aim <= most || wanted <= 0) return [];
      return [
        {
          level: 'know',
          at: 'job',
          figure: of.most,
          args: {
            percent: Math.round((aim / wanted - 1) * 1000) / 10,
            limit: Math.round((most / wanted - 1) * 1000) / 10,
            extra: spec.items[item]?.overs.extra ?? 'stock',
          },
          remedies: [],
        },
      ];
    }),
};
