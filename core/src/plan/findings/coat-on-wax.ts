import { waxBeneath } from './printed-beneath';
import type { Rule } from './rule';

/** A coat under lamps over waxed ink peels off; over young ink it waits, as the wait itself says. */
export const coatOnWax: Rule = {
  code: 'coat.onWax',
  nr: 31,
  find: ({ plan, contexts }) =>
    contexts.flatMap(({ cx, stone }, i) => {
      const waxed = stone.process.laysCoat ? waxBeneath({ plan, contexts }, i) : undefined;
      return waxed ? [{ level: 'decide' as const, at: cx.id, args: { series: waxed.name }, remedies: [] }] : [];
    }),
};
