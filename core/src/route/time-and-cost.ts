import { SUM } from '../quantity/sum';
import type { Formula } from '../quantity/figure';
import { ceilTolerant } from '../quantity/round-tolerant';

const time = 'common practice, no source';
/** Setup time of a step: the machine's, new or repeat, and so much per form to hang. */
export const SETUP_TIME: Formula<'base' | 'forms' | 'perForm'> = {
  id: 'route.setupTime',
  unit: 's',
  source: time,
  of: ({ base, forms, perForm }) => base + forms * perForm,
};
/** Running time: cycles at the net speed of a shift (learned or set), apart from the rated one. */
export const RUN_TIME: Formula<'cycles' | 'perHour'> = {
  id: 'route.runTime',
  unit: 's',
  source: time,
  of: ({ cycles, perHour }) => (perHour > 0 ? (cycles * 3600) / perHour : 0),
};
/** Machine money: setup and run hours at their rates. A rate is of the machine with its usual crew: with more or fewer people an hour costs as much more or less. */
export const MACHINE_COST: Formula = {
  id: 'route.machineCost',
  unit: 'money',
  source: 'machine-hour rates of the plant',
  of: ({ setupS = 0, setupRate = 0, runS = 0, runRate = 0, people = 1, crew = 1 }) =>
    (((setupS * setupRate + runS * runRate) / 3600) * people) / Math.max(crew, 1),
};
/** Sheets to buy: whole reams where the stock is sold by the ream. */
export const STOCK_COST: Formula<'number' | 'perThousand'> = {
  id: 'route.stockCost',
  unit: 'money',
  source: 'price list, at the break the number reaches',
  of: ({ number, perThousand }) => (number * perThousand) / 1000,
};
export const INK_COST: Formula<'kg' | 'perKg'> = {
  id: 'route.inkCost',
  unit: 'money',
  source: 'price list',
  of: ({ kg, perKg }) => kg * perKg,
};
export const TOTAL_COST = { ...SUM, id: 'route.totalCost', unit: 'money' } as const;
export const PER_THOUSAND: Formula<'total' | 'good'> = {
  id: 'route.perThousand',
  unit: 'money',
  source: 'arithmetic',
  of: ({ total, good }) => (good > 0 ? (1000 * total) / good : 0),
};
/** Cycles that a thousand more finished pieces take at a step: what follows takes, over what is left after running loss. No setup, no samples. */
export const MORE_CYCLES: Formula<'pieces' | 'per' | 'runningPpm'> = {
  id: 'route.moreCycles',
  unit: 'cycle',
  source: 'counts backward without setup; arithmetic',
  carriesGuess: false,
  of: ({ pieces, per, runningPpm }) => pieces / per / Math.max(1 - runningPpm / 1e6, 0.05),
};
/** What a thousand more finished pieces take of a flow. */
export const MORE_PIECES: Formula = {
  id: 'route.morePieces',
  unit: 'piece',
  source: 'counts backward without setup; arithmetic',
  carriesGuess: false,
  of: ({ delivered = 0, ...takes }) => delivered + Object.values(takes).reduce((a, b) => a + b, 0),
};
/** What a thousand more finished pieces cost of one cost that grows with a count, the machines being set already. */
export const COST_OF_MORE: Formula<'cost' | 'count' | 'more'> = {
  id: 'route.costOfMore',
  unit: 'money',
  source: 'arithmetic',
  of: ({ cost, count, more }) => (count > 0 ? (cost * more) / count : 0),
};
/** What a thousand more cost when the machines are already set: each cost that grows with the quantity. No setup, no forms, no fill. */
export const RUN_ON = { ...SUM, id: 'route.runOn', unit: 'money' } as const;
/** A moment some time after another. Epoch seconds. */
export const LATER: Formula<'from' | 'by'> = {
  id: 'route.later',
  unit: 'moment',
  source: 'arithmetic',
  of: ({ from, by }) => from + ceilTolerant(by),
};
/** Start of a step: what it waits for, and the closed hours up to the next open one. Epoch seconds. */
export const START: Formula<'after' | 'closedS'> = {
  id: 'route.start',
  unit: 'moment',
  source: 'steps one after another into open hours, nobody else in the way',
  of: ({ after, closedS }) => after + closedS,
};
export const END: Formula<'start' | 'setupS' | 'runS' | 'closedS'> = {
  id: 'route.end',
  unit: 'moment',
  source: 'open hours only; closed hours in between are counted on',
  of: (t) => t.start + ceilTolerant(t.setupS + t.runS) + t.closedS,
};
export const LATEST: Formula = {
  id: 'route.latest',
  unit: 'moment',
  source: 'the last of all',
  of: (t) => Math.max(0, ...Object.values(t)),
};
