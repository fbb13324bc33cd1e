import { earlyHash, earlyThings } from '../what-if/early-release';
import type { Rule } from './rule';

/** The plan would change what was released early: it is being made or bought already. */
export const frozenChanged: Rule = {
  code: 'frozen.changed',
  find: ({ plan, plant, shelf, contexts }) =>
    Object.entries(shelf.frozen).flatMap(([id, hash]) => {
      if (earlyHash(plan, plant, id) === hash) return [];
      const thing = earlyThings(plan, plant).find((t) => t.id === id);
      const stone = contexts.find(({ cx }) => id === cx.id || id.startsWith(`${cx.id}.`))?.cx.id ?? 'job';
      return [
        {
          level: 'release',
          at: stone,
          args: { what: thing?.name ?? id, now: thing?.amount ?? 0, gone: thing ? 'no' : 'yes' },
          remedies: [{ do: 'ask', says: 'remedy.reviseEarly', desk: 'planner' }],
        },
      ];
    }),
};
