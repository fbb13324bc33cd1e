import type { Id } from '../../quantity/figure';
import { idOf } from '../../quantity/id-of';
import { sharing } from '../passes/sharing';
import type { FindingContext, Rule } from './rule';

/** At the rate counted so far fewer good pieces come out than are wanted. Wanted of everything made in the run together. */
export const floorShort: Rule = {
  code: 'floor.short',
  nr: 44,
  find: ({ plan, ledger }) =>
    Object.entries(plan.items).flatMap(([item, of]) => {
      const together = sharing(plan.items, item);
      if (!of.forecast || together[0] !== item) return [];
      const all = (what: 'least' | 'wanted'): number => together.reduce((sum, id) => sum + ledger.value(plan.items[id]?.[what] ?? ''), 0);
      const [wanted, good] = [all('wanted'), ledger.value(of.forecast.good)];
      if (good >= wanted) return [];
      return [
        {
          level: 'decide',
          at: 'job',
          figure: of.forecast.good,
          args: {
            short: wanted - good,
            below: Math.max(all('least') - good, 0),
            low: ledger.value(of.forecast.low),
            high: ledger.value(of.forecast.high),
            at: ledger.value('total.readyAt'),
            ...scarcest({ plan, ledger }),
          },
          remedies: [{ do: 'ask', says: 'remedy.shortage', desk: 'floor' }],
        },
      ];
    }),
};

/** A place where parts come together, and the one of them that is enough for the fewest. */
interface Join {
  step: Id<'step'>;
  flow: Id<'flow'>;
  part: string;
  enough: number;
  copies: number;
}

/** Places where one part is enough for fewer than the others, and for fewer than are planned there. */
const joinsShort = ({ plan, ledger }: Pick<FindingContext, 'plan' | 'ledger'>): Join[] =>
  Object.entries(plan.steps).flatMap(([id, step]) => {
    const reaches = step.takes.flatMap(({ flow }, i) => {
      const of = plan.flows[flow];
      const reach = idOf(id, `reach.${i}`);
      const part = of?.section ?? plan.parts[of?.part ?? '']?.role ?? of?.part ?? '';
      return of && of.supply === undefined && ledger.has(reach) ? [{ flow, part, enough: ledger.value(reach) }] : [];
    });
    const [least, next] = [...reaches].sort((a, b) => a.enough - b.enough);
    const [gives] = step.gives;
    const copiesACycle = gives ? gives.per / (plan.flows[gives.flow]?.perGood ?? 1) : 1;
    const isShort = least && next && least.enough < next.enough && least.enough < ledger.value(idOf(id, 'run'));
    return isShort ? [{ step: id, ...least, copies: least.enough * copiesACycle }] : [];
  });

/** All steps that lead to a flow. */
function stepsBefore(flow: Id<'flow'>, { steps }: FindingContext['plan']): Set<Id<'step'>> {
  const found = new Set<Id<'step'>>();
  const flows = [flow];
  for (let at = flows.pop(); at !== undefined; at = flows.pop())
    for (const [id, step] of Object.entries(steps)) {
      if (found.has(id) || !step.gives.some((g) => g.flow === at)) continue;
      found.add(id);
      flows.push(...step.takes.map((t) => t.flow));
    }
  return found;
}

/** What is scarcest: where the fewest copies can be joined, and if that part was short of one of its own already, that one. Nothing where all are enough. */
function scarcest({ plan, ledger }: Pick<FindingContext, 'plan' | 'ledger'>): { part: string; enough: number } | Record<string, never> {
  const joins = joinsShort({ plan, ledger });
  const fewest = (of: readonly Join[]): Join | undefined =>
    of.reduce<Join | undefined>((least, join) => (!least || join.copies < least.copies ? join : least), undefined);
  let scarce = fewest(joins);
  for (let earlier = scarce; earlier;) {
    scarce = earlier;
    const before = stepsBefore(earlier.flow, plan);
    earlier = fewest(joins.filter((join) => before.has(join.step)));
  }
  return scarce ? { part: scarce.part, enough: scarce.enough } : {};
}

/** What was received is not what became of it. A balanced job does not close with a difference; any other should know of it. */
export const countsOff: Rule = {
  code: 'counts.off',
  nr: 45,
  find: ({ plan, spec, shelf }) => {
    const balanced = Object.values(spec.items).some((i) => i.balanced);
    return (shelf.floor?.off ?? []).map(({ step, pile, by }) => ({
      level: balanced ? 'close' : 'know',
      at: plan.stones.find((s) => step !== null && s.steps.includes(step))?.id ?? 'job',
      args: { by: Math.abs(by), way: by > 0 ? 'missing' : 'too many', pile },
      remedies: [{ do: 'ask', says: 'remedy.recount', desk: 'floor' }],
    }));
  },
};

/** The shift before left word at a machine, and nobody has read it. */
export const handoverUnread: Rule = {
  code: 'handover.unread',
  nr: 61,
  find: ({ plan, shelf }) =>
    (shelf.floor?.unread ?? []).flatMap(({ machine, notes }) => {
      const waiting = plan.stones.find((s) => s.machine === machine && s.steps.some((id) => shelf.counted[id]?.done !== true));
      return waiting
        ? [
            {
              level: 'start' as const,
              at: waiting.id,
              figure: idOf(waiting.steps[0] ?? waiting.id, 'startAt'),
              args: { notes, machine: waiting.machineName },
              remedies: [{ do: 'ask' as const, says: 'remedy.readHandover', desk: 'floor' }],
            },
          ]
        : [];
    }),
};
