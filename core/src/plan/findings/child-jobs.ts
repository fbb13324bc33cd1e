import { idOf } from '../../quantity/id-of';
import type { Finding } from '../plan-types';
import type { FindingContext, Rule } from './rule';

/** What comes from other jobs: the step that waits for it, and the job. */
const fromJobs = ({ plan }: FindingContext): { step: string; stage: string; job: string; what: string }[] =>
  Object.entries(plan.steps).flatMap(([step, { stage, takes, needs }]) => [
    ...takes.flatMap(({ flow }) => {
      const supply = plan.flows[flow]?.supply;
      return supply?.from === 'job' ? [{ step, stage, job: supply.job, what: flow.split('.').at(-1) ?? flow }] : [];
    }),
    ...needs.flatMap(({ tool }) => {
      const use = plan.tools[tool ?? ''];
      return use?.supply.from === 'job' ? [{ step, stage, job: use.supply.job, what: use.spec }] : [];
    }),
  ]);

/** What a step needs was to come from a job that is not there: it was cancelled, or never made. */
export const childGone: Rule = {
  code: 'child.gone',
  find: (cx) =>
    fromJobs(cx)
      .filter(({ job }) => !Object.hasOwn(cx.shelf.jobs ?? {}, job))
      .map(({ stage, what }) => ({ level: 'release', at: stage, args: { what }, remedies: [] })),
};

/** A job that makes something for this one is ready too late for the date promised. */
export const childLate: Rule = {
  code: 'child.late',
  find: (cx) => {
    const due = Math.min(Infinity, ...Object.values(cx.shelf.due));
    const late = cx.ledger.value('total.readyAt') - due;
    if (!(late > 0)) return [];
    return fromJobs(cx).flatMap(({ step, stage, job, what }): Omit<Finding, 'code'>[] => {
      const child = cx.shelf.jobs?.[job];
      // It is in the way where the step begins no sooner than the child is ready.
      if (!child || child.delivered || cx.ledger.value(idOf(step, 'afterAt')) > child.readyAt) return [];
      return [
        {
          level: 'decide',
          at: stage,
          figure: idOf(step, 'startAt'),
          args: { what, job: child.number, hours: Math.round(late / 360) / 10 },
          remedies: [{ do: 'ask', says: 'remedy.hurryChild', desk: 'planner' }],
        },
      ];
    });
  },
};
