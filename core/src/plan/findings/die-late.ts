import { idOf } from '../../quantity/id-of';
import { childOf } from '../../plant/plant';
import type { Finding } from '../../processes/finding';
import type { ToolUse } from '../../flow/net';
import type { FindingContext, Rule } from './rule';

const DAY_S = 86_400;

/**
 * A new die comes after the sheets for it are printed and dry, and a date is missed. Where none is, the works prints later, and there is nothing to say: most
 * new dies come after the first day on which their sheets could be printed.
 */
export const dieLate: Rule = {
  code: 'die.late',
  find: (cx) =>
    Object.entries(isDateMissed(cx) ? cx.plan.steps : {}).flatMap(([id, step]): Omit<Finding, 'code'>[] =>
      step.needs.flatMap(({ tool }): Omit<Finding, 'code'>[] => {
        const use = tool === undefined ? undefined : cx.plan.tools[tool];
        const at = use?.kind === 'cutting die' ? comesAt(use, cx) : null;
        const ready = readyBefore(id, cx);
        if (!use || at === null || ready === null || at <= ready) return [];
        return [
          {
            level: 'decide',
            at: id,
            figure: idOf(id, 'startAt'),
            args: { die: use.spec, hours: Math.ceil((at - ready) / 3_600) },
            remedies: [{ do: 'ask', says: 'remedy.dieSooner', desk: 'tool store' }],
          },
        ];
      }),
    ),
};

const isDateMissed = ({ plan, shelf, ledger }: FindingContext): boolean =>
  Object.values(plan.items).some(({ item }) => (shelf.due[item] ?? Infinity) < ledger.value('total.readyAt'));

/** When a die that is not there yet comes; null: it lies in the store. */
function comesAt({ supply }: ToolUse, { shelf }: FindingContext): number | null {
  if (supply.from === 'buy') return shelf.asOf + supply.leadDays * DAY_S;
  if (supply.from !== 'job') return null;
  const child = childOf(shelf, supply.job);
  return child && !child.delivered ? child.readyAt : null;
}

/** When what a step takes is done and has waited as long as it must; null: nothing is made before it. */
function readyBefore(id: string, { plan, ledger }: FindingContext): number | null {
  const step = plan.steps[id];
  const makers = Object.entries(plan.steps).filter(([, s]) => s.gives.some((g) => step?.takes.some((t) => t.flow === g.flow)));
  const ends = makers.map(([maker]) => idOf(maker, 'endAt')).filter((figure) => ledger.has(figure));
  if (ends.length === 0) return null;
  const waitS = ledger.has(idOf(id, 'waitS')) ? ledger.value(idOf(id, 'waitS')) : 0;
  return Math.max(...ends.map((figure) => ledger.value(figure))) + waitS;
}
