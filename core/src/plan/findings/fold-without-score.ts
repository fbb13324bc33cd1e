import { idOf } from '../../quantity/id-of';
import { practiceOf } from '../../plant/practice';
import { editAt } from '../../product/edit';
import { isScored } from '../../processes/fold/is-scored';
import { grainAcrossFold } from './grain-across-fold';
import { formsWith } from '../readings/forms-with';
import type { Rule } from './rule';

/** Board above the limit folded without a score, coated or across the grain: it cracks. */
export const foldWithoutScore: Rule = {
  code: 'fold.noScore',
  nr: 52,
  find: ({ plan, spec, plant, ledger, contexts }) =>
    contexts.flatMap(({ cx }) => {
      const part = cx.parts[0];
      if (!ledger.has(idOf(cx.id, 'foldedMm')) || !part || !cx.stock || isScored(cx)) return [];
      const { value, pm } = practiceOf(plant, 'fold.scoreAboveGsm');
      const across = grainAcrossFold(part, formsWith(plan, part.id), cx.stock);
      if (cx.stock.gsm <= value - pm || (cx.stock.surface === 'uncoated' && !across)) return [];
      return [
        {
          level: 'release',
          at: cx.id,
          args: { gsm: cx.stock.gsm, limit: value - pm, why: across ? 'across' : 'coated' },
          remedies: [
            { do: 'edit', says: 'remedy.score', args: {}, edits: [editAt(spec, ['choices', 'settings', cx.id, 'score'], undefined)] },
          ],
        },
      ];
    }),
};
