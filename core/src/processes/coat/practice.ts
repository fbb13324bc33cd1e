import type { Practice } from '../../plant/plant';
import { BOOK, fixed, PRACTICE, range } from '../../plant/practice-value';

/** What the trade assumes of this work until the plant says otherwise. */
export const COAT_PRACTICE = {
  'coat.setupSheets': fixed(30, 'cycle', 'practice', PRACTICE),
  'coat.againSheets': fixed(15, 'cycle', 'practice', 'another form with the same coat; common practice, no source'),
  'coat.againS': fixed(600, 's', 'practice', 'another form with the same coat; common practice, no source'),
  'coat.runningPpm': fixed(5_000, 'ppm', 'practice', PRACTICE),
  'coat.samples': fixed(3, 'cycle', 'practice', PRACTICE),
  'coat.gPerM2': range(3, 8, '1', 'book', BOOK),
  'coat.waitS': range(86_400, 172_800, 's', 'practice', 'lamp coat over oil ink, wax-free, after 24 to 48 h; common practice, no source'),
  'coat.pricePerKg': fixed(9.5, 'money', 'invented', 'invented for the demo: put in your own price'),
  'coat.formPrice': fixed(24, 'money', 'invented', 'invented for the demo: put in your own price'),
} as const satisfies Record<string, Practice>;
