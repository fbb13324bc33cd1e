import { idOf } from '../../quantity/id-of';
import type { Machine, Stock } from '../../plant/plant';
import { set } from '../../product/edit';
import { rollDiameterMm } from '../../stock/roll';
import { stocksOfGrade } from '../passes/resolve';
import type { Rule } from './rule';

interface Beyond {
  what: 'width' | 'diameter' | 'core' | 'mass';
  is: number;
  takes: number;
}

/** What of a roll a machine does not take; limits it does not name, it takes. */
export function rollBeyond(stock: Stock, lengthM: number, { limits }: Machine): Beyond[] {
  const { minWebMm, maxWebMm, maxRollDiameterMm, maxRollKg, coreMm } = limits;
  const core = stock.coreMm ?? 0;
  const diameter =
    stock.rollDiameterMm ?? (stock.caliperUm > 0 ? rollDiameterMm({ lengthM, coreMm: core, caliperUm: stock.caliperUm }) : 0);
  const beyond: Beyond[] = [];
  if (maxWebMm !== undefined && stock.widthMm > maxWebMm) beyond.push({ what: 'width', is: stock.widthMm, takes: maxWebMm });
  if (minWebMm !== undefined && stock.widthMm < minWebMm) beyond.push({ what: 'width', is: stock.widthMm, takes: minWebMm });
  if (maxRollDiameterMm !== undefined && diameter > maxRollDiameterMm)
    beyond.push({ what: 'diameter', is: Math.round(diameter), takes: maxRollDiameterMm });
  if (maxRollKg !== undefined && (stock.rollKg ?? 0) > maxRollKg) beyond.push({ what: 'mass', is: stock.rollKg ?? 0, takes: maxRollKg });
  if (coreMm !== undefined && core > 0 && core !== coreMm) beyond.push({ what: 'core', is: core, takes: coreMm });
  return beyond;
}

/** Roll wider, thicker, heavier or on another core than a machine of the route takes. */
export const rollOverMachine: Rule = {
  code: 'roll.overMachine',
  nr: 10,
  find: ({ spec, plant, ledger, contexts }) =>
    contexts.flatMap(({ cx }) => {
      const [part] = cx.parts;
      const form = cx.form?.id;
      if (!part || form === undefined || cx.stock?.form !== 'roll') return [];
      const lengthM = ledger.value(idOf(form, 'rollLength'));
      const [worst] = rollBeyond(cx.stock, lengthM, cx.machine);
      if (!worst) return [];
      const machines = contexts.filter((c) => c.cx.form?.id === form).map((c) => c.cx.machine);
      const other = stocksOfGrade(plant, part).find(([, s]) => machines.every((m) => rollBeyond(s, lengthM, m).length === 0));
      return [
        {
          level: 'release',
          at: cx.id,
          figure: idOf(form, 'rollLength'),
          args: { ...worst, machine: cx.machine.name },
          remedies: other
            ? [
                {
                  do: 'edit',
                  says: 'remedy.otherStock',
                  args: { stock: other[1].name },
                  edits: [set(spec, (s) => s.choices.stock[form], other[0])],
                },
              ]
            : [{ do: 'ask', says: 'remedy.rewindRoll', desk: 'store' }],
        },
      ];
    }),
};
