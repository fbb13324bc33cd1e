import { practiceValue } from '../../plant/practice';
import type { Rule } from './rule';

/** The smallest distance of text or a code to a cut, crease or fold, as typed, is below what the knife and the fold hold. */
export const textNearEdge: Rule = {
  code: 'text.nearEdge',
  nr: 15,
  find: ({ plan, plant }) =>
    Object.values(plan.parts).flatMap((p) => {
      const least = practiceValue(plant, 'layout.textDistanceMm');
      return p.smallestDistanceMm === undefined || p.smallestDistanceMm >= least
        ? []
        : [
            {
              level: 'decide',
              at: p.id,
              args: { distanceMm: p.smallestDistanceMm, least },
              remedies: [{ do: 'ask', says: 'remedy.moveText', desk: 'prepress' }],
            },
          ];
    }),
};
