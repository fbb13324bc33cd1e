import type { Practice } from '../../plant/plant';
import { fixed, PRACTICE } from '../../plant/practice-value';

/** What the trade assumes of this work until the plant says otherwise. */
export const REJECT_PRACTICE = {
  'reject.runningPpm': { value: 10_000, pm: 6_000, unit: 'ppm', tag: 'practice', source: PRACTICE },
  'reject.samples': fixed(5, 'cycle', 'practice', PRACTICE),
  'reject.secondsEach': { value: 4, pm: 2, unit: 's', tag: 'practice', source: PRACTICE },
} as const satisfies Record<string, Practice>;
