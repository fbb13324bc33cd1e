import { idOf } from '../../quantity/id-of';
import { childOf } from '../../plant/plant';
import type { Finding } from '../../processes/finding';
import { fromJobs } from '../readings/from-jobs';
import type { Rule } from './rule';

/** What a step needs was to come from a job that is not there: it was cancelled, or never made. */
export const childGone: Rule = {
  code: 'child.gone',
  find: (cx) =>
    fromJobs(cx.plan)
      .filter(({ job }) => childOf(cx.shelf, job) === undefined)
      .map(({ stone, what }) => ({ level: 'release', at: stone, args: { what }, remedies: [] })),
};

/** What a step needs is still being made: it does not begin before that job is delivered. */
export const childOpen: Rule = {
  code: 'child.open',
  find: (cx) =>
    fromJobs(cx.plan).flatMap(({ step, stone, job, what }): Omit<Finding, 'code'>[] => {
      const child = childOf(cx.shelf, job);
      const begun = (cx.shelf.counted[step]?.run ?? 0) > 0;
      if (!child || child.delivered || begun) return [];
      return [
        { level: 'start', at: stone, figure: idOf(step, 'startAt'), args: { what, job: child.number, name: child.name }, remedies: [] },
      ];
    }),
};

/** A job that makes something for this one is ready too late for the date promised. */
export const childLate: Rule = {
  code: 'child.late',
  find: (cx) => {
    const due = Math.min(Infinity, ...Object.values(cx.shelf.due));
    const late = cx.ledger.value('total.readyAt') - due;
    if (!(late > 0)) return [];
    return fromJobs(cx.plan).flatMap(({ step, stone, job, what }): Omit<Finding, 'code'>[] => {
      const child = childOf(cx.shelf, job);
      // It is in the way where the step begins no sooner than the child is ready.
      if (!child || child.delivered || cx.ledger.value(idOf(step, 'afterAt')) > child.readyAt) return [];
      return [
        {
          level: 'decide',
          at: stone,
          figure: idOf(step, 'startAt'),
          args: { what, job: child.number, hours: Math.round(late / 360) / 10 },
          remedies: [{ do: 'ask', says: 'remedy.hurryChild', desk: 'planner' }],
        },
      ];
    });
  },
};
