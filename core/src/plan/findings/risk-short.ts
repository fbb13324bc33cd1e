import { idOf } from '../../quantity/id-of';
import { allowanceFor } from '../../counts/chance-of-enough';
import { practiceValue } from '../../plant/practice';
import { editAt } from '../../product/edit';
import { type JobSpec, orderedQuantity } from '../../product/job-spec';
import { sharing } from '../sharing';
import type { FindingContext, Rule } from './rule';

/**
 * The aim at which the chance of enough reaches the wish. The loss is a fixed part S and a share r of the aim; with k the factor of allowance
 * to expected loss that the wish asks, aim − least = (k − 1)·(S + r·aim), so aim = (least + (k − 1)·S) / (1 − (k − 1)·r).
 */
function aimForWish({ plan, spec, to, plant }: FindingContext, item: string, limit: number): number | null {
  const of = plan.items[item];
  if (!of) return null;
  const aim = to.value(idOf(of.goods, 'demand'));
  const expected = to.value(idOf(item, 'expectedLoss'));
  const running = plan.stones
    .flatMap((s) => s.lost)
    .filter((l) => l.kind === 'running')
    .reduce((sum, l) => sum + (l.perGood > 0 ? to.value(l.figure) / l.perGood : 0), 0);
  const variationOf = (id: string): number =>
    to.has(idOf(id, 'variation')) ? to.value(idOf(id, 'variation')) : practiceValue(plant, 'risk.variation');
  const k = allowanceFor({ certainty: 1 - limit, expected: 1, variation: variationOf(item) });
  const r = Math.min(running, expected) / Math.max(aim, 1);
  const below = 1 - (k - 1) * r;
  // One part in two hundred more: setup losses of small runs come in whole sheets of copies.
  const together = sharing(plan.items, item);
  const least = together.reduce((sum, id) => sum + to.value(plan.items[id]?.least ?? ''), 0);
  // The aim of this item: what the others made with it want is aimed at by them.
  const others = together.filter((id) => id !== item).reduce((sum, id) => sum + wantedOf(spec, id), 0);
  return below > 0 ? Math.ceil(((least + (k - 1) * Math.max(expected - running, 0)) / below) * 1.005) - others : null;
}

/** Pieces an item is planned for: its aim, or what was ordered of it. */
function wantedOf(spec: JobSpec, item: string): number {
  const of = spec.items[item];
  return Object.hasOwn(spec.choices.aim, item) ? (spec.choices.aim[item] ?? 0) : of ? orderedQuantity(of) : 0;
}

/** The chance of falling short is above what is wished for this job, or what the plant allows. */
export const riskShort: Rule = {
  code: 'risk.short',
  nr: 41,
  find: (cx) =>
    Object.entries(cx.plan.items).flatMap(([item, { chance }]) => {
      const { certainty } = cx.spec.choices;
      const limit = certainty === undefined ? practiceValue(cx.plant, 'risk.shortLimit') : 1 - certainty;
      // Rounding of a whole sheet is no risk.
      if (chance === null || 1 - cx.to.value(chance) <= limit + 1e-9) return [];
      const aim = aimForWish(cx, item, limit);
      const more = aim === null ? 0 : aim - wantedOf(cx.spec, item);
      return [
        {
          level: 'decide',
          at: 'job',
          figure: chance,
          args: { inHundred: Math.round((1 - cx.to.value(chance)) * 100), limit: Math.round(limit * 1_000) / 10 },
          remedies:
            aim === null || more <= 0 || aim > 1e9
              ? []
              : [{ do: 'edit' as const, says: 'remedy.aimMore', args: { more }, edits: [editAt(cx.spec, ['choices', 'aim', item], aim)] }],
        },
      ];
    }),
};
