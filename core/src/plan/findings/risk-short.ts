import { idOf } from '../../quantity/id-of';
import { stepsAtRisk } from '../../counts/chance-of-enough';
import { DRAWN_JOBS, shareEnough } from '../../counts/drawn-jobs';
import { stepsTo } from '../../flow/upstream';
import { practiceValue } from '../../plant/practice';
import { pulledFlow } from '../../processes/pull/stock-flow';
import { editAt } from '../../product/edit';
import { freeStock } from '../passes/ready';
import type { FindingContext, Rule } from './rule';

/** Two of the drawn jobs: whole sheets, and the loss of the reserve itself, are no risk. */
const ROUNDING = 2 / DRAWN_JOBS;

/**
 * The chance of enough with the sheets that are there, where they are fewer than the plan pulls though more than the good pieces alone take; null where they
 * suffice, or are so few that only buying helps.
 */
function chanceWithStock({ plan, shelf, ledger, contexts }: FindingContext, item: string): number | null {
  const chance = plan.figures[idOf(item, 'chance')];
  if (!chance) return null;
  let missing = 0;
  const takenOnTheWay = new Set(
    stepsTo(plan, plan.items[item]?.goods ?? '').flatMap((id) => plan.steps[id]?.takes.map((t) => t.flow) ?? []),
  );
  for (const { cx } of contexts) {
    const [id, flow] = [pulledFlow(cx), plan.flows[pulledFlow(cx)]];
    if (flow?.supply?.from !== 'stock' || !takenOnTheWay.has(id)) continue;
    const perGood = flow.perGoodOf?.[plan.items[item]?.item ?? ''] ?? flow.perGood;
    missing += Math.max(ledger.value(idOf(id, 'demand')) - freeStock(shelf, flow.supply.stock), 0) / perGood;
  }
  if (missing === 0) return null;
  const values = Object.fromEntries(Object.entries(chance.terms).map(([name, t]) => [name, 'fig' in t ? ledger.value(t.fig) : t.value]));
  const steps = stepsAtRisk(values);
  const kept = steps.reduce((sum, s) => sum + s.kept, 0);
  const [first] = steps;
  if (!first || missing >= kept) return null;
  return shareEnough([{ ...first, kept: first.kept - missing }, ...steps.slice(1)], values['slack'] ?? 0);
}

/** Fewer such jobs come out than is wished for this job, or than the plant wishes: somebody counts on less, the stock does not reach, or the log says worse. */
export const riskShort: Rule = {
  code: 'risk.short',
  nr: 41,
  find: (cx) =>
    Object.entries(cx.plan.items).flatMap(([item, { chance }]) => {
      if (chance === null) return [];
      const wish = cx.spec.choices.certainty ?? practiceValue(cx.plant, 'risk.wish');
      const planned = cx.ledger.value(chance);
      const there = chanceWithStock(cx, item);
      const reached = Math.min(planned, there ?? 1);
      if (reached >= wish - ROUNDING) return [];
      return [
        {
          level: 'decide',
          at: 'job',
          figure: chance,
          args: { inHundred: Math.round((1 - reached) * 100), limit: Math.round((1 - wish) * 1_000) / 10 },
          remedies:
            planned < wish - ROUNDING && cx.spec.choices.certainty === undefined
              ? [
                  {
                    do: 'edit' as const,
                    says: 'remedy.layReserve',
                    args: { share: Math.round(wish * 1_000) / 10 },
                    edits: [editAt(cx.spec, ['choices', 'certainty'], wish)],
                  },
                ]
              : [],
        },
      ];
    }),
};
