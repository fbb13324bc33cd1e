import type { Stock } from '../../plant/plant';
import { editAt } from '../../product/edit';
import type { Part } from '../../product/part';
import type { Layout } from '../../layout/layout';
import { type Rule, wishPath } from './rule';

/** Whether some copy lies so that the grain runs across its folds (folds run along the height). */
export function grainAcrossFold(part: Part, layout: Layout | undefined, stock: Stock): boolean {
  if (part.folds === 0 || !layout) return false;
  const grain = stock.grain === 'short' ? 'y' : 'x';
  return layout.cells.some((c) => (c.turn === 90 || c.turn === 270 ? 'x' : 'y') !== grain);
}

/** Grain across the fold: the card springs open and cracks sooner. */
export const grainAcross: Rule = {
  code: 'fold.acrossGrain',
  find: ({ plan, spec, plant }) =>
    Object.values(plan.parts).flatMap((p) => {
      const stock = plant.stocks[plan.stocks[p.id] ?? ''];
      if (!stock || !grainAcrossFold(p, plan.layouts[p.id], stock)) return [];
      return [
        {
          level: 'decide',
          at: p.id,
          args: {},
          remedies: [{ do: 'edit', says: 'remedy.grainAlong', args: {}, edits: [editAt(spec, wishPath(p.product, 'grain'), undefined)] }],
        },
      ];
    }),
};
