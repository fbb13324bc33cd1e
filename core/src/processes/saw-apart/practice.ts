import type { Practice } from '../../plant/plant';
import { fixed, PRACTICE } from '../../plant/practice-value';

/** What the trade assumes of this work until the plant says otherwise. */
export const SAW_APART_PRACTICE = {
  'sawApart.setupCycles': fixed(2, 'cycle', 'practice', PRACTICE),
  'sawApart.runningPpm': fixed(1_000, 'ppm', 'practice', PRACTICE),
} as const satisfies Record<string, Practice>;
