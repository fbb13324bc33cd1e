import { editAt } from '../../product/edit';
import type { Rule } from './rule';

/** A figure set by hand that is past its end date, or that is no longer part of the plan. */
export const overrideStale: Rule = {
  code: 'override.stale',
  find: ({ plan, spec, shelf }) =>
    Object.entries(spec.overrides).flatMap(([id, o]) => {
      const gone = !Object.hasOwn(plan.figures, id);
      if (!gone && o.until > shelf.asOf) return [];
      return [
        {
          level: 'decide',
          at: 'job',
          ...(!gone && { figure: id }),
          args: { figure: id, why: gone ? 'gone' : 'past', by: o.by },
          remedies: [{ do: 'edit', says: 'remedy.dropOverride', args: {}, edits: [editAt(spec, ['overrides', id], undefined)] }],
        },
      ];
    }),
};
