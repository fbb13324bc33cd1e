import { idOf } from '../../quantity/id-of';
import { copiesUp } from '../../layout/layout';
import { nestedAgain } from '../../layout/nest-again';
import type { Finding } from '../../processes/finding';
import type { Rule } from './rule';

/** A machine after the press grips more than the press does, and blanks are lost by it. */
export const gripperCosts: Rule = {
  code: 'gripper.costsBlanks',
  find: ({ plan, contexts, ledger }) =>
    Object.values(plan.forms).flatMap((form): Omit<Finding, 'code'>[] => {
      const outline = plan.parts[form.parts[0] ?? '']?.traits?.blank?.die.outline;
      const gap = idOf(form.id, 'blankGap');
      if (!outline || !form.layout?.cutsBox || !ledger.has(gap)) return [];
      const grips = contexts
        .filter(({ cx }) => cx.form?.id === form.id && cx.machine.limits.gripperMm !== undefined)
        .map(({ cx }) => ({ mm: cx.machine.limits.gripperMm ?? 0, cx }));
      const press = grips.find(({ cx }) => 'units' in cx.machine.limits);
      const late = grips.reduce((a, b) => (b.mm > a.mm ? b : a), press ?? { mm: 0, cx: null });
      if (!press || !late.cx || late.mm <= press.mm) return [];
      const better = nestedAgain(form.layout, outline, ledger.value(gap), late.mm - press.mm);
      const now = copiesUp(form.layout);
      return better > now
        ? [
            {
              level: 'know',
              at: late.cx.id,
              args: { machine: late.cx.machine.name, gripperMm: late.mm, pressMm: press.mm, now, better },
              remedies: [],
            },
          ]
        : [];
    }),
};
