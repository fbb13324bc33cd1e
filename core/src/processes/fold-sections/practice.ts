import type { Practice } from '../../plant/plant';
import { fixed, PRACTICE } from '../../plant/practice-value';

const limit = (gsm: number, how: string): Practice => fixed(gsm, 'g/m²', 'practice', `${how}; common practice, no source`);

/** What the trade assumes of this work until the plant says otherwise; setup, loss and gap are those of any folder. */
export const FOLD_SECTIONS_PRACTICE = {
  'sections.oneFoldGsm': limit(300, 'scored above 170'),
  'sections.twoFoldsGsm': limit(170, 'two right-angle folds'),
  'sections.threeFoldsGsm': limit(135, 'three right-angle folds'),
  'sections.fourFoldsGsm': limit(90, 'four right-angle folds, perforated'),
  'sections.mostLeftMm': fixed(25, 'mm', 'practice', 'at an edge of a sheet that is folded without a cut; common practice, no source'),
  'sections.perStationS': fixed(300, 's', 'practice', 'five minutes a station; common practice, no source'),
  'sections.controlEvery': fixed(1_000, 'section', 'practice', PRACTICE),
} as const satisfies Record<string, Practice>;
