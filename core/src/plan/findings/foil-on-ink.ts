import { editAt } from '../../product/edit';
import type { Rule } from './rule';

const DAY_S = 86_400;

/** Foil will not take on ink younger than 24 h, nor on waxed ink. */
export const foilOnInk: Rule = {
  code: 'foil.onInk',
  nr: 31,
  find: ({ plan, spec, to, contexts }) =>
    contexts.flatMap(({ cx }) =>
      cx.stepIds.flatMap((step) =>
        (plan.steps[step]?.waits ?? [])
          .filter((w) => w.why === 'foil')
          .flatMap((w) => {
            const hours = Math.round((to.value(w.figure) / 3600) * 10) / 10;
            if (to.value(w.figure) >= DAY_S && !cx.inkSeries?.waxed) return [];
            const early = to.value(w.figure) < DAY_S;
            return [
              {
                level: 'decide',
                at: cx.id,
                figure: w.figure,
                args: { hours, why: early ? 'early' : 'wax', series: cx.inkSeries?.name ?? '' },
                remedies: early
                  ? [
                      {
                        do: 'edit' as const,
                        says: 'remedy.waitDay',
                        args: {},
                        edits: [editAt(spec, ['choices', 'settings', cx.id, 'waitS'], undefined)],
                      },
                    ]
                  : [],
              },
            ];
          }),
      ),
    ),
};
