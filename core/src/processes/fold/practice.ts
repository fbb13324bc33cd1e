import type { Practice } from '../../plant/plant';
import { BOOK, PRACTICE, range } from '../../plant/practice-value';

/** What the trade assumes of this work until the plant says otherwise. */
export const FOLD_PRACTICE = {
  'fold.setupSheets': range(20, 50, 'cycle', 'book', BOOK),
  'fold.runningPpm': { value: 5_000, pm: 2_500, unit: 'ppm', tag: 'book', source: BOOK },
  'fold.scoreAboveGsm': range(170, 200, 'g/m²', 'practice', PRACTICE),
  'fold.gapMm': range(60, 120, 'mm', 'practice', PRACTICE),
} as const satisfies Record<string, Practice>;
