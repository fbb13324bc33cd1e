import { practiceValue } from '../../plant/practice';
import { editAt } from '../../product/edit';
import { type Rule, wishPath } from './rule';

/** Less bleed than the cut wanders. */
export const bleedSmall: Rule = {
  code: 'bleed.small',
  nr: 14,
  find: ({ plan, spec, plant }) =>
    Object.values(plan.parts).flatMap((p) => {
      const least = practiceValue(plant, p.traits?.web ? 'layout.labelBleedMm' : 'layout.bleedMm');
      // A web is printed over its edge, and slit at the lanes.
      if (p.traits?.wound) return [];
      // Of blanks the gap between them counts: the die says so itself; of books what the three knives take.
      if (p.traits?.blank || p.traits?.spread || p.traits?.bound?.nested === false) return [];
      if (p.colours[0].length + p.colours[1].length === 0 || p.bleedMm >= least) return [];
      return [
        {
          level: 'decide',
          at: p.id,
          args: { bleedMm: p.bleedMm, least },
          remedies: [{ do: 'edit', says: 'remedy.bleed', args: { least }, edits: [editAt(spec, wishPath(p.product, 'bleedMm'), least)] }],
        },
      ];
    }),
};
