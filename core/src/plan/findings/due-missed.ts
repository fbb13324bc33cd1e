import type { Rule } from './rule';

/** Ready after the date promised, even with nobody else in the way. */
export const dueMissed: Rule = {
  code: 'due.missed',
  find: ({ plan, shelf, ledger }) =>
    [...new Set(Object.values(plan.items).map((i) => i.item))].flatMap((item) => {
      const due = Object.hasOwn(shelf.due, item) ? shelf.due[item] : undefined;
      const ready = ledger.value('total.readyAt');
      return due === undefined || ready <= due
        ? []
        : [
            {
              level: 'decide',
              at: 'job',
              figure: 'total.readyAt',
              args: { ready, due, hours: Math.ceil((ready - due) / 3600) },
              remedies: [],
            },
          ];
    }),
};
