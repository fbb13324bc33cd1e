import type { Practice } from '../../plant/plant';
import { fixed } from '../../plant/practice-value';

/** What the trade assumes of mixing designs in boxes until the plant says otherwise. */
export const ASSORT_PRACTICE = {
  'assort.rollS': { value: 1.5, pm: 0.5, unit: 's', tag: 'practice', source: 'a roll laid into a box; common practice, no source' },
  'assort.boxS': { value: 15, pm: 5, unit: 's', tag: 'practice', source: 'a box set up, closed, labelled; common practice, no source' },
  'assort.boxPrice': fixed(0.9, 'money', 'invented', 'invented for the demo: put in your own price'),
} as const satisfies Record<string, Practice>;
