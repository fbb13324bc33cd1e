import { idOf } from '../../quantity/id-of';
import { editAt } from '../../product/edit';
import { isCuttable } from '../../layout/cuttable';
import { copyPlaces } from '../../layout/layout';
import type { Rule } from './rule';

/** A layout that no straight cut takes apart, with a machine on the route that cuts straight only. */
export const notCuttable: Rule = {
  code: 'layout.notCuttable',
  find: ({ spec, contexts }) =>
    contexts.flatMap(({ stone, cx }) => {
      const { form, layout } = cx;
      // A layout that was made for straight cuts carries them.
      if (!form || !layout || !stone.process.straightCuts || layout.cuts || isCuttable(copyPlaces(layout))) return [];
      return [
        {
          level: 'release',
          at: cx.id,
          figure: idOf(form.id, 'copiesUp'),
          args: { machine: cx.machine.name },
          remedies: [
            { do: 'edit', says: 'remedy.defaultLayout', args: {}, edits: [editAt(spec, ['choices', 'layout', form.id], undefined)] },
          ],
        },
      ];
    }),
};
