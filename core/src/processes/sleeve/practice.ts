import type { Practice } from '../../plant/plant';
import { fixed, PRACTICE, range } from '../../plant/practice-value';

/** What the trade assumes of sleeving rolls in shrink film until the plant says otherwise. */
export const SLEEVE_PRACTICE = {
  'sleeve.setupRolls': fixed(10, 'cycle', 'practice', PRACTICE),
  'sleeve.runningPpm': fixed(5_000, 'ppm', 'practice', PRACTICE),
  'sleeve.easePercent': range(8, 12, '%', 'practice', PRACTICE),
  'sleeve.endMm': range(15, 25, 'mm', 'practice', 'film beyond each end of the roll; common practice, no source'),
  'sleeve.filmPerM': fixed(0.02, 'money', 'invented', 'invented for the demo: put in your own price'),
  'sleeve.labelPrice': fixed(0.01, 'money', 'invented', 'invented for the demo: put in your own price'),
} as const satisfies Record<string, Practice>;
