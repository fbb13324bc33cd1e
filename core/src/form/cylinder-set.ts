import { requireAboveZero, requireNotNegative } from '../quantity/errors';

/* A set of printing cylinders, one a colour: each a little larger than the one before, on bases that are turned down or plated up to it. */

const UM_PER_MM = 1000;

/**
 * Diameter of a cylinder of a set, over its chrome: the first has the circumference that prints the repeat, each further one is larger by the step, so that the web
 * stays tight from station to station.
 *
 * Formula: C₁/π + (station − 1) · step. Source: geometry; steps of 10 to 30 µm, common practice, no source.
 * @param station the first is 1
 * @param stepUm in diameter; 0 only where each cylinder has a drive of its own
 * @throws OutOfRange a circumference not above 0, a step below 0
 * @example cylinderDiameterMm({ firstTurnMm: 500, stepUm: 20, station: 5 }) // 159.2349
 */
export function cylinderDiameterMm({ firstTurnMm, stepUm, station }: { firstTurnMm: number; stepUm: number; station: number }): number {
  requireAboveZero('firstTurnMm', firstTurnMm);
  requireNotNegative('stepUm', stepUm);
  return firstTurnMm / Math.PI + ((station - 1) * stepUm) / UM_PER_MM;
}
/**
 * What one turn prints. Formula: π · diameter. Source: geometry.
 * @throws OutOfRange a diameter not above 0
 * @example turnMm(159.23494309) // 500.251
 */
export function turnMm(diameterMm: number): number {
  requireAboveZero('diameterMm', diameterMm);
  return Math.PI * diameterMm;
}
/**
 * Strain of the web from one station to the next, parts of a thousand. Formula: step ÷ diameter. Source: geometry.
 * @throws OutOfRange a diameter not above 0
 * @example webStrainPermil({ stepUm: 20, diameterMm: 159.1549 }) // 0.12566
 */
export function webStrainPermil({ stepUm, diameterMm }: { stepUm: number; diameterMm: number }): number {
  requireAboveZero('diameterMm', diameterMm);
  return stepUm / diameterMm;
}
/**
 * Copper that a base wants, on the radius, once it is ground: what is left between base and the diameter wanted when the chrome on both sides is taken off. Below 0 the
 * base is too thick.
 *
 * Formula: (diameter − 2 · chrome − base) / 2. Source: geometry.
 * @example copperUm({ diameterMm: 159.15494309, baseMm: 158.64, chromeUm: 8 }) // 249.47
 */
export const copperUm = ({ diameterMm, baseMm, chromeUm }: { diameterMm: number; baseMm: number; chromeUm: number }): number =>
  ((diameterMm - baseMm) * UM_PER_MM) / 2 - chromeUm;
/** Copper that holds an engraving and does not peel, on the radius, µm. Common practice, no source. */
export const COPPER_UM = { least: 150, most: 600 } as const;
/** Whether a base can be plated to its diameter. @example isBaseFit(249.5) // true */
export const isBaseFit = (um: number): boolean => um >= COPPER_UM.least && um <= COPPER_UM.most;

/**
 * Minutes that a cylinder lies in nickel and copper: what it wants, and what is ground off again.
 *
 * Formula: hanging in and out + (copper + grinding) · minutes a µm. Source: arithmetic; times of the works (0.5 to 1.1 min a µm, common practice, no source).
 * @throws OutOfRange copper below 0
 * @example platingMinutes({ copperUm: 249.47, grindOffUm: 40, minutesAUm: 0.8 }) // 251.58
 */
export function platingMinutes({
  copperUm: copper,
  grindOffUm,
  minutesAUm,
}: {
  copperUm: number;
  grindOffUm: number;
  minutesAUm: number;
}): number {
  requireNotNegative('copperUm', copper);
  return HANGING_MIN + (copper + grindOffUm) * minutesAUm;
}
/** A cylinder is hung into a bath and taken out, min. Common practice, no source. */
const HANGING_MIN = 20;
/**
 * Minutes of chrome. Formula: 15 + 4 a µm. Source: times of the works, common practice, no source.
 * @throws OutOfRange chrome below 0
 * @example chromeMinutes(8) // 47
 */
export function chromeMinutes(chromeUm: number): number {
  requireNotNegative('chromeUm', chromeUm);
  return 15 + 4 * chromeUm;
}
/**
 * The widest band that a cylinder can carry: the blade and the seals run beside it. Formula: face − 2 · end. Source: common practice, no source (ends of 15 to 25 mm).
 * @throws OutOfRange a face not above 0
 * @example widestBandMm({ faceMm: 1_450, endMm: 20 }) // 1410
 */
export function widestBandMm({ faceMm, endMm }: { faceMm: number; endMm: number }): number {
  requireAboveZero('faceMm', faceMm);
  return faceMm - 2 * endMm;
}
