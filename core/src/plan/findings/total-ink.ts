import type { Rule } from './rule';

/** Total ink as typed above what the paper takes. */
export const totalInk: Rule = {
  code: 'ink.total',
  nr: 28,
  find: ({ plan, plant }) =>
    Object.values(plan.parts).flatMap((p) => {
      const limit = plant.stocks[plan.stocks[p.id] ?? '']?.totalInkPercent;
      return limit === undefined || p.totalInkPercent === undefined || p.totalInkPercent <= limit
        ? []
        : [
            {
              level: 'decide',
              at: p.id,
              args: { total: p.totalInkPercent, limit },
              remedies: [{ do: 'ask', says: 'remedy.rebuildSeparations', desk: 'prepress' }],
            },
          ];
    }),
};
