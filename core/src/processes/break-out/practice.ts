import type { Practice } from '../../plant/plant';
import { fixed, PRACTICE } from '../../plant/practice-value';

/** What the trade assumes of this work until the plant says otherwise. */
export const BREAK_OUT_PRACTICE = {
  'breakOut.runningPpm': fixed(2_000, 'ppm', 'practice', PRACTICE),
  'breakOut.liftMm': fixed(120, 'mm', 'practice', PRACTICE),
  'breakOut.liftS': fixed(240, 's', 'practice', PRACTICE),
  'breakOut.placeS': fixed(25, 's', 'practice', PRACTICE),
  'breakOut.gapMm': fixed(5, 'mm', 'practice', 'waste a hammer breaks out is 5 mm wide; common practice, no source'),
} as const satisfies Record<string, Practice>;
