import { idOf } from '../../quantity/id-of';
import { MOST_CYCLES } from '../../flow/counts';
import type { Rule } from './rule';

/** A step whose losses eat what it makes, or a count beyond any works. */
export const cannotReach: Rule = {
  code: 'counts.cannotReach',
  find: ({ plan, ledger }) =>
    plan.stones.flatMap((s) =>
      s.steps
        .filter((step) => ledger.value(idOf(step, 'run')) >= MOST_CYCLES)
        .slice(0, 1)
        .map((step) => ({ level: 'release', at: s.id, figure: idOf(step, 'run'), args: {}, remedies: [] })),
    ),
};
