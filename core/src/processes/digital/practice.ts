import type { Practice } from '../../plant/plant';
import { fixed, PRACTICE } from '../../plant/practice-value';

/** What the trade assumes of this work until the plant says otherwise. */
export const DIGITAL_PRACTICE = {
  'digital.setupSheets': fixed(5, 'cycle', 'practice', PRACTICE),
  'digital.runningPpm': { value: 5_000, pm: 3_000, unit: 'ppm', tag: 'practice', source: PRACTICE },
  'digital.perSide': fixed(0.09, 'money', 'invented', 'invented for the demo: put in your own price'),
} as const satisfies Record<string, Practice>;
