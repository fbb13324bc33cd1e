import { practiceValue } from '../../plant/practice';
import { ENOUGH_LIKE_JOBS } from '../../processes/process';
import type { Rule } from './rule';

/** A certainty is wished that rests on guesses: losses of some stones come from the handbook: the works' own log holds too few like jobs. */
export const logThin: Rule = {
  code: 'log.thin',
  nr: 43,
  find: ({ plan, spec, plant, shelf }) => {
    // Where more certainty is wished than the works usually has, it matters that the spread is a guess.
    if ((spec.choices.certainty ?? 0) <= practiceValue(plant, 'risk.wish')) return [];
    const lossy = [
      ...new Set(
        plan.stones
          .filter((s) => s.lost.some((l) => l.kind === 'running' && (plan.figures[l.figure]?.value ?? 0) > 0))
          .map((s) => s.process),
      ),
    ];
    const thin = lossy.filter((p) => (Object.hasOwn(shelf.losses, p) ? (shelf.losses[p]?.jobs ?? 0) : 0) < ENOUGH_LIKE_JOBS);
    return thin.length === 0
      ? []
      : [{ level: 'know', at: 'job', args: { processes: thin.length, of: lossy.length, least: ENOUGH_LIKE_JOBS }, remedies: [] }];
  },
};
