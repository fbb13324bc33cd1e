import { editAt } from '../../product/edit';
import { type Rule, wishPath } from './rule';

/** Less between two die-cut labels than the bleed of both: the die wanders into the neighbour's ink. */
export const gapNarrow: Rule = {
  code: 'gap.narrow',
  nr: 14,
  find: ({ plan, spec }) =>
    Object.values(plan.parts).flatMap((p) => {
      const least = 2 * p.bleedMm;
      if (p.traits?.web?.delivered !== 'rolls' || p.colours[0].length === 0 || p.traits.web.gapMm >= least) return [];
      return [
        {
          level: 'decide',
          at: p.id,
          args: { gapMm: p.traits.web.gapMm, bleedMm: p.bleedMm, least },
          remedies: [{ do: 'edit', says: 'remedy.gap', args: { least }, edits: [editAt(spec, wishPath(p.product, 'gapMm'), least)] }],
        },
      ];
    }),
};
