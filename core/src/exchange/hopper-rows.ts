import type { Plan } from '../plan/plan-types';
import type { Plant } from '../plant/plant';
import { hopperOrder, liesSay } from '../processes/hoppers';
import { foliosSay } from '../signature/folios';

/** Hoppers of the gatherer, a line each in the order of the book: what each drops, how it lies, where its mark stands. Nothing where no sections are gathered behind one another. */
export function hopperRows(plan: Plan, plant: Plant): Record<string, string | number>[] {
  return Object.values(plan.parts)
    .filter((p) => p.traits?.adhesive ?? p.traits?.sewn)
    .flatMap(({ product }) =>
      hopperOrder({ parts: Object.values(plan.parts).filter((p) => p.product === product), forms: Object.values(plan.forms) }).map((h) => ({
        book: product,
        hopper: h.position,
        drops: h.section.name,
        pages: foliosSay(h.pages),
        paper: plant.stocks[h.form.stock ?? '']?.name ?? '',
        lies: liesSay(h),
        'mark from the head mm': Math.round(h.markMm * 100) / 100,
        'mark column': h.markColumn,
      })),
    );
}
