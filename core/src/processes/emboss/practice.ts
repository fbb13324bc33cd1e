import type { Practice } from '../../plant/plant';
import { fixed, PRACTICE } from '../../plant/practice-value';

/** What the trade assumes of this work until the plant says otherwise. */
export const EMBOSS_PRACTICE = {
  'emboss.setupSheets': fixed(40, 'cycle', 'practice', PRACTICE),
  'emboss.runningPpm': fixed(5_000, 'ppm', 'practice', PRACTICE),
  'emboss.samples': fixed(5, 'cycle', 'practice', PRACTICE),
  'emboss.lifeCycles': fixed(500_000, 'cycle', 'practice', PRACTICE),
  'emboss.depthMm': fixed(0.3, 'mm', 'practice', PRACTICE),
  'emboss.clearMm': fixed(3, 'mm', 'practice', 'emboss stays 3 mm from creases and cuts; common practice, no source'),
  'emboss.pairPrice': fixed(46, 'money', 'invented', 'invented for the demo: put in your own price'),
} as const satisfies Record<string, Practice>;
