import { practiceValue } from '../../plant/practice';
import { WORK_STYLES } from '../../layout/work-style';
import { editAt } from '../../product/edit';
import type { OwnRule } from '../process';
import { caliperUmOf } from '../stock-terms';

/** A sheet too stiff to be turned in the press. */
const turnsNot: OwnRule = {
  code: 'press.turnsNot',
  find: (cx, spec) => {
    const limit = cx.machine.limits.turnUm ?? practiceValue(cx.plant, 'offset.turnUm');
    const { passes, forms } = WORK_STYLES[cx.workStyle];
    const caliperUm = caliperUmOf(cx);
    if (passes !== 1 || forms !== 2 || caliperUm <= limit) return [];
    return [
      {
        level: 'release',
        args: { caliperUm, limit },
        remedies: [
          {
            do: 'edit',
            says: 'remedy.twoPasses',
            args: {},
            edits: [editAt(spec, ['choices', 'workStyle', cx.form?.slot ?? ''], 'sheetwise')],
          },
        ],
      },
    ];
  },
};

export const OFFSET_RULES: readonly OwnRule[] = [turnsNot];
