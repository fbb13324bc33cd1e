import type { Practice } from '../../plant/plant';
import { fixed, PRACTICE } from '../../plant/practice-value';

/** What the trade assumes of this work until the plant says otherwise. */
export const GUILLOTINE_PRACTICE = {
  'guillotine.setupSheets': fixed(5, 'cycle', 'practice', PRACTICE),
  'guillotine.runningPpm': { value: 2_000, pm: 2_000, unit: 'ppm', tag: 'practice', source: PRACTICE },
  'guillotine.liftMm': fixed(100, 'mm', 'practice', 'lifts of about 100 mm; common practice, no source'),
  'guillotine.softLiftMm': fixed(60, 'mm', 'practice', 'soft or laminated; common practice, no source'),
  'guillotine.cutS': fixed(35, 's', 'practice', 'handling per cut; common practice, no source'),
  'guillotine.loadS': fixed(360, 's', 'practice', 'loading per lift; common practice, no source'),
} as const satisfies Record<string, Practice>;
