import { requireAboveZero, requireNotNegative } from '../quantity/errors';

/* Ink and powder of printing that stands up: a die inked all over and wiped, or wet ink strewn with resin and melted. */

const M2_PER_MM2 = 1e-6;

/**
 * Ink of one engraved impression, g: what its lines hold, and what is wiped off the face, which is inked all over.
 *
 * Formula: image · line share · film + face · wiped film. Source: common practice, no source; films of 10 to 40 and 5 to 10 g/m².
 * @throws OutOfRange an area or film below 0
 * @example engravedInkG({ imageMm2: 1_800, linePercent: 20, filmGsm: 25, faceMm2: 4_416, wipedGsm: 7.5 }) // 0.04212
 */
export function engravedInkG({
  imageMm2,
  linePercent,
  filmGsm,
  faceMm2,
  wipedGsm,
}: {
  imageMm2: number;
  linePercent: number;
  filmGsm: number;
  faceMm2: number;
  wipedGsm: number;
}): number {
  requireNotNegative('imageMm2', imageMm2);
  requireNotNegative('faceMm2', faceMm2);
  return M2_PER_MM2 * (((imageMm2 * linePercent) / 100) * filmGsm + faceMm2 * wipedGsm);
}
/**
 * Paper that wipes a die, m: at each impression a little more than its face in the direction it is fed. Formula: run · (face + 10 mm). Source: common practice, no
 * source.
 * @throws OutOfRange a face not above 0
 * @example wipingPaperM(412, 69) // 32.548
 */
export function wipingPaperM(run: number, faceMm: number): number {
  requireAboveZero('faceMm', faceMm);
  return (run * (faceMm + WIPE_MORE_MM)) / 1000;
}
const WIPE_MORE_MM = 10;
/**
 * Powder that stays on one piece, g; what falls beside is sucked off and used again. Formula: image · inked share · film. Source: 20 to 60 g/m², common practice, no
 * source.
 * @throws OutOfRange an area below 0
 * @example powderG({ imageMm2: 1_620, inkedPercent: 22, filmGsm: 40 }) // 0.014256
 */
export function powderG({ imageMm2, inkedPercent, filmGsm }: { imageMm2: number; inkedPercent: number; filmGsm: number }): number {
  requireNotNegative('imageMm2', imageMm2);
  return M2_PER_MM2 * ((imageMm2 * inkedPercent) / 100) * filmGsm;
}
/**
 * Pieces that a raised-print line melts in an hour: what its feeder gives, or what its heater lets through.
 *
 * Formula: min(feeder, heater / dwell / (piece + gap) · 3600). Source: arithmetic; 2 to 4 s under the heater, common practice, no source.
 * @throws OutOfRange a dwell or piece not above 0
 * @example raisedAnHour({ heaterMm: 1_500, dwellS: 3, pieceMm: 220, gapMm: 60, feeder: 10_000 }) // 6428.57
 */
export function raisedAnHour({
  heaterMm,
  dwellS,
  pieceMm,
  gapMm,
  feeder,
}: {
  heaterMm: number;
  dwellS: number;
  pieceMm: number;
  gapMm: number;
  feeder: number;
}): number {
  requireAboveZero('dwellS', dwellS);
  requireAboveZero('pieceMm', pieceMm);
  return Math.min(feeder, (heaterMm / dwellS / (pieceMm + gapMm)) * 3600);
}
