import { idOf } from '../../quantity/id-of';
import type { Rule } from './rule';

/** More impressions than a plate lasts under this ink. */
export const plateLife: Rule = {
  code: 'plate.life',
  nr: 24,
  find: ({ ledger, contexts }) =>
    contexts.flatMap(({ cx }) =>
      cx.stepIds.flatMap((step) => {
        const remakes = ledger.value(idOf(step, 'remakes'));
        return remakes > 0
          ? [
              {
                level: 'decide',
                at: cx.id,
                figure: idOf(step, 'remakes'),
                args: { remakes, after: Math.round(ledger.value(idOf(step, 'plateLife'))) },
                remedies: [],
              },
            ]
          : [];
      }),
    ),
};
