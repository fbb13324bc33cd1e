import type { Practice } from '../../plant/plant';
import { BOOK, fixed, PRACTICE, range } from '../../plant/practice-value';

/** What the trade assumes of this work until the plant says otherwise. */
export const DIE_CUT_PRACTICE = {
  'dieCut.setupSheets': range(40, 150, 'cycle', 'book', BOOK),
  'dieCut.runningPpm': fixed(10_000, 'ppm', 'book', BOOK),
  'dieCut.samples': fixed(5, 'cycle', 'practice', PRACTICE),
  'dieCut.againSheets': fixed(20, 'cycle', 'practice', 'another form of the same die; common practice, no source'),
  'dieCut.againS': fixed(600, 's', 'practice', 'another form of the same die; common practice, no source'),
  'dieCut.blankingS': fixed(1_800, 's', 'practice', 'setting the blanking grid, half an hour; common practice, no source'),
  'dieCut.cutNPerMm': range(30, 40, '1', 'practice', 'N a mm of cutting rule, board of 300 to 350 g/m²; common practice, no source'),
  'dieCut.creaseNPerMm': range(15, 20, '1', 'practice', 'N a mm of creasing rule, board of 300 to 350 g/m²; common practice, no source'),
  'dieCut.reserve': fixed(1.4, '1', 'practice', 'for uneven bedding, 1.3 to 1.5; common practice, no source'),
  'dieCut.rubberFactor': fixed(1.15, '1', 'practice', 'what the rubber takes, 1.1 to 1.2; common practice, no source'),
  'dieCut.rubberTimes': fixed(1.8, '1', 'practice', 'rubber beside the cutting rules, times their length; common practice, no source'),
  'dieCut.lifeCycles': fixed(1_000_000, 'cycle', 'practice', PRACTICE),
  'dieCut.leadDays': fixed(4, '1', 'practice', 'days until a bought die is there; common practice, no source'),
  'dieCut.printToDieMm': fixed(0.5, 'mm', 'practice', 'print to die of cartons, 0.3 to 0.5; common practice, no source'),
  'dieCut.pricePerMetre': fixed(38, 'money', 'invented', 'invented for the demo: put in your own price'),
  'dieCut.platesPrice': fixed(440, 'money', 'invented', 'invented for the demo: put in your own price'),
} as const satisfies Record<string, Practice>;
