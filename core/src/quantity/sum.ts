import type { Formula } from './figure';

/**
 * The sum of all terms; `{ ...SUM, id, unit }` where a sum has a name and a unit of its own.
 *
 * Source: arithmetic.
 * @example SUM.of({ setup: 600, run: 1_800 }) // 2400
 */
export const SUM: Formula = {
  id: 'quantity.sum',
  unit: 's',
  source: 'arithmetic',
  adds: true,
  of: (t) => Object.values(t).reduce((a, b) => a + b, 0),
};
