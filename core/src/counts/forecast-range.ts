import type { Formula, Id, Term } from '../quantity/figure';
import { idOf } from '../quantity/id-of';
import { type Ledger, fig } from '../quantity/ledger';
import { normalQuantile } from '../quantity/normal-distribution';
import { portableExp } from '../quantity/portable-math';
import type { Net } from '../flow/net';
import type { Counted } from '../plant/plant';
import { lognormal } from './chance-of-enough';

/** The range shown holds nine of ten such jobs. */
const RANGE = { low: 0.05, high: 0.95 } as const;

/** Finished pieces still to be lost on the steps ahead, if all goes as expected. */
const TO_LOSE: Formula<'run' | 'counted' | 'realGood' | 'good' | 'perGood'> = {
  id: 'forecast.toLose',
  unit: 'piece',
  source: 'arithmetic',
  of: ({ run, counted, realGood, good, perGood }) => (perGood > 0 ? Math.max(run - counted - (realGood - good), 0) / perGood : 0),
};
const ALL_TO_LOSE: Formula = {
  id: 'forecast.allToLose',
  unit: 'piece',
  source: 'arithmetic',
  of: (t) => Object.values(t).reduce((a, b) => a + b, 0),
};
const RANGE_SOURCE = 'losses ahead × M, M lognormal with mean 1 and the spread of whole jobs; nine of ten such jobs lie within';
/** Good pieces at the end in a bad job of twenty: the losses ahead grow. */
const LOW: Formula<'forecast' | 'toLose' | 'variation'> = {
  id: 'forecast.low',
  unit: 'piece',
  source: RANGE_SOURCE,
  carriesGuess: false,
  of: ({ forecast, toLose, variation }) => Math.max(Math.floor(forecast - toLose * (factorAt(RANGE.high, variation) - 1)), 0),
};
/** In a good one of twenty: they shrink. */
const HIGH: Formula<'forecast' | 'toLose' | 'variation'> = {
  id: 'forecast.high',
  unit: 'piece',
  source: RANGE_SOURCE,
  carriesGuess: false,
  of: ({ forecast, toLose, variation }) => Math.floor(forecast + toLose * (1 - factorAt(RANGE.low, variation))),
};

/** What a share of jobs stays below, as a factor on the expected loss. */
function factorAt(share: number, variation: number): number {
  const { mu, sigma } = lognormal(variation);
  return portableExp(mu + sigma * normalQuantile(share));
}

/** Good pieces of a flow at the end, with its range: what is still to be lost on the way to it, of all items made together, may be more or less. */
export function forecastRange(
  goods: Id<'flow'>,
  item: Id<'item'>,
  together: readonly Id<'item'>[],
  net: Net,
  counted: Readonly<Record<Id<'step'>, Counted>>,
  variation: Term,
  to: Ledger,
): { good: Id<'figure'>; low: Id<'figure'>; high: Id<'figure'> } {
  const ahead: Record<string, Term> = {};
  for (const [id, step] of Object.entries(net.steps)) {
    const flow = step.gives[0];
    const mine = counted[id] ?? { run: 0, good: 0, done: false };
    if (!flow || mine.done || !together.includes(net.flows[flow.flow]?.item ?? '')) continue;
    to.figure(idOf(id, 'toLose'), TO_LOSE, {
      run: fig(idOf(id, 'realRun')),
      counted: { value: mine.run, unit: 'cycle', from: 'log', at: `log:${id}` },
      realGood: fig(idOf(id, 'realGood')),
      good: { value: mine.good, unit: 'cycle', from: 'log', at: `log:${id}` },
      perGood: { value: (net.flows[flow.flow]?.perGood ?? 1) / flow.per, unit: '1', from: 'family', at: 'layout' },
    });
    ahead[id] = fig(idOf(id, 'toLose'));
  }
  const ids = { good: idOf(goods, 'real'), low: idOf(item, 'forecastLow'), high: idOf(item, 'forecastHigh') };
  to.figure(idOf(item, 'toLose'), ALL_TO_LOSE, ahead);
  const terms = { forecast: fig(ids.good), toLose: fig(idOf(item, 'toLose')), variation };
  to.figure(ids.low, LOW, terms);
  to.figure(ids.high, HIGH, terms);
  return ids;
}
