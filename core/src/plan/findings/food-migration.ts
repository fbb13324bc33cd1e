import { editAt } from '../../product/edit';
import type { Remedy } from '../plan-types';
import type { Rule } from './rule';

/** Food lies behind print or adhesive that is not made for it. What is allowed is a matter of local law; the plan only knows the series and the stock. */
export const foodMigration: Rule = {
  code: 'food.migration',
  nr: 30,
  find: ({ spec, plant, contexts }) =>
    contexts.flatMap(({ cx }) => {
      const part = cx.parts[0];
      if (!part?.food || !('units' in cx.machine.limits)) return [];
      const ink = part.colours.flat().length > 0 && cx.inkSeries?.lowMigration !== true;
      const glue = cx.stock?.laminate !== undefined && !cx.stock.laminate.foodSafe;
      const fit = Object.entries(plant.inks).find(([, s]) => s.lowMigration && s.lampDried === (cx.inkSeries?.lampDried ?? false));
      const found = (what: string, name: string, remedies: Remedy[]) => ({
        level: 'release' as const,
        at: cx.id,
        args: { what, name },
        remedies,
      });
      if (ink)
        return [
          found(
            'ink',
            cx.inkSeries?.name ?? '',
            fit
              ? [
                  {
                    do: 'edit',
                    says: 'remedy.inkSeries',
                    args: { series: fit[1].name },
                    edits: [editAt(spec, ['choices', 'settings', cx.id, 'series'], fit[0])],
                  },
                ]
              : [],
          ),
        ];
      return glue ? [found('adhesive', cx.stock?.laminate?.adhesive ?? '', [])] : [];
    }),
};
