import type { Formula } from '../quantity/figure';

/* A set of printing cylinders, one a colour: each a little larger than the one before, on bases that are turned down or plated up to it. */

const UM_PER_MM = 1000;

/** By how much each cylinder is larger than the one before, in diameter, where nothing is said. Common practice, no source. */
export const USUAL_STEP_UM = 20;
/**
 * Diameter of a cylinder of a set, over its chrome: the first has the circumference that prints the repeat, each further one is larger by the step, so that the web
 * stays tight from station to station.
 *
 * `first turn / π + (station − 1) × step`; the first station is 1. Source: geometry; steps of 10 to 30 µm in diameter, common practice, no source.
 * @example CYLINDER_DIAMETER.of({ firstTurnMm: 500, stepUm: 20, station: 5 }) // 159.2349
 */
export const CYLINDER_DIAMETER: Formula<'firstTurnMm' | 'stepUm' | 'station'> = {
  id: 'form.cylinderDiameter',
  unit: 'mm.001',
  source: 'geometry',
  of: ({ firstTurnMm, stepUm, station }) => firstTurnMm / Math.PI + ((station - 1) * stepUm) / UM_PER_MM,
};
/**
 * What one turn prints: `π × diameter`. Source: geometry.
 * @example CYLINDER_TURN.of({ diameterMm: 159.23494309 }) // 500.251
 */
export const CYLINDER_TURN: Formula<'diameterMm'> = {
  id: 'form.cylinderTurn',
  unit: 'mm.001',
  source: 'geometry',
  of: ({ diameterMm }) => Math.PI * diameterMm,
};
/**
 * Strain of the web from one station to the next: `step / diameter`, parts of a million. Source: geometry.
 * @example WEB_STRAIN.of({ stepUm: 20, diameterMm: 159.1549 }) // 125.66
 */
export const WEB_STRAIN: Formula<'stepUm' | 'diameterMm'> = {
  id: 'form.webStrain',
  unit: 'ppm',
  source: 'geometry',
  of: ({ stepUm, diameterMm }) => (diameterMm > 0 ? (stepUm * 1_000) / diameterMm : 0),
};
/**
 * Copper that a base wants, on the radius, once it is ground: what is left between base and the diameter wanted when the chrome on both sides is taken off. Below 0 the
 * base is too thick.
 *
 * `(diameter − base) / 2 − chrome`. Source: geometry.
 * @example COPPER_WANTED.of({ diameterMm: 159.15494309, baseMm: 158.64, chromeUm: 8 }) // 249.47
 */
export const COPPER_WANTED: Formula<'diameterMm' | 'baseMm' | 'chromeUm'> = {
  id: 'form.copperWanted',
  unit: 'µm',
  source: 'geometry',
  of: ({ diameterMm, baseMm, chromeUm }) => ((diameterMm - baseMm) * UM_PER_MM) / 2 - chromeUm,
};
/**
 * Base that wants so much copper: what a new one is turned to. `diameter − 2 × (copper + chrome)`. Source: geometry.
 * @example NEW_BASE.of({ diameterMm: 159.15494309, copperUm: 249.47, chromeUm: 8 }) // 158.64
 */
export const NEW_BASE: Formula<'diameterMm' | 'copperUm' | 'chromeUm'> = {
  id: 'form.newBase',
  unit: 'mm.001',
  source: 'geometry',
  of: ({ diameterMm, copperUm, chromeUm }) => diameterMm - (2 * (copperUm + chromeUm)) / UM_PER_MM,
};
/**
 * Base as the order says it, read to a thousandth. Source: the order.
 * @example BASE_SAID.of({ base: 158.64 }) // 158.64
 */
export const BASE_SAID: Formula<'base'> = { id: 'form.baseSaid', unit: 'mm.001', source: 'the order', of: ({ base }) => base };
/** Copper that holds an engraving and does not peel, on the radius, µm. Common practice, no source. */
export const COPPER_UM = { least: 150, most: 600 } as const;
/** Whether a base can be plated to its diameter. @example isBaseFit(249.5) // true */
export const isBaseFit = (um: number): boolean => um >= COPPER_UM.least - 1e-9 && um <= COPPER_UM.most + 1e-9;

/**
 * The widest band that a cylinder can carry: the blade and the seals run beside it. `face − 2 × end`. Source: common practice, no source (ends of 15 to 25 mm).
 * @example WIDEST_BAND.of({ faceMm: 1_450, endMm: 20 }) // 1410
 */
export const WIDEST_BAND: Formula<'faceMm' | 'endMm'> = {
  id: 'form.widestBand',
  unit: 'mm',
  source: 'common practice, no source',
  of: ({ faceMm, endMm }) => faceMm - 2 * endMm,
};
/**
 * Mass of copper that is laid on a face: `π × diameter × face × thickness × 8.96 g/cm³`. Source: density of copper, handbook, from memory.
 * @example COPPER_MASS.of({ diameterMm: 159, faceMm: 1_450, plateUm: 289.5 }) // 1.879
 */
export const COPPER_MASS: Formula<'diameterMm' | 'faceMm' | 'plateUm'> = {
  id: 'form.copperMass',
  unit: 'kg',
  source: 'density of copper, handbook, from memory',
  of: ({ diameterMm, faceMm, plateUm }) => (Math.PI * diameterMm * faceMm * Math.max(plateUm, 0) * COPPER_G_PER_CM3) / 1e9,
};
const COPPER_G_PER_CM3 = 8.96;
