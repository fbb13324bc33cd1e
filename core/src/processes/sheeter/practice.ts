import type { Practice } from '../../plant/plant';
import { PRACTICE, range } from '../../plant/practice-value';

/** What the trade assumes of this work until the plant says otherwise. */
export const SHEETER_PRACTICE = {
  'sheeter.setupMetres': range(10, 30, 'm', 'practice', PRACTICE),
  'sheeter.runningPpm': { value: 3_000, pm: 2_000, unit: 'ppm', tag: 'practice', source: PRACTICE },
} as const satisfies Record<string, Practice>;
