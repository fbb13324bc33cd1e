import { closestAsked } from '../../processes/foil/foil-areas';
import type { Rule } from './rule';

/** Foil asked closer to print than the machine's card says it holds. */
export const foilToPrint: Rule = {
  code: 'foil.toPrint',
  nr: 40,
  find: ({ contexts }) =>
    contexts.flatMap(({ cx }) => {
      const asked = closestAsked(cx.parts);
      const holds = cx.machine.limits.foilToPrintMm;
      if (asked === null || holds === undefined || asked >= holds) return [];
      return [{ level: 'decide', at: cx.id, args: { asked, holds }, remedies: [{ do: 'ask', says: 'remedy.widenArt', desk: 'prepress' }] }];
    }),
};
