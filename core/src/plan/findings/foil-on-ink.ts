import { editAt } from '../../product/edit';
import type { Finding } from '../../processes/finding';
import { waxBeneath } from './printed-beneath';
import type { Rule } from './rule';

const DAY_S = 86_400;

/** Foil will not take on ink younger than 24 h, nor on waxed ink. */
export const foilOnInk: Rule = {
  code: 'foil.onInk',
  nr: 31,
  find: ({ plan, spec, ledger, contexts }) =>
    contexts.flatMap(({ cx, stone }, i) => {
      if (!stone.process.laysFoil) return [];
      const waxed = waxBeneath({ plan, contexts }, i);
      const [early] = cx.stepIds
        .flatMap((step) => plan.steps[step]?.waits ?? [])
        .filter((w) => w.why === 'foil' && ledger.value(w.figure) < DAY_S);
      const found: Omit<Finding, 'code'>[] = [];
      if (early)
        found.push({
          level: 'decide',
          at: cx.id,
          figure: early.figure,
          args: { hours: Math.round((ledger.value(early.figure) / 3600) * 10) / 10, why: 'early', series: '' },
          remedies: [
            {
              do: 'edit',
              says: 'remedy.waitDay',
              args: {},
              edits: [editAt(spec, ['choices', 'settings', cx.id, 'waitS'], undefined)],
            },
          ],
        });
      if (waxed) found.push({ level: 'decide', at: cx.id, args: { hours: 0, why: 'wax', series: waxed.name }, remedies: [] });
      return found;
    }),
};
