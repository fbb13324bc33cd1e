import { inkLightness } from '../../ink/ink-order';
import type { Rule } from './rule';

const MOST_UNITS = 2;

/** Between two passes of one job, units that go from a dark ink to a lighter one are washed with care: more than two take long. */
export const washUp: Rule = {
  code: 'press.washUp',
  nr: 37,
  find: ({ plan, contexts }) =>
    contexts.flatMap(({ cx }) =>
      cx.stepIds.slice(1).flatMap((id, i) => {
        const [before, step] = [plan.steps[cx.stepIds[i] ?? ''], plan.steps[id]];
        if (!before?.inks || !step?.inks || step.keepsFrom !== undefined) return [];
        const units = step.inks.filter((ink, u) => {
          const was = before.inks?.[u];
          return was !== undefined && inkLightness(was) < inkLightness(ink);
        }).length;
        return units > MOST_UNITS ? [{ level: 'know' as const, at: cx.id, args: { units, pass: i + 2 }, remedies: [] }] : [];
      }),
    ),
};
