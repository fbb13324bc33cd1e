import { type PracticeKey, practiceOf } from '../../plant/practice';
import { editAt } from '../../product/edit';
import { cutWait } from '../../processes/cut-wait';
import type { Rule } from './rule';

const ASKED: Record<'turn' | 'pass' | 'coat', PracticeKey> = { turn: 'wait.turnS', pass: 'wait.turnS', coat: 'coat.waitS' };
const SETTING = { turn: 'turnWaitS', pass: 'turnWaitS', coat: 'waitS', cut: 'waitS' } as const;

/** A wait typed shorter than the ink's own range before turning, coating or cutting (elapsed, not shift time). */
export const waitUnmet: Rule = {
  code: 'wait.unmet',
  nr: 36,
  find: ({ plan, spec, plant, ledger, contexts }) =>
    contexts.flatMap(({ cx }) =>
      cx.stepIds.flatMap((step) =>
        (plan.steps[step]?.waits ?? []).flatMap((w) => {
          if (w.why === 'foil' || w.why === 'rest' || cx.inkSeries?.lampDried) return [];
          const { value, pm } = practiceOf(plant, w.why === 'cut' ? cutWait(cx) : ASKED[w.why]);
          if (ledger.value(w.figure) >= value - pm) return [];
          return [
            {
              level: 'start',
              at: cx.id,
              figure: w.figure,
              args: {
                hours: Math.round((ledger.value(w.figure) / 3600) * 10) / 10,
                least: Math.round(((value - pm) / 3600) * 10) / 10,
                why: w.why,
              },
              remedies: [
                {
                  do: 'edit',
                  says: 'remedy.waitLonger',
                  args: {},
                  edits: [editAt(spec, ['choices', 'settings', cx.id, SETTING[w.why]], undefined)],
                },
              ],
            },
          ];
        }),
      ),
    ),
};
