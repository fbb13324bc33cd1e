import type { Practice } from '../../plant/plant';
import { fixed, PRACTICE } from '../../plant/practice-value';

/** What the trade assumes of this work until the plant says otherwise. */
export const REWIND_PRACTICE = {
  'rewind.secondsEach': { value: 25, pm: 8, unit: 's', tag: 'practice', source: PRACTICE },
  'rewind.corePrice': fixed(0.12, 'money', 'invented', 'invented for the demo: put in your own price'),
} as const satisfies Record<string, Practice>;
