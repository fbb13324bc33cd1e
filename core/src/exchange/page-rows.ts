import type { Plan } from '../plan/plan-types';
import type { Plant, Shelf } from '../plant/plant';
import { caliperUmOf } from '../processes/stock-terms';
import type { Form } from '../layout/form';
import type { PrintedSide } from '../layout/page-scene';
import { trimmedPages } from '../layout/trim-boxes';
import { sectionCreep } from '../signature/page-creep';
import type { SheetBox } from '../signature/sheet-pages';

type Row = Record<string, string | number>;

/**
 * Pages of all forms, a line each: where it stands on its side, from lay and gripper edge, which way its head points, where it is trimmed, and how far
 * it is shifted to the spine against creep. Nothing where no sections are folded.
 */
export function pageRows(plan: Plan, plant: Plant, shelf: Shelf): Row[] {
  return Object.values(plan.forms).flatMap((form) => {
    const { imposed } = form.layout ?? {};
    const part = plan.parts[form.parts[0] ?? ''];
    if (!imposed || !part) return [];
    const shifts = shiftsOf(form, plan, plant, shelf);
    const trims = (side: PrintedSide): Map<SheetBox, SheetBox> =>
      new Map(trimmedPages(imposed, side, form.layout?.sheetMm ?? [0, 0], (page) => shifts.get(page) ?? 0).map((t) => [t.cell, t.trim]));
    return (['front', 'back'] as const).flatMap((side) => {
      const trimOf = trims(side);
      return imposed[side].map((p): Row => ({
        form: form.name || form.id,
        side,
        section: imposed.sections.find((s) => s.key === p.section)?.name ?? p.section,
        page: p.page ?? 'blank',
        'x mm': p.x,
        'y mm': p.y,
        'width mm': p.w,
        'height mm': p.h,
        head: { n: 'tail', s: 'gripper', w: 'lay', e: 'far' }[p.head],
        'trim x mm': rounded(trimOf.get(p)?.x),
        'trim y mm': rounded(trimOf.get(p)?.y),
        'shift mm': Math.round((shifts.get(p.page ?? -1) ?? 0) * 1e4) / 1e4,
      }));
    });
  });
}
const rounded = (mm: number | undefined): number | string => (mm === undefined ? '' : Math.round(mm * 1e4) / 1e4);

/** How far each page of a form is shifted to the spine against creep; none where nothing is. */
export function shiftsOf(form: Form, plan: Pick<Plan, 'parts'>, plant: Pick<Plant, 'stocks'>, shelf: Shelf): Map<number, number> {
  const part = plan.parts[form.parts[0] ?? ''];
  if (part?.traits?.stitched?.cure !== 'shift') return new Map();
  const caliperUm = caliperUmOf({ shelf, stockId: form.stock, stock: plant.stocks[form.stock ?? ''] ?? null });
  return new Map(
    (form.layout?.imposed?.sections ?? []).flatMap((s) =>
      sectionCreep(part, s, caliperUm).flatMap(({ mm, pages }) => pages.map((p) => [p, mm] as const)),
    ),
  );
}
