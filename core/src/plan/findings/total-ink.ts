import { formsWith } from '../readings/forms-with';
import type { Rule } from './rule';

/** Total ink above what the paper takes: as read from the separations, before they were as typed. */
export const totalInk: Rule = {
  code: 'ink.total',
  nr: 28,
  find: ({ plan, plant, shelf, contexts }) =>
    Object.values(plan.parts).flatMap((p) => {
      const limits = formsWith(plan, p.id).flatMap((f) => plant.stocks[f.stock ?? '']?.totalInkPercent ?? []);
      const limit = limits.length > 0 ? Math.min(...limits) : undefined;
      const steps = contexts.filter(({ cx }) => cx.parts.some(({ id }) => id === p.id)).flatMap(({ cx }) => cx.stepIds);
      const read = steps.flatMap((step) => shelf.desks?.totalInk?.[step] ?? []);
      const total = read.length > 0 ? Math.max(...read) : p.totalInkPercent;
      return limit === undefined || total === undefined || total <= limit
        ? []
        : [
            {
              level: 'decide',
              at: p.id,
              args: { total: Math.round(total), limit, from: read.length > 0 ? 'read' : 'typed' },
              remedies: [{ do: 'ask', says: 'remedy.rebuildSeparations', desk: 'prepress' }],
            },
          ];
    }),
};
