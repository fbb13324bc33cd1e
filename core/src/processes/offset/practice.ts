import type { Practice } from '../../plant/plant';
import { BOOK, fixed, PRACTICE, range } from '../../plant/practice-value';

/** What the trade assumes of this work until the plant says otherwise. */
export const OFFSET_PRACTICE = {
  'offset.setupFourSheets': range(150, 300, 'cycle', 'book', 'four-colour form; handbook range, from memory'),
  'offset.setupUnitSheets': range(25, 50, 'cycle', 'book', 'each further unit; handbook range, from memory'),
  'offset.setupSamePlates': fixed(
    0,
    '1',
    'practice',
    'second pass from the same form: it stands, inked and in register; common practice, no source',
  ),
  'offset.runningPpm': range(10_000, 30_000, 'ppm', 'book', BOOK),
  'offset.turnUm': range(300, 400, 'µm', 'practice', 'thicker sheets are not turned in the press; common practice, no source'),
  'offset.samples': fixed(10, 'cycle', 'practice', PRACTICE),
} as const satisfies Record<string, Practice>;
