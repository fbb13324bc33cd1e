import { editAt } from '../../product/edit';
import type { Finding } from '../../processes/finding';
import { type Rule, wishPath } from './rule';

/** Panels of the folded width do not make up the open width: folds, open and folded size contradict each other. */
export const foldSizes: Rule = {
  code: 'fold.sizes',
  find: ({ plan, spec }) =>
    Object.values(plan.parts).flatMap((p): Omit<Finding, 'code'>[] => {
      const { folds, foldedWidthMm } = p.traits?.folds ?? { folds: 0, foldedWidthMm: p.widthMm };
      if (foldedWidthMm * (folds + 1) >= p.widthMm - 0.5 && foldedWidthMm <= p.widthMm) return [];
      return [
        {
          level: 'release',
          at: p.id,
          args: { openMm: p.widthMm, foldedMm: foldedWidthMm, panels: folds + 1 },
          remedies: [
            { do: 'edit', says: 'remedy.foldedFromOpen', args: {}, edits: [editAt(spec, wishPath(p.product, 'foldedWidthMm'), undefined)] },
          ],
        },
      ];
    }),
};
