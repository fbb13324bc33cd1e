import { WORK_STYLES } from '../../layout/work-style';
import type { Rule } from './rule';

/** The side lay is on the other side in the second pass, and a later machine registers to it: the pile must say so. */
export const layChanges: Rule = {
  code: 'lay.changes',
  nr: 18,
  find: ({ contexts }) =>
    contexts.flatMap(({ cx }, i) => {
      const next = contexts.slice(i + 1).find((c) => 'gripperMm' in c.cx.machine.limits);
      if (!next || !('units' in cx.machine.limits) || cx.stepIds.length < 2 || !cx.form || !WORK_STYLES[cx.workStyle].layChanges) return [];
      return [{ level: 'know', at: cx.id, args: { machine: next.cx.machine.name }, remedies: [] }];
    }),
};
