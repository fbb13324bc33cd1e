import { idOf } from '../../quantity/id-of';
import { practiceValue } from '../../plant/practice';
import { editAt } from '../../product/edit';
import { foldedWidthOf } from '../../product/folds';
import { type OwnRule, settingPath } from '../process';
import { cartonOf } from './cartons';

/** The piece does not lie flat in the carton: it is packed into none. */
const doesNotFit: OwnRule = {
  code: 'pack.doesNotFit',
  find: (cx, spec) => {
    const { card, all, fits } = cartonOf(cx);
    if (fits) return [];
    const [widthMm, depthMm] = cx.bundle?.footprintMm ?? [foldedWidthOf(cx.parts[0]), cx.parts[0]?.heightMm ?? 0];
    const other = all.find((c) => c.id !== card.id && cartonOf({ ...cx, settings: { ...cx.settings, carton: c.id } }).fits);
    return [
      {
        level: 'release',
        args: { carton: card.name, widthMm, depthMm, cartonWidthMm: card.widthMm, cartonDepthMm: card.depthMm },
        remedies: other
          ? [
              {
                do: 'edit',
                says: 'remedy.otherCarton',
                args: { carton: other.name },
                edits: [editAt(spec, settingPath(cx, 'carton'), other.id)],
              },
            ]
          : [{ do: 'ask', says: 'remedy.largerCarton', desk: 'store' }],
      },
    ];
  },
};

/** A pallet heavier or higher than the customer or the truck takes. */
const palletOver: OwnRule = {
  code: 'pallet.over',
  nr: 62,
  find: (cx, spec) => {
    const limit = cx.shelf.palletLimit ?? {
      kg: practiceValue(cx.plant, 'pack.palletKg'),
      heightMm: practiceValue(cx.plant, 'pack.palletHeightMm'),
    };
    const value = (what: string): number => cx.ledger.value(idOf(cx.id, what));
    const [kg, heightMm, layers] = [value('palletKg'), value('palletHeight'), value('layers')];
    if (kg <= limit.kg && heightMm <= limit.heightMm) return [];
    return [
      {
        level: 'decide',
        figure: idOf(cx.id, 'palletKg'),
        args: { kg: Math.round(kg), heightMm: Math.round(heightMm), limitKg: limit.kg, limitMm: limit.heightMm },
        remedies:
          layers > 1
            ? [{ do: 'edit' as const, says: 'remedy.layer', args: {}, edits: [editAt(spec, settingPath(cx, 'layers'), layers - 1)] }]
            : [],
      },
    ];
  },
};

export const PACK_RULES: readonly OwnRule[] = [doesNotFit, palletOver];
