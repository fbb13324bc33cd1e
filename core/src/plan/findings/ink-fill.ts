import { idOf } from '../../quantity/id-of';
import { printedInks } from '../../processes/press-inks';
import { isMixedInk } from '../../product/ink-names';
import type { Rule } from './rule';

const LEAST_KG = 1;

/** More ink stays in duct and rollers than goes on the paper. */
export const inkFill: Rule = {
  code: 'ink.fill',
  nr: 34,
  find: ({ plan, ledger, contexts }) =>
    contexts.flatMap(({ cx }) => {
      // Thinned ink comes back from pan and pipes into its can.
      if (cx.inkSeries?.thinned) return [];
      // What is left of process inks and coatings goes back to the can; below a kilogram nobody gangs for it.
      const mostly = cx.stepIds
        .flatMap((step) => printedInks(step, plan.steps[step]))
        .filter(({ ink }) => isMixedInk(ink))
        .map(({ at }) => {
          const [kg, onSheets] = [ledger.value(idOf(at, 'kg')), ledger.value(idOf(at, 'onSheets'))];
          return { id: idOf(at, 'kg'), kg, onSheets, rollers: kg - onSheets };
        })
        .filter(({ kg, onSheets, rollers }) => kg >= LEAST_KG && rollers > onSheets);
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
