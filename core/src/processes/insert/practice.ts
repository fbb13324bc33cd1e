import type { Practice } from '../../plant/plant';
import { fixed, PRACTICE, range } from '../../plant/practice-value';

/** What the trade assumes of this work until the plant says otherwise. */
export const INSERT_PRACTICE = {
  'insert.setupPieces': fixed(10, 'cycle', 'practice', PRACTICE),
  'insert.againS': fixed(600, 's', 'practice', 'the next order of one outline; common practice, no source'),
  'insert.runningPpm': fixed(8_000, 'ppm', 'practice', PRACTICE),
  'insert.samples': fixed(2, 'cycle', 'practice', PRACTICE),
  'insert.traySpoilPpm': fixed(5_000, 'ppm', 'practice', PRACTICE),
  'insert.discSpoilPpm': fixed(2_000, 'ppm', 'practice', PRACTICE),
  'insert.filmExtraMm': fixed(40, 'mm', 'practice', 'film beyond the closed piece, for its seam; common practice, no source'),
  'insert.handsS': range(8, 16, 's', 'practice', 'tray, disc and closing by hand; common practice, no source'),
  'insert.trayPrice': fixed(0.11, 'money', 'invented', 'invented for the demo: put in your own price'),
  'insert.discPrice': fixed(0.24, 'money', 'invented', 'invented for the demo: put in your own price'),
  'insert.filmPrice': fixed(0.03, 'money', 'invented', 'invented for the demo: put in your own price'),
} as const satisfies Record<string, Practice>;
