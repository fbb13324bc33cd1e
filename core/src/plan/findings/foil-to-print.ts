import type { Rule } from './rule';

/** Foil asked closer to print than the machine's card says it holds. */
export const foilToPrint: Rule = {
  code: 'foil.toPrint',
  nr: 40,
  find: ({ contexts }) =>
    contexts.flatMap(({ cx }) => {
      const asked = cx.parts[0]?.foilToPrintMm;
      const holds = cx.machine.limits['foilToPrintMm'];
      if (asked === undefined || holds === undefined || cx.parts[0]?.foils.length === 0 || asked >= holds) return [];
      return [{ level: 'decide', at: cx.id, args: { asked, holds }, remedies: [{ do: 'ask', says: 'remedy.widenArt', desk: 'prepress' }] }];
    }),
};
