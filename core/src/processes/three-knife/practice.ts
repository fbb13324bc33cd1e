import type { Practice } from '../../plant/plant';
import { fixed, PRACTICE } from '../../plant/practice-value';

/** What the trade assumes of this work until the plant says otherwise. */
export const THREE_KNIFE_PRACTICE = {
  'threeKnife.setupCycles': fixed(5, 'cycle', 'practice', PRACTICE),
  'threeKnife.runningPpm': fixed(3_000, 'ppm', 'practice', PRACTICE),
  'threeKnife.pileMm': fixed(80, 'mm', 'practice', 'books on one another under the knives; common practice, no source'),
  'threeKnife.leastMm': fixed(1, 'mm', 'practice', PRACTICE),
  'threeKnife.mostMm': fixed(30, 'mm', 'practice', PRACTICE),
} as const satisfies Record<string, Practice>;
