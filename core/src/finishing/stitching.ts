import type { Formula } from '../quantity/figure';

/** All sheets of a part in a booklet, laid on one another. Formula: sheets · caliper. Source: arithmetic. */
export const PAPER_UM: Formula<'sheets' | 'caliperUm'> = {
  id: 'finishing.paperUm',
  unit: 'µm',
  source: 'arithmetic',
  of: ({ sheets, caliperUm }) => sheets * caliperUm,
};

/**
 * Thickness of a closed booklet: every sheet lies twice in it. Terms: the paper of each part, µm.
 * Formula: 2 · Σ paper. Source: arithmetic, pressed flat.
 *
 * A cover of 180 µm and ten sheets of 95 µm: 2.26 mm.
 */
export const CLOSED: Formula = {
  id: 'finishing.closed',
  unit: 'mm',
  source: 'arithmetic, pressed flat',
  of: (paperUm) => (2 * Object.values(paperUm).reduce((sum, um) => sum + um, 0)) / 1000,
};

/**
 * How far the innermost leaf stands out at the face. Terms: the paper of each part and, less, the innermost sheet itself, µm; 1, or π/2 where it is reckoned
 * round the fold.
 * Formula: (Σ paper − innermost) · school. Source: arithmetic; the two schools are common practice, no source.
 */
export const INNERMOST_CREEP: Formula = {
  id: 'finishing.innermostCreep',
  unit: 'mm',
  source: 'arithmetic; common practice, no source',
  of: ({ school = 1, innermostUm = 0, ...paperUm }) =>
    (school * (Object.values(paperUm).reduce((sum, um) => sum + um, 0) - innermostUm)) / 1000,
};
/** The same as somebody measured it on a dummy. */
export const MEASURED_CREEP: Formula<'measured'> = {
  id: 'finishing.measuredCreep',
  unit: 'mm',
  source: 'measured on a dummy',
  of: ({ measured }) => measured,
};
/** Round the fold: a half circle. */
export const ROUND_SCHOOL = Math.PI / 2;

/**
 * Wire of one stitch: it goes through half of the closed booklet, twice.
 * Formula: crown + 2 · (through + clinch). Source: arithmetic; crown and clinch common practice, no source.
 *
 * Through a booklet of 2.26 mm with a crown of 13 and ends of 6: 27.26 mm.
 */
export const STITCH_WIRE: Formula<'closedMm' | 'crownMm' | 'clinchMm'> = {
  id: 'finishing.stitchWire',
  unit: 'mm',
  source: 'arithmetic; crown and clinch common practice, no source',
  of: ({ closedMm, crownMm, clinchMm }) => crownMm + 2 * (closedMm / 2 + clinchMm),
};
/** Wire of all stitches. */
export const WIRE_METRES: Formula<'copies' | 'stitches' | 'eachMm'> = {
  id: 'finishing.wireMetres',
  unit: 'm',
  source: 'arithmetic',
  of: ({ copies, stitches, eachMm }) => (copies * stitches * eachMm) / 1000,
};
/**
 * Mass of steel wire.
 * Formula: π/4 · d² · length · density. Source: density of steel 7,850 kg/m³, any handbook.
 */
export const WIRE_KG: Formula<'metres' | 'diameterMm' | 'kgPerM3'> = {
  id: 'finishing.wireKg',
  unit: 'kg',
  source: 'arithmetic; density of steel from any handbook',
  of: ({ metres, diameterMm, kgPerM3 }) => ((Math.PI / 4) * diameterMm * diameterMm * metres * kgPerM3) / 1e6,
};

/** What the three-knife cuts off. Formula: copies · (mass as gathered − mass trimmed). Source: arithmetic. */
export const TRIMMED_OFF_KG: Formula<'copies' | 'gatheredKg' | 'trimmedKg'> = {
  id: 'finishing.trimmedOff',
  unit: 'kg',
  source: 'arithmetic',
  of: ({ copies, gatheredKg, trimmedKg }) => copies * Math.max(gatheredKg - trimmedKg, 0),
};
/** Paper of copies that are lost. Formula: (run − good) · mass of one. Source: arithmetic. */
export const LOST_COPIES_KG: Formula<'run' | 'good' | 'eachKg'> = {
  id: 'finishing.lostCopiesKg',
  unit: 'kg',
  source: 'arithmetic',
  of: ({ run, good, eachKg }) => Math.max(run - good, 0) * eachKg,
};

/** Mass of the trimmed leaves of a part. Formula: leaves · width · height · grammage. Source: definition of grammage (ISO 536). */
export const LEAVES_KG: Formula<'leaves' | 'widthMm' | 'heightMm' | 'gsm'> = {
  id: 'finishing.leavesKg',
  unit: 'kg',
  source: 'definition of grammage (ISO 536)',
  of: ({ leaves, widthMm, heightMm, gsm }) => (leaves * widthMm * heightMm * gsm) / 1e9,
};
