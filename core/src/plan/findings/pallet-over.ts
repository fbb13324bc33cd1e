import { idOf } from '../../quantity/id-of';
import { practiceValue } from '../../plant/practice';
import { editAt } from '../../product/edit';
import type { Rule } from './rule';

/** A pallet heavier or higher than the customer or the truck takes. */
export const palletOver: Rule = {
  code: 'pallet.over',
  nr: 62,
  find: ({ spec, plant, shelf, ledger, contexts }) =>
    contexts.flatMap(({ cx }) => {
      if (!ledger.has(idOf(cx.id, 'palletKg'))) return [];
      const limit = shelf.palletLimit ?? {
        kg: practiceValue(plant, 'pack.palletKg'),
        heightMm: practiceValue(plant, 'pack.palletHeightMm'),
      };
      const [kg, heightMm, layers] = [
        ledger.value(idOf(cx.id, 'palletKg')),
        ledger.value(idOf(cx.id, 'palletHeight')),
        ledger.value(idOf(cx.id, 'layers')),
      ];
      if (kg <= limit.kg && heightMm <= limit.heightMm) return [];
      return [
        {
          level: 'decide',
          at: cx.id,
          figure: idOf(cx.id, 'palletKg'),
          args: { kg: Math.round(kg), heightMm: Math.round(heightMm), limitKg: limit.kg, limitMm: limit.heightMm },
          remedies:
            layers > 1
              ? [
                  {
                    do: 'edit' as const,
                    says: 'remedy.layer',
                    args: {},
                    edits: [editAt(spec, ['choices', 'settings', cx.id, 'layers'], layers - 1)],
                  },
                ]
              : [],
        },
      ];
    }),
};
