import type { Id, Term } from '../../quantity/figure';
import { idOf } from '../../quantity/id-of';
import { type Ledger, fig } from '../../quantity/ledger';
import { makersFirst, takesOf, type Net, type Port, type Step } from '../../flow/net';
import type { Consumed } from '../../processes/process';
import { COST_OF_MORE, MORE_CYCLES, MORE_PIECES } from '../../route/time-and-cost';
import type { Plan, Stone } from '../plan-types';

/** A thousand more finished pieces, shared among the items as they were ordered, put through the net without setups; and each cost that grows with a count of it. */
export function runOnTerms(
  consumed: readonly Consumed[],
  stones: readonly Stone[],
  items: Plan['items'],
  net: Net,
  ledger: Ledger,
): Record<string, Term> {
  const wanted = Object.values(items).reduce((sum, i) => sum + ledger.value(i.wanted), 0);
  const asked: Record<Id<'flow'>, Record<string, Term>> = {};
  for (const item of Object.values(items)) {
    const share = wanted > 0 ? (1000 * ledger.value(item.wanted)) / wanted : 0;
    const before = asked[item.goods]?.['delivered'];
    const value = share + (before && 'value' in before ? before.value : 0);
    asked[item.goods] = { delivered: { value, unit: 'piece', from: 'family', at: 'a thousand more' } };
  }
  const plain = (value: number, unit: '1' | 'ppm'): Term => ({ value, unit, from: 'family', at: 'net' });
  const moreOf = (flow: Id<'flow'>): Term => {
    const id = idOf(flow, 'more');
    if (!ledger.has(id)) ledger.figure(id, MORE_PIECES, asked[flow] ?? {});
    return fig(id);
  };
  for (const id of [...makersFirst(net.steps).order].reverse()) {
    const step = net.steps[id] as Step;
    const gives = [...step.gives].sort((a, b) => moreValue(b, moreOf, ledger) - moreValue(a, moreOf, ledger))[0];
    if (!gives) continue;
    const lost = step.loss.table
      ? (1e6 * (ledger.value(idOf(id, 'run')) - ledger.value(idOf(id, 'need')))) / Math.max(ledger.value(idOf(id, 'run')), 1)
      : step.loss.runningPpm;
    ledger.figure(idOf(id, 'more'), MORE_CYCLES, {
      pieces: moreOf(gives.flow),
      per: plain(gives.per / (gives.share ?? 1), '1'),
      runningPpm: plain(lost, 'ppm'),
    });
    for (const t of step.takes) {
      const per = (takesOf(step, t, net.flows) * 1e6) / (1e6 - (t.spoilPpm ?? 0));
      ledger.figure(`${id}.moreOf.${t.flow}`, MORE_CYCLES, {
        pieces: fig(idOf(id, 'more')),
        per: plain(1 / per, '1'),
        runningPpm: plain(0, 'ppm'),
      });
      asked[t.flow] = { ...asked[t.flow], [id]: fig(`${id}.moreOf.${t.flow}`) };
    }
  }
  for (const flow of Object.keys(net.flows)) moreOf(flow);
  const terms: Record<string, Term> = {};
  consumed.forEach((c, i) => {
    for (const cost of c.costs) {
      if (cost.fixed) continue;
      const count = cost.per ?? idOf(stones[i]?.steps[0] ?? '', 'run');
      const more = count.replace(/\.(run|demand)$/, '.more');
      if (!ledger.has(count) || !ledger.has(more)) continue;
      const id = idOf(cost.figure, 'more');
      ledger.figure(id, COST_OF_MORE, { cost: fig(cost.figure), count: fig(count), more: fig(more) });
      terms[cost.figure] = fig(id);
    }
  });
  return terms;
}
const moreValue = (port: Port, moreOf: (flow: Id<'flow'>) => Term, ledger: Ledger): number => {
  const term = moreOf(port.flow);
  return ('fig' in term ? ledger.value(term.fig) : term.value) / port.per;
};
