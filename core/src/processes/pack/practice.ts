import type { Practice } from '../../plant/plant';
import { fixed, PRACTICE } from '../../plant/practice-value';

/** What the trade assumes of this work until the plant says otherwise. */
export const PACK_PRACTICE = {
  'pack.runningPpm': fixed(0, 'ppm', 'practice', PRACTICE),
  'pack.springs': fixed(1.5, '1', 'practice', '1.3 to 1.6: how far a glued piece springs open in its case; common practice, no source'),
  'pack.bandS': { value: 4, pm: 1, unit: 's', tag: 'practice', source: PRACTICE },
  'pack.cartonS': { value: 40, pm: 10, unit: 's', tag: 'practice', source: PRACTICE },
  'pack.palletS': { value: 600, pm: 120, unit: 's', tag: 'practice', source: PRACTICE },
  'pack.cartonKg': fixed(12, 'kg', 'practice', 'a carton one person lifts often; common practice, no source'),
  'pack.cartonPrice': fixed(0.85, 'money', 'invented', 'invented for the demo: put in your own price'),
  'pack.palletPrice': fixed(11, 'money', 'invented', 'invented for the demo: put in your own price'),
  'pack.palletKg': fixed(1_000, 'kg', 'practice', PRACTICE),
  'pack.palletHeightMm': fixed(1_800, 'mm', 'practice', PRACTICE),
} as const satisfies Record<string, Practice>;
