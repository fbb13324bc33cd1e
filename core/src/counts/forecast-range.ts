import type { Formula, Id, Term } from '../quantity/figure';
import { idOf } from '../quantity/id-of';
import { type Ledger, fig } from '../quantity/ledger';
import { cyclesPerGood, inCopiesOf } from '../flow/cycles-per-good';
import type { Net, Step } from '../flow/net';
import { countedOfOne } from '../flow/solve-forward';
import { stepsTo } from '../flow/upstream';
import type { Counted } from '../plant/plant';
import type { LossTerms } from '../flow/solve-backward';
import { lossAt, type SpreadLoss } from './drawn-jobs';

/** The range shown holds nine of ten such jobs. */
const RANGE = { low: 0.05, high: 0.95 } as const;

/** Finished pieces still to be lost on the steps ahead, if all goes as expected. */
const TO_LOSE: Formula<'run' | 'counted' | 'realGood' | 'good' | 'perGood'> = {
  id: 'counts.forecastToLose',
  unit: 'piece',
  source: 'arithmetic',
  of: ({ run, counted, realGood, good, perGood }) => (perGood > 0 ? Math.max(run - counted - (realGood - good), 0) / perGood : 0),
};
const ALL_TO_LOSE: Formula = {
  id: 'counts.forecastAllToLose',
  unit: 'piece',
  source: 'arithmetic',
  of: (t) => Object.values(t).reduce((a, b) => a + b, 0),
};
const RANGE_SOURCE = 'losses ahead as in the drawn jobs: nine of ten such jobs lie within';
/** Losses ahead as terms by number (loss1, spread1, common1 …), read back. */
const spreadLosses = (t: Readonly<Record<string, number>>): SpreadLoss[] => {
  const losses: SpreadLoss[] = [];
  for (let i = 1; `loss${i}` in t; i++)
    losses.push({ loss: t[`loss${i}`] ?? 0, spread: t[`spread${i}`] ?? 0, common: t[`common${i}`] ?? 0 });
  return losses;
};
/** Good pieces at the end in a bad job of twenty: the losses ahead grow. */
const LOW: Formula = {
  id: 'counts.forecastLow',
  unit: 'piece',
  source: RANGE_SOURCE,
  carriesGuess: false,
  of: ({ forecast = 0, toLose = 0, ...t }) => Math.max(Math.floor(forecast + toLose - lossAt(spreadLosses(t), RANGE.high)), 0),
};
/** In a good one of twenty: they shrink. */
const HIGH: Formula = {
  id: 'counts.forecastHigh',
  unit: 'piece',
  source: RANGE_SOURCE,
  carriesGuess: false,
  of: ({ forecast = 0, toLose = 0, ...t }) => Math.floor(forecast + toLose - lossAt(spreadLosses(t), RANGE.low)),
};

/** Good pieces of an item at the end, with their range: what is still to be lost on the way to them may be more or less. `row`: the item, or one version of it. */
export function forecastRange(
  row: Id<'item'>,
  { goods, item }: { goods: Id<'flow'>; item: Id<'item'> },
  net: Net,
  counted: Readonly<Record<Id<'step'>, Counted>>,
  losses: Readonly<Record<Id<'step'>, LossTerms>>,
  ledger: Ledger,
): { good: Id<'figure'>; low: Id<'figure'>; high: Id<'figure'> } {
  const ahead: Record<string, Term> = {};
  const spread: Record<string, Term> = {};
  for (const id of stepsTo(net, goods)) {
    const step = net.steps[id] as Step;
    const mine = countedOfOne(counted[id], step.alike ?? 1);
    if (mine.done) continue;
    const toLose = inCopiesOf(id, 'toLose', item, net);
    ledger.figure(toLose, TO_LOSE, {
      run: fig(idOf(id, 'realRun')),
      counted: { value: mine.run, unit: 'cycle', from: 'log', at: `log:${id}` },
      realGood: fig(idOf(id, 'realGood')),
      good: { value: mine.good, unit: 'cycle', from: 'log', at: `log:${id}` },
      perGood: { value: cyclesPerGood(step, item, net), unit: '1', from: 'family', at: 'layout' },
    });
    ahead[id] = fig(toLose);
    const number = Object.keys(ahead).length;
    const { running, setup, table } = losses[id]?.likely ?? {};
    const known = running ?? setup ?? table;
    spread[`loss${number}`] = fig(toLose);
    if (known) Object.assign(spread, { [`spread${number}`]: known.spread, [`common${number}`]: known.common });
  }
  const ids = { good: idOf(goods, 'real'), low: idOf(row, 'forecastLow'), high: idOf(row, 'forecastHigh') };
  ledger.figure(idOf(row, 'toLose'), ALL_TO_LOSE, ahead);
  const terms = { forecast: fig(ids.good), toLose: fig(idOf(row, 'toLose')), ...spread };
  ledger.figure(ids.low, LOW, terms);
  ledger.figure(ids.high, HIGH, terms);
  return ids;
}
