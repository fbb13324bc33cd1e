import type { Practice } from '../../plant/plant';
import { BOOK, fixed, PRACTICE, range } from '../../plant/practice-value';

/** What the trade assumes of this work until the plant says otherwise. */
export const FOIL_PRACTICE = {
  'foil.gapMm': fixed(3, 'mm', 'practice', PRACTICE),
  'foil.marginMm': fixed(5, 'mm', 'practice', PRACTICE),
  'foil.pricePerM2': fixed(0.9, 'money', 'invented', 'invented for the demo: put in your own price'),
  'foil.toPrintMm': range(0.2, 0.3, 'mm', 'practice', PRACTICE),
  'foil.setupSheets': range(30, 100, 'cycle', 'book', BOOK),
  'foil.runningPpm': range(10_000, 20_000, 'ppm', 'book', BOOK),
} as const satisfies Record<string, Practice>;
