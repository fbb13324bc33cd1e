import { editAt } from '../../product/edit';
import { type Rule, wishPath } from './rule';

/** Panels of the folded width do not make up the open width: folds, open and folded size contradict each other. */
export const foldSizes: Rule = {
  code: 'fold.sizes',
  find: ({ plan, spec }) =>
    Object.values(plan.parts)
      .filter((p) => p.foldedWidthMm * (p.folds + 1) < p.widthMm - 0.5 || p.foldedWidthMm > p.widthMm)
      .map((p) => ({
        level: 'release',
        at: p.id,
        args: { openMm: p.widthMm, foldedMm: p.foldedWidthMm, panels: p.folds + 1 },
        remedies: [
          { do: 'edit', says: 'remedy.foldedFromOpen', args: {}, edits: [editAt(spec, wishPath(p.product, 'foldedWidthMm'), undefined)] },
        ],
      })),
};
