import type { Formula } from '../quantity/figure';

/* How long a cylinder, or a pair of rollers, is at each place of the shop. */

/**
 * Time that a cylinder lies in nickel and copper: hung in and out; what it wants, and what is ground off again.
 *
 * `hanging + (copper + grinding) × time a µm`. Source: arithmetic; times of the works (0.5 to 1.1 min a µm, common practice, no source).
 * @example PLATING_TIME.of({ hangS: 1_200, copperUm: 249.47, grindOffUm: 40, perUmS: 48 }) // 15094.56
 */
export const PLATING_TIME: Formula<'hangS' | 'copperUm' | 'grindOffUm' | 'perUmS'> = {
  id: 'form.platingTime',
  unit: 's',
  source: 'arithmetic',
  of: ({ hangS, copperUm, grindOffUm, perUmS }) => hangS + Math.max(copperUm + grindOffUm, 0) * perUmS,
};
/**
 * Time in the chrome: `hanging + chrome × time a µm`. Source: arithmetic; times of the works, common practice, no source.
 * @example CHROME_TIME.of({ hangS: 900, chromeUm: 8, perUmS: 240 }) // 2820
 */
export const CHROME_TIME: Formula<'hangS' | 'chromeUm' | 'perUmS'> = {
  id: 'form.chromeTime',
  unit: 's',
  source: 'arithmetic',
  of: ({ hangS, chromeUm, perUmS }) => hangS + chromeUm * perUmS,
};
/**
 * Time that a cylinder is engraved by stylus or laser: mounted, a test cut made and measured, and every cell.
 *
 * `mounting + cells / (cells a second × heads)`. Source: arithmetic; times of the works (stylus 4,000 cells a second a head, laser 30,000 to 70,000, common practice, no
 * source).
 * @example CELLS_TIME.of({ mountS: 1_500, cells: 20_557_800, perS: 4_000, heads: 1 }) // 6639.45
 */
export const CELLS_TIME: Formula<'mountS' | 'cells' | 'perS' | 'heads'> = {
  id: 'form.cellsTime',
  unit: 's',
  source: 'arithmetic',
  of: ({ mountS, cells, perS, heads }) => mountS + (perS * heads > 0 ? cells / (perS * heads) : 0),
};
/**
 * Time that a resist is exposed on: its surface at so long a square metre. Source: arithmetic; 8 to 12 min a m², common practice, no source.
 * @example EXPOSING_TIME.of({ bandMm: 1_410, turnMm: 500, perM2S: 600 }) // 423
 */
export const EXPOSING_TIME: Formula<'bandMm' | 'turnMm' | 'perM2S'> = {
  id: 'form.exposingTime',
  unit: 's',
  source: 'arithmetic',
  of: ({ bandMm, turnMm, perM2S }) => ((bandMm * turnMm) / 1e6) * perM2S,
};
/**
 * Time of a proof of the whole set: made ready, and so long a cylinder. Source: arithmetic; times of the works, common practice, no source.
 * @example SET_PROOF_TIME.of({ readyS: 3_600, cylinders: 5, eachS: 1_200 }) // 9600
 */
export const SET_PROOF_TIME: Formula<'readyS' | 'cylinders' | 'eachS'> = {
  id: 'form.setProofTime',
  unit: 's',
  source: 'arithmetic',
  of: ({ readyS, cylinders, eachS }) => readyS + cylinders * eachS,
};
/**
 * Time of milling passes over an area: of the female its motifs, of the male the ground round them.
 *
 * `passes × area / (step over × feed)`. Source: arithmetic.
 * @example MILLING_TIME.of({ passes: 1, cm2: 100, stepOverMm: 0.05, feedMmPerS: 25 }) // 8000
 */
export const MILLING_TIME: Formula<'passes' | 'cm2' | 'stepOverMm' | 'feedMmPerS'> = {
  id: 'form.millingTime',
  unit: 's',
  source: 'arithmetic',
  of: ({ passes, cm2, stepOverMm, feedMmPerS }) => (stepOverMm * feedMmPerS > 0 ? (passes * cm2 * 100) / (stepOverMm * feedMmPerS) : 0),
};
