import { idOf } from '../../quantity/id-of';
import { editAt } from '../../product/edit';
import type { Rule } from './rule';

const TOLERANCE = 0.01;

/** A typed repeat that is no whole number of sheets: print and cut part company, or web is wasted at every turn. */
export const repeatBroken: Rule = {
  code: 'repeat.broken',
  nr: 26,
  find: ({ spec, ledger, contexts }) =>
    contexts.flatMap(({ cx }) => {
      const typed = cx.settings['repeatMm'];
      const length = ledger.value(idOf(cx.form?.id ?? '', 'pieceHeight'));
      if (cx.form?.kind !== 'web' || typeof typed !== 'number' || length <= 0) return [];
      const times = typed / length;
      const gear = Math.abs(
        typed / (cx.machine.limits.gearPitchMm ?? typed) - Math.round(typed / (cx.machine.limits.gearPitchMm ?? typed)),
      );
      if (Math.abs(times - Math.round(times)) <= TOLERANCE && gear <= TOLERANCE) return [];
      return [
        {
          level: 'decide',
          at: cx.id,
          figure: idOf(cx.form.id, 'repeatMm'),
          args: { repeatMm: typed, lengthMm: Math.round(length * 10) / 10, times: Math.round(times * 1000) / 1000 },
          remedies: [
            {
              do: 'edit',
              says: 'remedy.defaultRepeat',
              args: {},
              edits: [editAt(spec, ['choices', 'settings', cx.id, 'repeatMm'], undefined)],
            },
          ],
        },
      ];
    }),
};
