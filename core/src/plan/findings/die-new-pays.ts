import { idOf } from '../../quantity/id-of';
import { practiceValue } from '../../plant/practice';
import { DIE_COST, newDieFrom } from '../../form/cutting-die';
import { copiesUp } from '../../layout/layout';
import { nestedAgain } from '../../layout/nest-again';
import type { Form } from '../../layout/form';
import { editAt } from '../../product/edit';
import { orderedQuantity } from '../../product/job-spec';
import { measuresOf } from '../../processes/die-cut/die-of';
import type { Finding } from '../../processes/finding';
import { upToParting } from '../readings/to-parting';
import type { FindingContext, Rule } from './rule';

/** The die has fewer places than its sheet would hold: from how many pieces on a new one pays, by what a sheet costs all in up to the knife. */
export const dieNewPays: Rule = {
  code: 'die.newPays',
  find: (cx) =>
    Object.values(cx.plan.forms).flatMap((form): Omit<Finding, 'code'>[] => {
      const part = cx.plan.parts[form.parts[0] ?? ''];
      const die = part?.traits?.blank?.die;
      // Who lays several orders on one die weighs that on the page of the gang.
      if (!part || !die || !form.layout || form.parts.length > 1 || !Object.hasOwn(cx.spec.choices.layout, form.slot)) return [];
      // From kept plates only what they print is cut: nobody makes a die for that.
      if (!cx.plan.stones.some((s) => s.in === null && s.parts.includes(part.id))) return [];
      const placesNow = copiesUp(form.layout);
      const gap = idOf(form.id, 'blankGap');
      const placesNew = cx.ledger.has(gap) ? nestedAgain(form.layout, die.outline, cx.ledger.value(gap)) : 0;
      if (placesNew <= placesNow) return [];
      const perSheet = costOfSheet(form, cx);
      if (perSheet <= 0) return [];
      const price = (key: 'dieCut.pricePerMetre' | 'dieCut.platesPrice'): number => practiceValue(cx.plant, key);
      const { cutMm, creaseMm } = measuresOf({ parts: [part] });
      const metres = (mm: number): number => (placesNew * mm) / 1000;
      const dieCost = DIE_COST.of({
        cutM: metres(cutMm),
        creaseM: metres(creaseMm),
        perMetre: price('dieCut.pricePerMetre'),
        plates: price('dieCut.platesPrice'),
      });
      const from = Math.ceil(newDieFrom({ dieCost, perSheet, placesNow, placesNew }) ?? Infinity);
      const ordered = piecesOf(form, cx);
      const pays = ordered >= from;
      return [
        {
          level: pays ? 'decide' : 'know',
          at: form.id,
          args: { placesNow, placesNew, from, ordered, dieCost, perSheet },
          remedies: pays
            ? [
                {
                  do: 'edit',
                  says: 'remedy.defaultLayout',
                  args: {},
                  edits: [editAt(cx.spec, ['choices', 'layout', form.slot], undefined)],
                },
              ]
            : [],
        },
      ];
    }),
};

/** Whatever grows with the run, over the good sheets that are parted. */
function costOfSheet(form: Form, cx: FindingContext): number {
  const steps = upToParting(cx.contexts, form.id);
  const good = cx.ledger.value(idOf(steps.at(-1)?.cx.stepIds.at(-1) ?? '', 'need'));
  const grows = steps.flatMap(({ costs }) => costs.filter((c) => !c.fixed).map((c) => cx.ledger.value(c.figure)));
  return good > 0 ? grows.reduce((sum, money) => sum + money, 0) / good : 0;
}
/** Pieces the form is run for. */
const piecesOf = (form: Form, { plan, spec }: FindingContext): number =>
  Object.values(spec.items)
    .filter((i) => form.parts.some((p) => plan.parts[p]?.product === i.product))
    .reduce((sum, i) => sum + orderedQuantity(i), 0);
