import type { Practice } from '../../plant/plant';
import { fixed, PRACTICE, range } from '../../plant/practice-value';

/** What the trade assumes of this work until the plant says otherwise. */
export const ROLL_DIE_PRACTICE = {
  'rollDie.setupMetres': range(10, 30, 'm', 'practice', PRACTICE),
  'rollDie.runningPpm': { value: 3_000, pm: 2_000, unit: 'ppm', tag: 'practice', source: PRACTICE },
  'rollDie.faceShare': range(0.5, 0.65, '1', 'practice', 'face and adhesive in the mass of a laminate; common practice, no source'),
  'rollDie.diePrice': fixed(160, 'money', 'invented', 'invented for the demo: put in your own price'),
} as const satisfies Record<string, Practice>;
