import type { Rule } from './rule';

/** Work sent out without a date to come back. */
export const outsideNoDate: Rule = {
  code: 'outside.noDate',
  nr: 60,
  find: ({ contexts }) =>
    contexts
      .filter(({ cx }) => cx.machine.outside && typeof cx.settings['returnBy'] !== 'string')
      .map(({ cx, stone }) => ({
        level: 'decide',
        at: cx.id,
        args: { supplier: cx.machine.outside?.supplier ?? '', key: stone.key },
        remedies: [{ do: 'ask', says: 'remedy.askSupplier', desk: 'planner' }],
      })),
};
