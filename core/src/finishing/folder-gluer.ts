import type { Formula } from '../quantity/figure';

/** Blanks an hour while the belts run. Formula: min(most, 60,000 v / (R + gap)), R the blank's extent along the creases the belts fold, mm, v in m/min. */
export const GLUER_GROSS: Formula<'metresAMinute' | 'extentMm' | 'gapMm' | 'mostAnHour'> = {
  id: 'finishing.gluerGross',
  unit: '1/h',
  source: 'geometry',
  of: ({ metresAMinute, extentMm, gapMm, mostAnHour }) => Math.min(mostAnHour, (60_000 * metresAMinute) / (extentMm + gapMm)),
};
/** Blanks an hour over a shift. */
export const GLUER_NET: Formula<'gross' | 'share'> = {
  id: 'finishing.gluerNet',
  unit: '1/h',
  source: 'common practice, no source',
  of: ({ gross, share }) => gross * share,
};

/** A bead stops short of either end of its joint, so that no glue is pressed out. Common practice, no source. */
export const BEAD_ENDS_MM = 5;
/** Length of all beads of a blank: each joint less its ends. */
export const BEAD_MM: Formula = {
  id: 'finishing.beadMm',
  unit: 'mm',
  source: 'each joint less 5 mm at either end; common practice, no source',
  of: (joints) => Object.values(joints).reduce((sum, mm) => sum + Math.max(mm - 2 * BEAD_ENDS_MM, 0), 0),
};
/** Glue: beads × glue a metre × blanks. */
export const GLUE_KG: Formula<'beadMm' | 'gPerM' | 'blanks'> = {
  id: 'finishing.glueKg',
  unit: 'kg',
  source: 'arithmetic',
  of: ({ beadMm, gPerM, blanks }) => (beadMm * gPerM * blanks) / 1e6,
};
