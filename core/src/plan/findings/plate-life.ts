import { idOf } from '../../quantity/id-of';
import type { Rule } from './rule';

/** More impressions than a plate lasts under this ink. */
export const plateLife: Rule = {
  code: 'plate.life',
  nr: 24,
  find: ({ to, contexts }) =>
    contexts.flatMap(({ cx }) =>
      cx.stepIds.flatMap((step) => {
        const remakes = to.value(idOf(step, 'remakes'));
        return remakes > 0
          ? [
              {
                level: 'decide',
                at: cx.id,
                figure: idOf(step, 'remakes'),
                args: { remakes, after: Math.round(to.value(idOf(step, 'plateLife'))) },
                remedies: [],
              },
            ]
          : [];
      }),
    ),
};
