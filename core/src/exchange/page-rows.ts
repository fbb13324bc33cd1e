import type { Plan } from '../plan/plan-types';
import type { Plant, Shelf } from '../plant/plant';
import { caliperUmOf } from '../processes/stock-terms';
import { sectionCreep } from '../signature/page-creep';

type Row = Record<string, string | number>;

/**
 * Pages of all forms, a line each: where it stands on its side, from lay and gripper edge, which way its head points, and how far it is shifted to the spine
 * against creep. Nothing where no sections are folded.
 */
export function pageRows(plan: Plan, plant: Plant, shelf: Shelf): Row[] {
  return Object.values(plan.forms).flatMap((form) => {
    const { imposed } = form.layout ?? {};
    const part = plan.parts[form.parts[0] ?? ''];
    if (!imposed || !part) return [];
    const caliperUm = caliperUmOf({ shelf, stockId: form.stock, stock: plant.stocks[form.stock ?? ''] ?? null });
    const shifts = new Map(
      part.traits?.stitched?.cure === 'shift'
        ? imposed.sections.flatMap((s) => sectionCreep(part, s, caliperUm).flatMap(({ mm, pages }) => pages.map((p) => [p, mm] as const)))
        : [],
    );
    return (['front', 'back'] as const).flatMap((side) =>
      imposed[side].map((p): Row => ({
        form: form.name || form.id,
        side,
        section: imposed.sections.find((s) => s.key === p.section)?.name ?? p.section,
        page: p.page ?? 'blank',
        'x mm': p.x,
        'y mm': p.y,
        'width mm': p.w,
        'height mm': p.h,
        head: { n: 'tail', s: 'gripper', w: 'lay', e: 'far' }[p.head],
        'shift mm': Math.round((shifts.get(p.page ?? -1) ?? 0) * 1e4) / 1e4,
      })),
    );
  });
}
