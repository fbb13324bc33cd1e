import { requireAboveZero, requireNotNegative } from '../quantity/errors';
import type { Formula } from '../quantity/figure';
import { floorTolerant } from '../quantity/round-tolerant';

export interface FoilPull {
  /** Strikes that fit between two dies before the foil must jump. */
  strikes: number;
  /** Advance between those strikes, then the jump past what the dies have used. */
  shortMm: number;
  jumpMm: number;
  /** Foil drawn per stroke, on average. */
  perStrokeMm: number;
}

/**
 * How the foil is drawn so that strikes interleave: dies stand one pitch apart along the foil; after a stroke the foil moves on by one image
 * and gap, so that the next strike falls between the last ones, until the pitch is used up; then it jumps.
 *
 * Formula: strikes k = ⌊pitch / (image + gap)⌋, short advance a = image + gap, jump = (dies − 1) · pitch + a; on average ((k − 1) · a + jump) / k.
 * A single die needs a each stroke. Source: geometry; the practice of interleaved strikes: common practice, no source.
 *
 * @throws OutOfRange image not above 0, dies below 1, or dies standing closer than the image is long
 * @example foilPull({ imageMm: 54, gapMm: 3, pitchMm: 250, dies: 2 }).perStrokeMm // 119.5 (57, 57, 57, then 307)
 */
export function foilPull({ imageMm, gapMm, pitchMm, dies }: { imageMm: number; gapMm: number; pitchMm: number; dies: number }): FoilPull {
  requireAboveZero('imageMm', imageMm);
  requireNotNegative('gapMm', gapMm);
  requireAboveZero('dies', dies);
  const shortMm = imageMm + gapMm;
  if (dies === 1) return { strikes: 1, shortMm, jumpMm: shortMm, perStrokeMm: shortMm };
  requireAboveZero('pitchMm', pitchMm);
  const strikes = Math.max(floorTolerant(pitchMm / shortMm), 1);
  const jumpMm = (dies - 1) * pitchMm + shortMm;
  return { strikes, shortMm, jumpMm, perStrokeMm: ((strikes - 1) * shortMm + jumpMm) / strikes };
}

/** Foil drawn per stroke as a figure. */
export const FOIL_PER_STROKE: Formula<'imageMm' | 'gapMm' | 'pitchMm' | 'dies'> = {
  id: 'ink.foilPerStroke',
  unit: 'mm',
  source: 'geometry of interleaved strikes',
  of: (t) => foilPull({ ...t, gapMm: Math.max(t.gapMm, 0) }).perStrokeMm,
};
/** Metres of foil in all lanes. */
export const FOIL_METRES: Formula<'perStrokeMm' | 'strokes' | 'lanes'> = {
  id: 'ink.foilMetres',
  unit: 'm',
  source: 'arithmetic',
  of: ({ perStrokeMm, strokes, lanes }) => (perStrokeMm * strokes * lanes) / 1000,
};
/** Price of foil by its area. */
export const FOIL_PRICE: Formula<'metres' | 'widthMm' | 'perM2'> = {
  id: 'ink.foilCost',
  unit: 'money',
  source: 'arithmetic',
  of: ({ metres, widthMm, perM2 }) => ((metres * widthMm) / 1000) * perM2,
};
