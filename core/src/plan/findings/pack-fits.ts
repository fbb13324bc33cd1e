import { cartonOf } from '../../processes/pack/cartons';
import { foldedWidthOf } from '../../product/folds';
import { editAt } from '../../product/edit';
import type { Rule } from './rule';

/** The piece does not lie flat in the carton: it is packed into none. */
export const packDoesNotFit: Rule = {
  code: 'pack.doesNotFit',
  find: ({ spec, contexts }) =>
    contexts.flatMap(({ cx, stone }) => {
      if (!stone.process.packs) return [];
      const { card, all, fits } = cartonOf(cx);
      if (fits) return [];
      const [widthMm, depthMm] = cx.bundle?.footprintMm ?? [foldedWidthOf(cx.parts[0]), cx.parts[0]?.heightMm ?? 0];
      const other = all.find((c) => c.id !== card.id && cartonOf({ ...cx, settings: { ...cx.settings, carton: c.id } }).fits);
      return [
        {
          level: 'release',
          at: cx.id,
          args: { carton: card.name, widthMm, depthMm, cartonWidthMm: card.widthMm, cartonDepthMm: card.depthMm },
          remedies: other
            ? [
                {
                  do: 'edit',
                  says: 'remedy.otherCarton',
                  args: { carton: other.name },
                  edits: [editAt(spec, ['choices', 'settings', cx.id, 'carton'], other.id)],
                },
              ]
            : [{ do: 'ask', says: 'remedy.largerCarton', desk: 'store' }],
        },
      ];
    }),
};
