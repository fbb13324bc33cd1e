import { idOf } from '../../quantity/id-of';
import type { Finding } from '../../processes/finding';
import type { Rule } from './rule';

/** A run wants a little more of a die than it counts: strikes to set up and to spare. */
const RESERVE = 1.05;

/** A stored die that will not last the run. */
export const dieStrokesLeft: Rule = {
  code: 'die.strokesLeft',
  nr: 20,
  find: ({ plan, shelf, ledger, contexts }) =>
    Object.entries(plan.tools).flatMap(([id, use]): Omit<Finding, 'code'>[] => {
      if (use.supply.from !== 'store' || !Object.hasOwn(shelf.tools, use.supply.tool)) return [];
      const left = shelf.tools[use.supply.tool]?.lifeLeft ?? 0;
      const need = Math.ceil(ledger.value(use.cycles) * RESERVE);
      if (left >= need) return [];
      const at = contexts.find(({ cx }) => id.startsWith(`${cx.id}.`))?.cx.id ?? 'job';
      return [
        {
          level: 'decide',
          at,
          figure: idOf(at, 'run'),
          args: { kind: use.kind, tool: use.supply.tool, left, need },
          remedies: [{ do: 'ask', says: use.kind === 'cylinder' ? 'remedy.rechrome' : 'remedy.newDie', desk: 'tool store' }],
        },
      ];
    }),
};
