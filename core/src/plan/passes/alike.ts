import type { Formula, Id } from '../../quantity/figure';
import { type Ledger, fig } from '../../quantity/ledger';
import type { Consumed } from '../../processes/process';

/** What equal runs that are planned as one come to together. Source: arithmetic. */
const OF_ALL_ALIKE: Formula<'one' | 'alike'> = {
  id: 'plan.ofAllAlike',
  unit: '1',
  source: 'arithmetic',
  of: ({ one, alike }) => one * alike,
};

/** The figure of so many equal runs together; of one run its own. */
export function ofAllAlike(figure: Id<'figure'>, alike: number, ledger: Ledger): Id<'figure'> {
  if (alike === 1) return figure;
  const all = `${figure}.all`;
  if (!ledger.has(all))
    ledger.figure(
      all,
      OF_ALL_ALIKE,
      { one: fig(figure), alike: { value: alike, unit: '1', from: 'family', at: 'forms alike' } },
      ledger.unitOf(figure),
    );
  return all;
}

/** What equal runs used together. */
export const consumedByAll = (consumed: Consumed, alike: number, ledger: Ledger): Consumed =>
  alike === 1
    ? consumed
    : {
        costs: consumed.costs.map((c) => ({ ...c, figure: ofAllAlike(c.figure, alike, ledger) })),
        inkKg: consumed.inkKg?.map((f) => ofAllAlike(f, alike, ledger)) ?? [],
        plates: consumed.plates?.map((f) => ofAllAlike(f, alike, ledger)) ?? [],
        wasteKg: consumed.wasteKg?.map((w) => ({ ...w, figure: ofAllAlike(w.figure, alike, ledger) })) ?? [],
      };
