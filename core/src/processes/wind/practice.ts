import type { Practice } from '../../plant/plant';
import { fixed, PRACTICE, range } from '../../plant/practice-value';

/** What the trade assumes of winding rolls off mother reels until the plant says otherwise. */
export const WIND_PRACTICE = {
  'wind.metresPerMin': fixed(200, 'm', 'practice', 'web speed, m a minute; common practice, no source'),
  'wind.changeS': fixed(0.4, 's', 'practice', 'from roll to roll; common practice, no source'),
  'wind.setupLengths': fixed(15, 'cycle', 'practice', PRACTICE),
  'wind.runningPpm': fixed(10_000, 'ppm', 'practice', PRACTICE),
  'wind.reelLengths': fixed(8, 'cycle', 'practice', 'sample, threading, core of a mother reel; common practice, no source'),
  'wind.reelS': fixed(720, 's', 'practice', 'changing a mother reel; common practice, no source'),
  'wind.tapedM': fixed(1, 'm', 'practice', 'both sides of a splice; common practice, no source'),
  'wind.mandrelMm': range(10, 20, 'mm', 'practice', 'wound without a tube; common practice, no source'),
  'wind.tubePrice': fixed(0.05, 'money', 'invented', 'invented for the demo: put in your own price'),
} as const satisfies Record<string, Practice>;
