import type { Rule } from './rule';

/** A stored tool the route needs is out, on loan, or with the customer. */
export const toolOut: Rule = {
  code: 'tool.out',
  nr: 22,
  find: ({ plan, shelf, contexts }) =>
    Object.entries(plan.tools).flatMap(([id, use]) => {
      if (use.supply.from !== 'store') return [];
      const tool = Object.hasOwn(shelf.tools, use.supply.tool) ? shelf.tools[use.supply.tool] : undefined;
      if (tool?.state === 'store') return [];
      const stone = contexts.find(({ cx }) => id.startsWith(`${cx.id}.`))?.cx.id ?? 'job';
      return [
        {
          level: 'release',
          at: stone,
          args: { tool: use.supply.tool, state: tool?.state ?? 'unknown' },
          remedies: [{ do: 'ask', says: 'remedy.getTool', desk: 'store' }],
        },
      ];
    }),
};
