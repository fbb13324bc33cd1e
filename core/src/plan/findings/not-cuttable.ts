import { idOf } from '../../quantity/id-of';
import { editAt } from '../../product/edit';
import { isCuttable } from '../../layout/cuttable';
import { copyPlaces } from '../../layout/layout';
import type { Rule } from './rule';

/** A layout that no straight cut takes apart, with a machine on the route that cuts straight only. */
export const notCuttable: Rule = {
  code: 'layout.notCuttable',
  find: ({ plan, spec, contexts }) =>
    contexts.flatMap(({ stone, cx }) => {
      const part = cx.parts[0];
      const layout = part && plan.layouts[part.id];
      // A layout that was made for straight cuts carries them.
      if (!part || !layout || !stone.process.straightCuts || layout.cuts || isCuttable(copyPlaces(layout, part))) return [];
      return [
        {
          level: 'release',
          at: cx.id,
          figure: idOf(part.id, 'copiesUp'),
          args: { machine: cx.machine.name },
          remedies: [
            { do: 'edit', says: 'remedy.defaultLayout', args: {}, edits: [editAt(spec, ['choices', 'layout', part.id], undefined)] },
          ],
        },
      ];
    }),
};
