import { idOf } from '../../quantity/id-of';
import { practiceValue } from '../../plant/practice';
import { editAt } from '../../product/edit';
import { type OwnRule, settingPath } from '../process';

/** A lift too high for soft or laminated stock: the knife draws. */
const liftHigh: OwnRule = {
  code: 'lift.high',
  nr: 55,
  find: (cx, spec) => {
    const typed = cx.settings['liftMm'];
    const limit = practiceValue(cx.plant, 'guillotine.softLiftMm');
    if (!cx.stock?.soft || typeof typed !== 'number' || typed <= limit) return [];
    return [
      {
        level: 'decide',
        figure: idOf(cx.id, 'perLift'),
        args: { liftMm: typed, limit },
        remedies: [{ do: 'edit', says: 'remedy.lift', args: { limit }, edits: [editAt(spec, settingPath(cx, 'liftMm'), limit)] }],
      },
    ];
  },
};

export const GUILLOTINE_RULES: readonly OwnRule[] = [liftHigh];
