import type { Formula } from '../quantity/figure';
import { requireAboveZero } from '../quantity/errors';
import { floorTolerant } from '../quantity/round-tolerant';

/** A person takes them out by fifties: a case holds whole ones. */
const BY = 50;

/** Thickness of a glued piece as it stands in its case: two of its board, sprung open. */
export const STANDING_MM: Formula<'caliperUm' | 'springs'> = {
  id: 'finishing.standingMm',
  unit: 'mm',
  source: 'two thicknesses × 1.3 to 1.6; common practice, no source',
  of: ({ caliperUm, springs }) => (2 * caliperUm * springs) / 1000,
};
/** The same of a caliper in mm. @example standingMm({ caliperMm: 0.44, springs: 1.5 }) // 1.32 */
export const standingMm = ({ caliperMm, springs }: { caliperMm: number; springs: number }): number =>
  STANDING_MM.of({ caliperUm: 1000 * caliperMm, springs });
/** Pieces in a case, standing in tiers: as set, else by room and by mass, in whole fifties where there are so many; one at least. */
export const PER_CASE: Formula<'set' | 'aTier' | 'tiers' | 'limitKg' | 'emptyKg' | 'pieceKg'> = {
  id: 'finishing.perCase',
  unit: 'piece',
  source: 'a tier × tiers, or what a person may lift; by whole fifties; common practice, no source',
  of: ({ set, aTier, tiers, limitKg, emptyKg, pieceKg }) => {
    if (set >= 1) return Math.floor(set);
    const byMass = pieceKg > 0 ? floorTolerant(Math.max(limitKg - emptyKg, 0) / pieceKg) : Infinity;
    return byFifties(Math.max(Math.min(aTier * tiers, byMass), 1));
  },
};
const byFifties = (pieces: number): number => (pieces >= BY ? BY * Math.floor(pieces / BY) : pieces);

export interface EdgeTiers {
  /** Thickness of a glued piece as it stands in the case. */
  thickMm: number;
  aTier: number;
  /** Tiers: rows beside one another × one above the other. */
  tiers: number;
  /** As many as go in, and as many as are packed. */
  most: number;
  packed: number;
}

/**
 * Glued pieces on edge in a case: in rows beside one another and tiers one above the other, whichever way up more go in.
 *
 * Formula: a tier ⌊length / thickness⌋; tiers ⌊width / across⌋ × ⌊height / upright⌋; packed by whole fifties, where there are that many.
 * Source: geometry.
 * @throws OutOfRange a size not above 0
 * @example edgeTiers({ caseMm: [392, 262, 252], thickMm: 1.32, pieceMm: [120.88, 252.32] }).packed // 550
 */
export function edgeTiers({
  caseMm,
  thickMm,
  pieceMm,
}: {
  /** Inside: along the row of pieces, across it, upwards. */
  caseMm: readonly [number, number, number];
  thickMm: number;
  /** The flat piece, either side of which may stand upright. */
  pieceMm: readonly [number, number];
}): EdgeTiers {
  requireAboveZero('thickMm', thickMm);
  requireAboveZero('pieceMm', Math.min(...pieceMm));
  const aTier = floorTolerant(caseMm[0] / thickMm);
  const [a, b] = pieceMm;
  const standing = (across: number, upright: number): number => floorTolerant(caseMm[1] / across) * floorTolerant(caseMm[2] / upright);
  const tiers = Math.max(standing(a, b), standing(b, a));
  const most = aTier * tiers;
  return { thickMm, aTier, tiers, most, packed: byFifties(most) };
}
