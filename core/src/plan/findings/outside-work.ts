import { idOf } from '../../quantity/id-of';
import { editAt } from '../../product/edit';
import { returnMoment } from '../../route/outside-work';
import type { Rule } from './rule';

const DAY_S = 86_400;

/** Work sent out without a date to come back, or with one that cannot be read. */
export const outsideNoDate: Rule = {
  code: 'outside.noDate',
  nr: 60,
  find: ({ contexts }) =>
    contexts
      .filter(({ cx }) => cx.machine.outside && returnMoment(cx.settings['returnBy']) === null)
      .map(({ cx, stone }) => ({
        level: 'decide',
        at: cx.id,
        args: { supplier: cx.machine.outside?.supplier ?? '', key: stone.key },
        remedies: [{ do: 'ask', says: 'remedy.askSupplier', desk: 'planner' }],
      })),
};

/** A return date before the work can be back: it leaves too late for the days the supplier takes. */
export const outsideTooSoon: Rule = {
  code: 'outside.tooSoon',
  nr: 60,
  find: ({ spec, ledger, contexts }) =>
    contexts.flatMap(({ cx }) => {
      const back = returnMoment(cx.settings['returnBy']);
      const [first] = cx.stepIds;
      const days = cx.machine.outside?.days ?? 0;
      if (!cx.machine.outside || back === null || first === undefined) return [];
      const earliest = ledger.value(idOf(first, 'startAt')) + days * DAY_S;
      if (back >= earliest) return [];
      return [
        {
          level: 'decide',
          at: cx.id,
          figure: idOf(first, 'endAt'),
          args: { supplier: cx.machine.outside.supplier, days, late: Math.ceil((earliest - back) / DAY_S) },
          remedies: [
            {
              do: 'edit',
              says: 'remedy.returnLater',
              args: { by: new Date(earliest * 1000).toISOString().slice(0, 10) },
              edits: [
                editAt(spec, ['choices', 'settings', cx.id, 'returnBy'], new Date((earliest + DAY_S) * 1000).toISOString().slice(0, 10)),
              ],
            },
          ],
        },
      ];
    }),
};
