import type { InkSeries } from '../../plant/plant';
import { editAt } from '../../product/edit';
import { isFromTheDrum } from '../../product/ink-names';
import type { Remedy } from '../../processes/finding';
import type { Rule } from './rule';

/** Dries, and comes to the press, as the other does: nobody prints thinned ink from a duct. */
const isLike = (one: InkSeries, other: InkSeries | null): boolean =>
  one.lampDried === (other?.lampDried ?? false) && (one.thinned ?? false) === (other?.thinned ?? false);

/** Food lies behind print, varnish or adhesive that is not made for it. What is allowed is a matter of local law; the plan only knows the series and the stock. */
export const foodMigration: Rule = {
  code: 'food.migration',
  nr: 30,
  find: ({ spec, plant, contexts }) =>
    contexts.flatMap(({ cx }) => {
      if (!cx.parts.some((p) => p.food) || !('units' in cx.machine.limits)) return [];
      const printed = cx.prints.flat();
      const found = (what: string, name: string, remedies: Remedy[]) => ({
        level: 'release' as const,
        at: cx.id,
        args: { what, name },
        remedies,
      });
      const series = (what: string, key: string, used: InkSeries | null, from: Record<string, InkSeries>) => {
        const fit = Object.entries(from).find(([, s]) => s.lowMigration && isLike(s, cx.inkSeries));
        const edits = fit ? [editAt(spec, ['choices', 'settings', cx.id, key], fit[0])] : [];
        return found(what, used?.name ?? '', fit ? [{ do: 'edit', says: 'remedy.inkSeries', args: { series: fit[1].name }, edits }] : []);
      };
      const weakInk = printed.some((ink) => !isFromTheDrum(ink)) && cx.inkSeries?.lowMigration !== true;
      const weakCoat = printed.some(isFromTheDrum) && cx.coatSeries?.lowMigration !== true;
      const weakGlue = cx.stock?.laminate !== undefined && !cx.stock.laminate.foodSafe;
      return [
        ...(weakInk ? [series('ink', 'series', cx.inkSeries, plant.inks)] : []),
        ...(weakCoat ? [series('coat', 'coatSeries', cx.coatSeries, plant.coats ?? {})] : []),
        ...(weakGlue && !weakInk && !weakCoat ? [found('adhesive', cx.stock?.laminate?.adhesive ?? '', [])] : []),
      ];
    }),
};
