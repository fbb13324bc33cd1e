import { requireAboveZero } from '../quantity/errors';
import { floorTolerant } from '../quantity/round-tolerant';

/** Board that was folded flat springs open: so many times its two thicknesses stand a glued piece in its case. Common practice, no source: 1.3 to 1.6. */
const SPRINGS = 1.5;
/** A person takes them out by fifties: a case holds whole ones. */
const BY = 50;

export interface EdgeTiers {
  /** Thickness of a glued piece as it stands in the case. */
  thickMm: number;
  aTier: number;
  tiers: number;
  /** As many as go in, and as many as are packed. */
  most: number;
  packed: number;
}

/**
 * Glued pieces on edge in a case, in tiers one above the other.
 *
 * Formula: thickness 2t × 1.5; a tier ⌊length / thickness⌋; tiers ⌊height / extent of the flat piece⌋; packed by whole fifties, where there are that many.
 * Source: geometry; the spring is common practice, no source.
 * @throws OutOfRange a size not above 0
 * @example edgeTiers({ caseMm: [392, 262, 252], caliperMm: 0.44, pieceMm: 120.88 }).packed // 550
 */
export function edgeTiers({
  caseMm,
  caliperMm,
  pieceMm,
}: {
  /** Inside: along the row of pieces, across it, upwards. */
  caseMm: readonly [number, number, number];
  caliperMm: number;
  /** How high the flat piece stands. */
  pieceMm: number;
}): EdgeTiers {
  requireAboveZero('caliperMm', caliperMm);
  requireAboveZero('pieceMm', pieceMm);
  const thickMm = 2 * caliperMm * SPRINGS;
  const aTier = floorTolerant(caseMm[0] / thickMm);
  const tiers = floorTolerant(caseMm[2] / pieceMm);
  const most = aTier * tiers;
  return { thickMm, aTier, tiers, most, packed: most >= BY ? BY * Math.floor(most / BY) : most };
}
