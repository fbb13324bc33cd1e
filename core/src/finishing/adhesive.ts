import type { Formula } from '../quantity/figure';

/** Leaves of a part in a book block. Formula: pages / 2 · caliper. Source: geometry. 288 pages of 112 µm: 16.128 mm. */
export const LEAVES_MM: Formula<'pages' | 'caliperUm'> = {
  id: 'finishing.leavesMm',
  unit: 'mm',
  source: 'geometry',
  of: ({ pages, caliperUm }) => ((pages / 2) * caliperUm) / 1000,
};
/** A book block as a dummy of it shows. */
export const MEASURED_BLOCK: Formula<'measured'> = {
  id: 'finishing.measuredBlock',
  unit: 'mm',
  source: 'measured on a dummy',
  of: ({ measured }) => measured,
};
/**
 * Spine of an adhesive cover.
 * Formula: block + 2 · caliper of the cover + glue. Source: geometry; glue 0.2 to 0.4 mm common practice, no source.
 *
 * A block of 16.496, a cover of 280 µm, 0.3 of glue: 17.356 mm.
 */
export const SPINE: Formula<'blockMm' | 'coverUm' | 'glueMm'> = {
  id: 'finishing.spine',
  unit: 'mm',
  source: 'geometry; glue common practice, no source',
  of: ({ blockMm, coverUm, glueMm }) => blockMm + (2 * coverUm) / 1000 + glueMm,
};
/**
 * Conveyor that a bound book cools on.
 * Formula: cooling s · cycles/h ÷ 3,600 · pitch. Source: arithmetic. 90 s at 3,500/h, 0.28 m from book to book: 24.5 m.
 */
export const CONVEYOR: Formula<'coolingS' | 'perHour' | 'pitchMm'> = {
  id: 'finishing.conveyor',
  unit: 'm',
  source: 'arithmetic',
  of: ({ coolingS, perHour, pitchMm }) => ((coolingS * perHour) / 3600) * (pitchMm / 1000),
};
/** The rate at which a book cools long enough on the conveyor that is there: the same, turned round. */
export const CONVEYOR_RATE: Formula<'coolingS' | 'conveyorM' | 'pitchMm'> = {
  id: 'finishing.conveyorRate',
  unit: '1/h',
  source: 'arithmetic',
  of: ({ coolingS, conveyorM, pitchMm }) => (conveyorM / (pitchMm / 1000) / coolingS) * 3600,
};
/**
 * Glue on the spine of a block.
 * Formula: thickness · length · film · density. Source: arithmetic. 16.496 × 397 × 0.5 at 0.95 g/cm³: 3.11 g.
 */
export const SPINE_GLUE_KG: Formula<'blockMm' | 'lengthMm' | 'filmMm' | 'gPerCm3'> = {
  id: 'finishing.spineGlue',
  unit: 'kg',
  source: 'arithmetic',
  of: ({ blockMm, lengthMm, filmMm, gPerCm3 }) => (blockMm * lengthMm * filmMm * gPerCm3) / 1e6,
};
/** Glue of all blocks. */
export const ALL_GLUE_KG: Formula<'cycles' | 'eachKg'> = {
  id: 'finishing.allGlue',
  unit: 'kg',
  source: 'arithmetic',
  of: ({ cycles, eachKg }) => cycles * eachKg,
};
/** A machine of the line behind the binder, in cycles of the binder. Formula: its rate ÷ pieces a cycle makes. Source: arithmetic. */
export const IN_CYCLES: Formula<'perHour' | 'pieces'> = {
  id: 'finishing.inCycles',
  unit: '1/h',
  source: 'arithmetic',
  of: ({ perHour, pieces }) => perHour / pieces,
};
