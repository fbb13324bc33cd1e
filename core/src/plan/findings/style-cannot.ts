import { editAt } from '../../product/edit';
import type { Rule } from './rule';

/** A way to work the sheets was chosen that cannot be: the press cannot print so, or later work strikes one side and half the copies would lie on their faces. */
export const styleCannot: Rule = {
  code: 'style.cannot',
  find: ({ plan, spec }) =>
    Object.entries(spec.choices.workStyle).flatMap(([form, style]) => {
      // Of several forms of a slot some may be worked as was chosen: a rest is turned, a full sheet is not.
      const made = Object.values(plan.forms).filter((f) => f.id === form || f.slot === form);
      const [first] = made;
      if (!first || made.some((f) => f.style === style)) return [];
      const edits = [editAt(spec, ['choices', 'workStyle', form], undefined)];
      return [
        {
          level: 'decide',
          at: form,
          args: { style, instead: first.style },
          remedies: [{ do: 'edit', says: 'remedy.dropChoice', args: {}, edits }],
        },
      ];
    }),
};
