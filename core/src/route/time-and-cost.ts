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
export const SUM: Formula = { id: 'route.sum', unit: 's', source: 'arithmetic', of: (t) => Object.values(t).reduce((a, b) => a + b, 0) };
/** Machine money: setup and run hours at their rates. */
export const MACHINE_COST: Formula<'setupS' | 'setupRate' | 'runS' | 'runRate'> = {
  id: 'cost.machine',
  unit: 'money',
  source: 'machine-hour rates of the plant',
  of: (t) => (t.setupS * t.setupRate + t.runS * t.runRate) / 3600,
};
/** Sheets to buy: whole reams where the stock is sold by the ream. */
export const STOCK_COST: Formula<'number' | 'perThousand'> = {
  id: 'cost.stock',
  unit: 'money',
  source: 'price list, at the break the number reaches',
  of: ({ number, perThousand }) => (number * perThousand) / 1000,
};
export const INK_COST: Formula<'kg' | 'perKg'> = { id: 'cost.ink', unit: 'money', source: 'price list', of: ({ kg, perKg }) => kg * perKg };
export const TOTAL_COST: Formula = {
  id: 'cost.total',
  unit: 'money',
  source: 'arithmetic',
  of: (t) => Object.values(t).reduce((a, b) => a + b, 0),
};
export const PER_THOUSAND: Formula<'total' | 'good'> = {
  id: 'cost.perThousand',
  unit: 'money',
  source: 'arithmetic',
  of: ({ total, good }) => (good > 0 ? (1000 * total) / good : 0),
};
/** What a thousand more cost when the machines are already set: everything but setups, forms and setup sheets. */
export const RUN_ON: Formula<'total' | 'fixed' | 'good'> = {
  id: 'cost.runOn',
  unit: 'money',
  source: 'arithmetic',
  of: ({ total, fixed, good }) => (good > 0 ? (1000 * Math.max(total - fixed, 0)) / good : 0),
};
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
