import { idOf } from '../../quantity/id-of';
import type { Rule } from './rule';

/** More ink stays in duct and rollers than goes on the paper. */
export const inkFill: Rule = {
  code: 'ink.fill',
  nr: 34,
  find: ({ to, contexts }) =>
    contexts.flatMap(({ cx }) => {
      const inks = [...new Set(cx.parts.flatMap((p) => p.colours.flat()))];
      const mostly = cx.stepIds
        .flatMap((step) =>
          inks
            .map((ink) => `${step}.ink.${ink}`)
            .filter((at) => to.has(idOf(at, 'kg')))
            .map((at) => {
              const onSheets = to.value(idOf(at, 'onSheets'));
              return { id: idOf(at, 'kg'), onSheets, rollers: to.value(idOf(at, 'kg')) - onSheets };
            }),
        )
        .filter(({ onSheets, rollers }) => onSheets > 0 && rollers > onSheets);
      const worst = mostly.sort((a, b) => a.onSheets - b.onSheets)[0];
      return worst
        ? [
            {
              level: 'know',
              at: cx.id,
              figure: worst.id,
              args: {
                inks: mostly.length,
                onPaperKg: Math.round(worst.onSheets * 100) / 100,
                rollersKg: Math.round(worst.rollers * 100) / 100,
              },
              remedies: [],
            },
          ]
        : [];
    }),
};
