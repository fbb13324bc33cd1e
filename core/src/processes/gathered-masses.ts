import type { Id, Term } from '../quantity/figure';
import { idOf } from '../quantity/id-of';
import { fig } from '../quantity/ledger';
import { LEAVES_KG, LOST_COPIES_KG, TRIMMED_OFF_KG } from '../finishing/stitching';
import { flatsACopy } from '../signature/sheet-pages';
import type { ConsumeContext, Consumed, DraftContext } from './process';
import { sectionsGathered } from './sections-chosen';

/* What copies of several papers weigh as they are gathered, and what of it goes to waste. */

/** Mass of each section as it comes to the binder, before the knives, for one copy: a figure each. */
export const flatMasses = (cx: DraftContext): Record<Id<'figure'>, Term> =>
  Object.fromEntries(
    sectionsGathered(cx).map(({ part, form, section }) => {
      const figure = idOf(idOf(idOf(cx.id, part.role), section.key), 'flatKg');
      const mm = (values: readonly number[]): Term => ({
        value: values.reduce((a, b) => a + b, 0),
        unit: 'mm',
        from: 'family',
        at: 'layout',
      });
      cx.ledger.figure(figure, LEAVES_KG, {
        leaves: { value: flatsACopy(section), unit: '1', from: 'family', at: 'flats a copy' },
        widthMm: mm(section.columnsMm),
        heightMm: mm(section.rowsMm),
        gsm: { value: cx.plant.stocks[form.stock ?? '']?.gsm ?? 0, unit: 'g/m²', from: 'plant', at: `stock:${form.stock ?? ''}` },
      });
      return [figure, fig(figure)];
    }),
  );

/** What the knives take off all copies started, and the paper of those that are lost: by the figures `gatheredKg` and `copyKg` of the run. */
export function copiesWaste({ ledger, id }: ConsumeContext, copies: { run: Id<'figure'>; good: Id<'figure'> }): Consumed['wasteKg'] {
  ledger.figure(idOf(id, 'trimKg'), TRIMMED_OFF_KG, {
    copies: fig(copies.run),
    gatheredKg: fig(idOf(id, 'gatheredKg')),
    trimmedKg: fig(idOf(id, 'copyKg')),
  });
  ledger.figure(idOf(id, 'lostKg'), LOST_COPIES_KG, { run: fig(copies.run), good: fig(copies.good), eachKg: fig(idOf(id, 'copyKg')) });
  return [
    { kind: 'trim', figure: idOf(id, 'trimKg') },
    { kind: 'lost', figure: idOf(id, 'lostKg') },
  ];
}
