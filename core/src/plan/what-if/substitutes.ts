import type { Id } from '../../quantity/figure';
import type { Plant, Shelf } from '../../plant/plant';
import { editAt, type Edit } from '../../product/edit';
import type { JobSpec } from '../../product/job-spec';
import { applyEdits } from '../door';
import { type Moved, movedBetween } from '../readings/moved';
import { plan } from '../plan';
import { formsWith } from '../readings/forms-with';
import type { Plan } from '../plan-types';
import { comesRight } from '../passes/resolve';

/** How far the mass of a substitute may be off what was asked for. Common practice, no source. */
const MASS_OFF = 0.15;

/** Another stock in place of the one planned, and everything it changes. */
export interface Substitute {
  part: Id<'part'>;
  stock: Id<'stock'>;
  /** Another grade than was ordered: somebody has to agree. */
  otherGrade: boolean;
  edits: Edit[];
  moved: Moved;
}

/**
 * Stocks a part could be made from instead: the same form and surface, and a mass within 15 % of the one planned; its grade may be another. Each is planned
 * whole, so that caliper, layout, presses, waits and findings follow. Lazy: the caller may stop between two.
 */
export function* substitutes(spec: JobSpec, plant: Plant, shelf: Shelf): Generator<Substitute> {
  const now = plan(spec, plant, shelf);
  for (const part of Object.values(now.parts)) {
    const [form] = formsWith(now, part.id);
    const planned = form?.stock ?? null;
    const card = planned === null ? undefined : plant.stocks[planned];
    if (!card) continue;
    for (const [stock, other] of Object.entries(plant.stocks)) {
      if (stock === planned || !comesRight(part, other) || other.surface !== card.surface) continue;
      if (Math.abs(other.gsm - card.gsm) > card.gsm * MASS_OFF) continue;
      const otherGrade = other.grade !== part.grade;
      const edits = [
        editAt(spec, ['choices', 'stock', form?.slot ?? part.id], stock),
        ...(otherGrade ? [editAt(spec, ['products', part.product, 'wish', 'grade'], other.grade)] : []),
      ];
      const made = planWith(spec, edits, plant, shelf);
      if (made) yield { part: part.id, stock, otherGrade, edits, moved: movedBetween(now, made) };
    }
  }
}

function planWith(spec: JobSpec, edits: readonly Edit[], plant: Plant, shelf: Shelf): Plan | null {
  const applied = applyEdits(spec, edits);
  return applied.ok ? plan(applied.made, plant, shelf) : null;
}
