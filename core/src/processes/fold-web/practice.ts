import type { Practice } from '../../plant/plant';
import { BOOK, fixed, PRACTICE, range } from '../../plant/practice-value';

/** What the trade assumes of this work until the plant says otherwise. */
export const FOLD_WEB_PRACTICE = {
  'foldWeb.setupRepeats': range(1_500, 3_500, 'cycle', 'practice', PRACTICE),
  'foldWeb.runningPpm': range(20_000, 40_000, 'ppm', 'practice', PRACTICE),
  'foldWeb.samples': fixed(50, 'cycle', 'practice', PRACTICE),
  'foldWeb.spliceMetres': fixed(20, 'm', 'practice', 'web lost at a flying splice; common practice, no source'),
  'foldWeb.coreWasteMetres': fixed(15, 'm', 'practice', PRACTICE),
  'foldWeb.perHour': { value: 25_000, pm: 5_000, unit: '1/h', tag: 'book', source: BOOK },
} as const satisfies Record<string, Practice>;
