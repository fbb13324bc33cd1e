import type { Id } from '../../quantity/figure';
import type { Plan } from '../plan-types';

/** Something a step needs that another job of the works makes. */
export interface FromJob {
  step: Id<'step'>;
  stone: Id<'stone'>;
  job: Id<'job'>;
  what: string;
}

/** All that a plan takes from other jobs: pieces and tools, step by step. */
export const fromJobs = (plan: Pick<Plan, 'steps' | 'flows' | 'tools'>): FromJob[] =>
  Object.entries(plan.steps).flatMap(([step, { stone, takes, needs }]) => [
    ...takes.flatMap(({ flow }): FromJob[] => {
      const supply = plan.flows[flow]?.supply;
      return supply?.from === 'job' ? [{ step, stone, job: supply.job, what: flow.split('.').at(-1) ?? flow }] : [];
    }),
    ...needs.flatMap(({ tool }): FromJob[] => {
      const use = plan.tools[tool ?? ''];
      return use?.supply.from === 'job' ? [{ step, stone, job: use.supply.job, what: use.spec }] : [];
    }),
  ]);
