import type { Practice } from '../../plant/plant';
import { fixed, PRACTICE } from '../../plant/practice-value';

/** What the trade assumes of this work until the plant says otherwise. */
export const STACK_PRACTICE = {
  'stack.wrapS': { value: 12, pm: 4, unit: 's', tag: 'practice', source: PRACTICE },
  'stack.filmPrice': fixed(0.06, 'money', 'invented', 'invented for the demo: put in your own price'),
} as const satisfies Record<string, Practice>;
