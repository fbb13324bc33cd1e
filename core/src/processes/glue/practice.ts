import type { Practice } from '../../plant/plant';
import { fixed, PRACTICE, range } from '../../plant/practice-value';

const speed = (metresAMinute: number): Practice => fixed(metresAMinute, '1', 'practice', 'm a minute; common practice, no source');

/** What the trade assumes of this work until the plant says otherwise; speed, gap, most and setup by how hard the blank is to fold. */
export const GLUE_PRACTICE = {
  'glue.setupSheets': range(50, 150, 'cycle', 'practice', PRACTICE),
  'glue.runningPpm': fixed(10_000, 'ppm', 'practice', PRACTICE),
  'glue.samples': fixed(20, 'cycle', 'practice', PRACTICE),
  'glue.againSheets': fixed(20, 'cycle', 'practice', 'the next order of one outline; common practice, no source'),
  'glue.againS': fixed(480, 's', 'practice', 'the next order of one outline: code, counter, clearance; common practice, no source'),
  'glue.netShare': range(0.6, 0.8, '1', 'practice', 'of the belts’ speed over a shift; common practice, no source'),
  'glue.gPerM': fixed(0.8, '1', 'practice', 'g of cold glue a metre of bead, 0.5 to 1.2; common practice, no source'),
  'glue.pressureS': fixed(15, 's', 'practice', '8 to 30 s; common practice, no source'),
  'glue.pricePerKg': fixed(3.4, 'money', 'invented', 'invented for the demo: put in your own price'),
  'glue.leastPanelMm': fixed(25, 'mm', 'practice', PRACTICE),
  'glue.leastBlankMm': fixed(60, 'mm', 'practice', PRACTICE),
  'glue.seamSpeed': speed(200),
  'glue.seamGapMm': fixed(60, 'mm', 'practice', PRACTICE),
  'glue.seamMost': fixed(40_000, '1/h', 'practice', PRACTICE),
  'glue.seamSetupS': range(1_800, 3_600, 's', 'practice', PRACTICE),
  'glue.liningSpeed': speed(150),
  'glue.liningGapMm': fixed(100, 'mm', 'practice', PRACTICE),
  'glue.liningMost': fixed(15_000, '1/h', 'practice', PRACTICE),
  'glue.liningSetupS': fixed(2_700, 's', 'practice', PRACTICE),
  'glue.liningSetupSheets': fixed(80, 'cycle', 'practice', PRACTICE),
  'glue.liningSamples': fixed(5, 'cycle', 'practice', PRACTICE),
  'glue.autoBottomSpeed': speed(120),
  'glue.autoBottomGapMm': fixed(150, 'mm', 'practice', PRACTICE),
  'glue.autoBottomMost': fixed(25_000, '1/h', 'practice', PRACTICE),
  'glue.autoBottomSetupS': range(3_600, 7_200, 's', 'practice', PRACTICE),
  'glue.fourCornerSpeed': speed(90),
  'glue.fourCornerGapMm': fixed(250, 'mm', 'practice', PRACTICE),
  'glue.fourCornerMost': fixed(20_000, '1/h', 'practice', PRACTICE),
  'glue.fourCornerSetupS': range(5_400, 9_000, 's', 'practice', PRACTICE),
} as const satisfies Record<string, Practice>;
