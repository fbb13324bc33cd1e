import type { Practice } from '../../plant/plant';
import { fixed, PRACTICE, range } from '../../plant/practice-value';

/** What the trade assumes of cases until the plant says otherwise. */
export const CASE_PRACTICE = {
  'cutBoards.setupSheets': fixed(5, 'cycle', 'practice', PRACTICE),
  'cutBoards.squareMm': fixed(5, 'mm', 'practice', 'trimmed off each edge of a board sheet to square it; common practice, no source'),
  'cutBoards.runningPpm': fixed(5_000, 'ppm', 'practice', PRACTICE),
  'cutCloth.setupLengths': fixed(5, 'cycle', 'practice', PRACTICE),
  'cutCloth.runningPpm': fixed(5_000, 'ppm', 'practice', PRACTICE),
  'cutCloth.edgeMm': fixed(10, 'mm', 'practice', 'edge of the roll that is not used; common practice, no source'),
  'cutCloth.coreWasteMetres': fixed(1, 'm', 'practice', 'left on the core; common practice, no source'),
  'case.squareMm': fixed(3, 'mm', 'practice', PRACTICE),
  'case.setBackMm': fixed(6, 'mm', 'practice', '6 to 7; common practice, no source'),
  'case.jointMm': fixed(8, 'mm', 'practice', '7 to 10; common practice, no source'),
  'case.turnInMm': fixed(15, 'mm', 'practice', '15 to 18; common practice, no source'),
  'case.setupCycles': fixed(40, 'cycle', 'practice', PRACTICE),
  'case.runningPpm': fixed(15_000, 'ppm', 'practice', PRACTICE),
  'case.flatS': range(14_400, 43_200, 's', 'practice', 'cases dry flat for 4 to 12 h; common practice, no source'),
  'case.stripOffMm': fixed(0.5, 'mm', 'practice', 'so far a strip may be off its block; common practice, no source'),
  'case.clothOffMm': fixed(0.5, 'mm', 'practice', 'so far a covering may be off its sum; common practice, no source'),
  'titleFoil.setupCycles': fixed(30, 'cycle', 'practice', PRACTICE),
  'titleFoil.runningPpm': fixed(15_000, 'ppm', 'practice', PRACTICE),
  'titleFoil.perDieS': fixed(600, 's', 'practice', 'ten minutes a die; common practice, no source'),
  'titleFoil.besideMm': fixed(
    4,
    'mm',
    'practice',
    'a spine keeps so much clear of its die, both sides together; common practice, no source',
  ),
  'caseIn.setupCycles': fixed(10, 'cycle', 'practice', PRACTICE),
  'caseIn.runningPpm': fixed(10_000, 'ppm', 'practice', PRACTICE),
  'caseIn.pressS': range(43_200, 86_400, 's', 'practice', 'in the press for 12 to 24 h; common practice, no source'),
  'caseIn.builtInS': fixed(14_400, 's', 'practice', 'after the building-in machine 4 h; common practice, no source'),
  'caseIn.buildInEachS': range(30, 60, 's', 'practice', 'a book in the building-in machine; common practice, no source'),
  'caseIn.stackMm': fixed(600, 'mm', 'practice', 'books on one another in the press; common practice, no source'),
  'jacket.setupCycles': fixed(5, 'cycle', 'practice', PRACTICE),
  'jacket.runningPpm': fixed(3_000, 'ppm', 'practice', PRACTICE),
} as const satisfies Record<string, Practice>;
