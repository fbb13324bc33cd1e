import type { Practice } from '../../plant/plant';
import { fixed, PRACTICE, range } from '../../plant/practice-value';

/** What the trade assumes of this work until the plant says otherwise. */
export const HANDS_PRACTICE = {
  'hands.setupPieces': fixed(3, 'cycle', 'practice', PRACTICE),
  'hands.runningPpm': { value: 3_000, pm: 2_000, unit: 'ppm', tag: 'practice', source: PRACTICE },
  'hands.pieceSpoilPpm': fixed(5_000, 'ppm', 'practice', PRACTICE),
  'hands.restShare': range(0.1, 0.15, '1', 'practice', PRACTICE),
  'hands.insertS': { value: 6, pm: 2, unit: 's', tag: 'practice', source: PRACTICE },
  'hands.sealS': { value: 3, pm: 1, unit: 's', tag: 'practice', source: PRACTICE },
} as const satisfies Record<string, Practice>;
