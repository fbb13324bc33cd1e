import type { Formula, Id, Term } from '../../quantity/figure';
import { idOf } from '../../quantity/id-of';
import { type Ledger, fig } from '../../quantity/ledger';
import type { Net } from '../../flow/net';
import type { Consumed } from '../../processes/process';
import { SUM } from '../../quantity/sum';
import { LATEST, PER_THOUSAND, RUN_ON, TOTAL_COST } from '../../route/time-and-cost';
import type { Plan, Stone } from '../plan-types';
import { ofAllAlike } from './alike';
import { runOnTerms } from './run-on';

/** The sums at the foot, each with the formula that a reader looks up. */
const TOTALS = {
  sheets: { id: 'plan.sheets', unit: 'sheet' },
  metres: { id: 'plan.metres', unit: 'metre' },
  machineS: { id: 'plan.machineS', unit: 's' },
  waitS: { id: 'plan.waitS', unit: 's' },
  inkKg: { id: 'plan.inkKg', unit: 'kg' },
  plates: { id: 'plan.plates', unit: 'plate' },
  wasteKg: { id: 'plan.wasteKg', unit: 'kg' },
} as const;

/** The foot of the screen: sums over all stones. */
export function totalFigures(
  consumed: readonly Consumed[],
  wasteKg: readonly Id<'figure'>[],
  runs: readonly Stone[],
  stones: readonly Stone[],
  items: Plan['items'],
  net: Net,
  reserved: Readonly<Record<Id<'flow'>, number>>,
  ledger: Ledger,
): Plan['totals'] {
  const sum = (id: keyof typeof TOTALS, parts: readonly string[]): string => (
    ledger.figure(`total.${id}`, { ...SUM, ...TOTALS[id] }, Object.fromEntries(parts.map((p) => [p, fig(p)]))),
    `total.${id}`
  );
  const steps = runs.flatMap((s) => s.steps);
  const costs = consumed.flatMap((c) => c.costs);
  const money = (id: string, parts: readonly string[]): string => (
    ledger.figure(`total.${id}`, TOTAL_COST, Object.fromEntries(parts.map((p) => [p, fig(p)]))),
    `total.${id}`
  );
  const total = money(
    'money',
    costs.map((c) => c.figure),
  );
  money(
    'fixed',
    costs.filter((c) => c.fixed).map((c) => c.figure),
  );
  const good = `total.good`;
  ledger.figure(
    good,
    { ...SUM, id: 'plan.good', unit: 'piece' },
    Object.fromEntries(Object.values(items).map((i) => [i.goods, fig(idOf(i.goods, 'demand'))])),
  );
  ledger.figure('total.perThousand', PER_THOUSAND, { total: fig(total), good: fig(good) });
  ledger.figure('total.runOn', RUN_ON, runOnTerms(consumed, runs, items, net, ledger));
  ledger.figure(
    'total.readyAt',
    LATEST,
    Object.fromEntries(steps.filter((s) => ledger.has(idOf(s, 'endAt'))).map((s) => [s, fig(idOf(s, 'endAt'))])),
  );
  const pulledFlows = (unit: 'sheet' | 'metre'): Id<'flow'>[] =>
    // Film that is bought for what is made is no paper.
    Object.keys(net.flows).filter((id) => net.flows[id]?.unit === unit && net.flows[id].supply && net.flows[id].supply.from !== 'buy');
  const pulled = (unit: 'sheet' | 'metre'): string[] => pulledFlows(unit).map((id) => idOf(id, 'demand'));
  const [sheets, metres] = [pulled('sheet'), pulled('metre')];
  const chance = leastChance(items, ledger);
  const reserve = [...(sheets.length > 0 ? pulledFlows('sheet') : pulledFlows('metre'))].filter((f) => (reserved[f] ?? 0) > 0);
  if (reserve.length > 0)
    ledger.figure(
      'total.reserve',
      RESERVED,
      Object.fromEntries(
        reserve.flatMap((f): [string, Term][] => [
          [`with ${f}`, fig(idOf(f, 'demand'))],
          [
            `without ${f}`,
            { value: ledger.value(idOf(f, 'demand')) - (reserved[f] ?? 0), unit: 'piece', from: 'family', at: 'net + allowances' },
          ],
        ]),
      ),
      sheets.length > 0 ? 'sheet' : 'metre',
    );
  return {
    ...((sheets.length > 0 || metres.length === 0) && { sheets: sum('sheets', sheets) }),
    ...(metres.length > 0 && { metres: sum('metres', metres) }),
    money: total,
    perThousand: 'total.perThousand',
    runOn: 'total.runOn',
    readyAt: 'total.readyAt',
    machineS: sum(
      'machineS',
      steps.flatMap((s) => ['setupS', 'runS'].map((what) => ofAllAlike(idOf(s, what), net.steps[s]?.alike ?? 1, ledger))),
    ),
    waitS: sum('waitS', [...new Set(stones.flatMap((s) => s.waitS))]),
    inkKg: sum(
      'inkKg',
      consumed.flatMap((c) => c.inkKg ?? []),
    ),
    plates: sum(
      'plates',
      consumed.flatMap((c) => c.plates ?? []),
    ),
    wasteKg: sum('wasteKg', wasteKg),
    ...(chance && { chance }),
    ...(reserve.length > 0 && { reserve: 'total.reserve' }),
  };
}

/** What the reserve adds to what is pulled. */
const RESERVED: Formula = {
  id: 'plan.reserve',
  unit: 'sheet',
  source: 'arithmetic',
  of: (t) => Object.entries(t).reduce((sum, [name, n]) => sum + (name.startsWith('without') ? -n : n), 0),
};

/** The item that most often falls short stands for the job. */
function leastChance(items: Plan['items'], ledger: Ledger): Id<'figure'> | undefined {
  const chances = Object.values(items).flatMap((i) => i.chance ?? []);
  return chances.reduce<string | undefined>(
    (least, c) => (least === undefined || ledger.value(c) < ledger.value(least) ? c : least),
    undefined,
  );
}
