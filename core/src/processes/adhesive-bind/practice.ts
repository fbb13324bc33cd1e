import type { Practice } from '../../plant/plant';
import { fixed, PRACTICE, range } from '../../plant/practice-value';

/** What the trade assumes of this work until the plant says otherwise. */
export const ADHESIVE_BIND_PRACTICE = {
  'bind.setupCycles': range(30, 100, 'cycle', 'practice', PRACTICE),
  'bind.runningPpm': fixed(15_000, 'ppm', 'practice', PRACTICE),
  'bind.samples': fixed(5, 'cycle', 'practice', 'five books pulled apart; common practice, no source'),
  'bind.perFeederS': fixed(180, 's', 'practice', 'three minutes a hopper; common practice, no source'),
  'bind.feeders': fixed(20, '1', 'practice', PRACTICE),
  'bind.leastMm': fixed(3, 'mm', 'practice', 'thinner, a spine has no hold; common practice, no source'),
  'bind.mostMm': fixed(60, 'mm', 'practice', PRACTICE),
  'bind.lengthMm': fixed(510, 'mm', 'practice', PRACTICE),
  'bind.faceMm': fixed(3, 'mm', 'practice', '3 to 5; common practice, no source'),
  'bind.headMm': fixed(3, 'mm', 'practice', '3 to 5; common practice, no source'),
  'bind.footMm': fixed(3, 'mm', 'practice', '3 to 5; common practice, no source'),
  'bind.grindMm': fixed(3, 'mm', 'practice', 'milled off the folds; common practice, no source'),
  'bind.notchMm': range(0, 1, 'mm', 'practice', 'where folds are notched; common practice, no source'),
  'bind.sawMm': fixed(5, 'mm', 'practice', PRACTICE),
  'bind.glueMm': range(0.2, 0.4, 'mm', 'practice', 'glue between block and cover; common practice, no source'),
  'bind.filmMm': fixed(0.5, 'mm', 'practice', '0.4 to 0.7; common practice, no source'),
  'bind.purFilmMm': range(0.2, 0.3, 'mm', 'practice', PRACTICE),
  'bind.glueGPerCm3': fixed(0.95, '1', 'practice', 'grams a cubic centimetre; common practice, no source'),
  'bind.gluePricePerKg': fixed(4.6, 'money', 'invented', 'invented for the demo: put in your own price'),
  'bind.purPricePerKg': fixed(11.5, 'money', 'invented', 'invented for the demo: put in your own price'),
  'bind.hotMeltCoolS': range(60, 120, 's', 'practice', PRACTICE),
  'bind.purCoolS': range(180, 600, 's', 'practice', PRACTICE),
  'bind.purShipS': fixed(86_400, 's', 'practice', 'a day until PUR has cured; common practice, no source'),
  'bind.pitchMm': fixed(280, 'mm', 'practice', 'from book to book; common practice, no source'),
  'bind.bulkShare': fixed(0.1, '1', 'practice', 'a paper’s bulk differs so much from its catalogue; common practice, no source'),
  'bind.dummyOffShare': fixed(0.05, '1', 'practice', 'a dummy off by more: the caliper is not this paper’s; common practice, no source'),
  'bind.scoreBesideMm': fixed(7, 'mm', 'practice', 'from the spine to the scores beside it; common practice, no source'),
} as const satisfies Record<string, Practice>;
