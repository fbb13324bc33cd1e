import type { Practice } from '../../plant/plant';
import { fixed, PRACTICE, range } from '../../plant/practice-value';

/** What the trade assumes of this work until the plant says otherwise. */
export const WEB_PRESS_PRACTICE = {
  'web.setupMetres': range(50, 150, 'm', 'book', 'label presses 50 to 150 m a set; handbook range, from memory'),
  'web.spliceMetres': range(10, 30, 'm', 'practice', 'splice waste 10 to 30 m a roll; common practice, no source'),
  'web.coreWasteMetres': fixed(5, 'm', 'practice', PRACTICE),
  'web.runningPpm': range(10_000, 30_000, 'ppm', 'practice', 'as sheet-fed offset; common practice, no source'),
} as const satisfies Record<string, Practice>;
