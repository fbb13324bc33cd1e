import { idOf } from '../../quantity/id-of';
import { practiceValue } from '../../plant/practice';
import { editAt } from '../../product/edit';
import type { Rule } from './rule';

/** A lift too high for soft or laminated stock: the knife draws. */
export const liftHigh: Rule = {
  code: 'lift.high',
  nr: 55,
  find: ({ spec, plant, ledger, contexts }) =>
    contexts.flatMap(({ cx }) => {
      const typed = cx.settings['liftMm'];
      const limit = practiceValue(plant, 'guillotine.softLiftMm');
      if (!ledger.has(idOf(cx.id, 'perLift')) || !cx.stock?.soft || typeof typed !== 'number' || typed <= limit) return [];
      return [
        {
          level: 'decide',
          at: cx.id,
          figure: idOf(cx.id, 'perLift'),
          args: { liftMm: typed, limit },
          remedies: [
            { do: 'edit', says: 'remedy.lift', args: { limit }, edits: [editAt(spec, ['choices', 'settings', cx.id, 'liftMm'], limit)] },
          ],
        },
      ];
    }),
};
