import { idOf } from '../../quantity/id-of';
import type { Rule } from './rule';

/** The plan aims at more than the customer takes. No remedy by one click: aiming lower raises the chance of falling short, which is graver. */
export const overs: Rule = {
  code: 'overs.above',
  nr: 42,
  find: ({ plan, spec, to }) =>
    Object.entries(plan.items).flatMap(([item, of]) => {
      const [aim, most, wanted] = [to.value(idOf(of.goods, 'demand')), to.value(of.most), to.value(of.wanted)];
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
