import { OutOfRange, requireAboveZero, requireNotNegative } from '../quantity/errors';

/* A pair of embossing rollers: the male stands up and presses the stock into the female. */

/**
 * How wide the female is cut for a male of a width: the stock lies on both flanks.
 *
 * Formula: male + 2 · k · caliper. Source: geometry; k 0.8 to 1.2, common practice, no source.
 * @throws OutOfRange a male or caliper not above 0, k below 0
 * @example femaleMm({ maleMm: 0.8, caliperMm: 0.3, k: 1 }) // 1.4
 */
export function femaleMm({ maleMm, caliperMm, k }: { maleMm: number; caliperMm: number; k: number }): number {
  requireAboveZero('maleMm', maleMm);
  requireAboveZero('caliperMm', caliperMm);
  requireNotNegative('k', k);
  return maleMm + 2 * k * caliperMm;
}
/**
 * How deep the tool is for a height on the stock, which springs back.
 *
 * Formula: height / share that stays. Source: 0.6 to 0.8 stays, common practice, no source; a try on the true stock wins.
 * @throws OutOfRange a height below 0, a share not above 0 and up to 1
 * @example toolDepthMm({ heightMm: 0.25, stays: 0.7 }) // 0.3571
 */
export function toolDepthMm({ heightMm, stays }: { heightMm: number; stays: number }): number {
  requireNotNegative('heightMm', heightMm);
  if (!(stays > 0 && stays <= 1)) throw new OutOfRange('stays', stays, 'above 0, up to 1');
  return heightMm / stays;
}
/**
 * Minutes of a milling pass over an area: of the female its motifs, of the male the ground round them.
 *
 * Formula: area / (step over · feed). Source: arithmetic.
 * @throws OutOfRange a step or feed not above 0
 * @example millingMinutes({ mm2: 10_000, stepOverMm: 0.05, feedMmPerMin: 1_500 }) // 133.33
 */
export function millingMinutes({ mm2, stepOverMm, feedMmPerMin }: { mm2: number; stepOverMm: number; feedMmPerMin: number }): number {
  requireAboveZero('stepOverMm', stepOverMm);
  requireAboveZero('feedMmPerMin', feedMmPerMin);
  return mm2 / (stepOverMm * feedMmPerMin);
}
