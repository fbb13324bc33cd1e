import { idOf } from '../../quantity/id-of';
import { practiceValue } from '../../plant/practice';
import { PPM } from '../../quantity/units';
import type { Rule } from './rule';

/** A roll's length by mass and by diameter disagree: one of grammage, caliper, core or scale is wrong. */
export const rollLengthsDiffer: Rule = {
  code: 'roll.lengthsDiffer',
  nr: 9,
  find: ({ plan, plant, ledger }) =>
    Object.values(plan.parts).flatMap((p) => {
      const [mass, size] = [ledger.value(idOf(p.id, 'rollByMass')), ledger.value(idOf(p.id, 'rollByDiameter'))];
      if (!(p.traits?.web ?? p.traits?.wound) || mass === 0 || size === 0) return [];
      const apart = Math.abs(mass - size) / Math.max(mass, size);
      if (apart <= practiceValue(plant, 'roll.lengthsDifferPpm') / PPM) return [];
      return [
        {
          level: 'decide',
          at: p.id,
          figure: idOf(p.id, 'rollLength'),
          args: { massM: Math.round(mass), sizeM: Math.round(size), percent: Math.round(apart * 1000) / 10 },
          remedies: [{ do: 'ask', says: 'remedy.measureCaliper', desk: 'store' }],
        },
      ];
    }),
};
