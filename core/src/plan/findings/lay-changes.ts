import { isWorkStyle, WORK_STYLES } from '../../layout/work-style';
import type { Rule } from './rule';

/** The side lay is on the other side in the second pass, and a later machine registers to it: the pile must say so. */
export const layChanges: Rule = {
  code: 'lay.changes',
  nr: 18,
  find: ({ plan, contexts }) =>
    contexts.flatMap(({ cx }, i) => {
      const style = plan.workStyles[cx.parts[0]?.id ?? ''] ?? '';
      const next = contexts.slice(i + 1).find((c) => 'gripperMm' in c.cx.machine.limits);
      if (!next || !('units' in cx.machine.limits) || cx.stepIds.length < 2 || !isWorkStyle(style) || !WORK_STYLES[style].layChanges)
        return [];
      return [{ level: 'know', at: cx.id, args: { machine: next.cx.machine.name }, remedies: [] }];
    }),
};
