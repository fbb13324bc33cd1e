import type { Practice } from '../../plant/plant';
import { fixed, PRACTICE, range } from '../../plant/practice-value';

/** What the trade assumes of this work until the plant says otherwise. */
export const LAMINATE_PRACTICE = {
  'laminate.setupSheets': range(20, 50, 'cycle', 'practice', PRACTICE),
  'laminate.runningPpm': range(10_000, 20_000, 'ppm', 'practice', PRACTICE),
  'laminate.waitS': range(
    43_200,
    86_400,
    's',
    'practice',
    'laminated, a cover lies 12 to 24 h before it is cut; common practice, no source',
  ),
  'laminate.filmMm': fixed(720, 'mm', 'practice', PRACTICE),
  'laminate.filmUm': fixed(24, 'µm', 'practice', 'film and its adhesive; common practice, no source'),
  'laminate.pricePerM2': fixed(0.19, 'money', 'invented', 'invented for the demo: put in your own price'),
} as const satisfies Record<string, Practice>;
