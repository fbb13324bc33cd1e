import type { Practice } from '../../plant/plant';
import { fixed, PRACTICE, range } from '../../plant/practice-value';

/** What the trade assumes of this work until the plant says otherwise. */
export const STITCH_PRACTICE = {
  'stitch.setupCopies': range(30, 80, 'cycle', 'practice', PRACTICE),
  'stitch.runningPpm': range(5_000, 15_000, 'ppm', 'practice', PRACTICE),
  'stitch.samples': fixed(10, 'cycle', 'practice', PRACTICE),
  'stitch.perFeederS': fixed(300, 's', 'practice', 'five minutes a feeder; common practice, no source'),
  'stitch.crownMm': range(12, 14, 'mm', 'practice', PRACTICE),
  'stitch.clinchMm': fixed(6, 'mm', 'practice', PRACTICE),
  'stitch.wireMm': fixed(0.5, 'mm', 'practice', PRACTICE),
  'stitch.wireKgPerM3': fixed(7_850, '1', 'book', 'kg a cubic metre of steel, any handbook'),
  'stitch.wirePricePerKg': fixed(4.2, 'money', 'invented', 'invented for the demo: put in your own price'),
  'stitch.mostMm': fixed(6, 'mm', 'practice', 'thicker, and wire does not close; common practice, no source'),
  'stitch.adhesiveFromMm': fixed(4, 'mm', 'practice', PRACTICE),
  'stitch.feeders': fixed(6, '1', 'practice', PRACTICE),
  'stitch.faceMm': range(3, 5, 'mm', 'practice', PRACTICE),
  'stitch.headMm': fixed(3, 'mm', 'practice', '3 to 5; common practice, no source'),
  'stitch.footMm': fixed(3, 'mm', 'practice', '3 to 5; common practice, no source'),
  'stitch.lapMm': fixed(8, 'mm', 'practice', '6 to 12; common practice, no source'),
  'stitch.knifeClearMm': fixed(3, 'mm', 'practice', 'between a folio and the knife; common practice, no source'),
  'stitch.dummyOffShare': fixed(
    0.1,
    '1',
    'practice',
    'a dummy off by more says that the caliper is not this paper’s; common practice, no source',
  ),
  'stitch.endClearMm': fixed(15, 'mm', 'practice', 'from a stitch to head and foot; common practice, no source'),
} as const satisfies Record<string, Practice>;
