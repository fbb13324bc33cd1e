import type { Formula, Id } from '../../quantity/figure';
import { idOf } from '../../quantity/id-of';
import { type Ledger, fig } from '../../quantity/ledger';
import type { Form } from '../../layout/form';
import { gangShares } from '../../layout/gang-cost';
import { copiesUp } from '../../layout/layout';
import type { Consumed } from '../../processes/process';
import { TOTAL_COST } from '../../route/time-and-cost';
import type { PlannedRun } from './stones';

/** What an order pays of the forms it shares: of each form's cost by its copies on it, to the cent by the largest remainder. Source: arithmetic. */
const GANG_SHARE: Formula<'share'> = {
  id: 'plan.gangShare',
  unit: 'money',
  source: 'of each form by copies, to the cent',
  of: ({ share }) => share,
};

/** Writes what each form of a gang costs with all its sheets go through together, and what of it each order pays. */
export function gangMoney(
  gangs: Readonly<Record<Id<'form'>, Id<'part'>[]>>,
  forms: readonly Form[],
  runs: readonly Pick<PlannedRun, 'cx'>[],
  consumed: readonly Consumed[],
  ledger: Ledger,
): void {
  for (const [gang, parts] of Object.entries(gangs)) {
    const mine = forms.filter((f) => f.slot === gang);
    const costs = mine.map((form) => {
      const figures = runs.flatMap(({ cx }, i) =>
        cx.form?.id === form.id && cx.stone.startsWith(`${gang}.`) ? (consumed[i]?.costs.map((c) => c.figure) ?? []) : [],
      );
      return ledger.figure(
        idOf(form.id, 'formCost'),
        { ...TOTAL_COST, id: 'plan.formCost' },
        Object.fromEntries(figures.map((f) => [f, fig(f)])),
      );
    });
    const copies = Object.fromEntries(parts.map((p) => [p, mine.map((f) => (f.layout ? copiesUp(f.layout, p) : 0))]));
    for (const [part, share] of Object.entries(gangShares(costs, copies)))
      ledger.figure(idOf(part, 'gangShare'), GANG_SHARE, { share: { value: share, unit: 'money', from: 'family', at: gang } });
  }
}
