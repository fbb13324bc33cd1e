import { formsWith } from '../readings/forms-with';
import type { Stock } from '../../plant/plant';
import { foldsOf } from '../../product/folds';
import { editAt } from '../../product/edit';
import type { Part } from '../../product/part';
import type { Form } from '../../layout/form';
import { type Rule, wishPath } from './rule';

/** Whether some copy lies so that the grain runs across its folds (folds run along the height). */
export function grainAcrossFold(part: Part, forms: readonly Form[], stock: Stock): boolean {
  if (foldsOf(part) === 0) return false;
  const grain = stock.grain === 'short' ? 'y' : 'x';
  const cells = forms.flatMap((f) => f.layout?.cells.filter((c) => c.part === part.id) ?? []);
  return cells.some((c) => (c.turn === 90 || c.turn === 270 ? 'x' : 'y') !== grain);
}

/** Grain across the fold: the card springs open and cracks sooner. */
export const grainAcross: Rule = {
  code: 'fold.acrossGrain',
  find: ({ plan, spec, plant }) =>
    Object.values(plan.parts).flatMap((p) => {
      const forms = formsWith(plan, p.id);
      if (!forms.some((f) => f.stock !== null && plant.stocks[f.stock] && grainAcrossFold(p, [f], plant.stocks[f.stock] as Stock)))
        return [];
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
