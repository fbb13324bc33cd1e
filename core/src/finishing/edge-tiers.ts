import type { Formula } from '../quantity/figure';
import { requireAboveZero } from '../quantity/errors';
import { floorTolerant } from '../quantity/round-tolerant';

/** Board that was folded flat springs open: so many times its two thicknesses stand a glued piece in its case. Common practice, no source: 1.3 to 1.6. */
const SPRINGS = 1.5;
/** A person takes them out by fifties: a case holds whole ones. */
const BY = 50;

/** Thickness of a glued piece as it stands in its case: two of its board, sprung open. */
export const STANDING_MM: Formula<'caliperUm' | 'springs'> = {
  id: 'finishing.standingMm',
  unit: 'mm',
  source: 'two thicknesses × 1.3 to 1.6; common practice, no source',
  of: ({ caliperUm, springs }) => (2 * caliperUm * springs) / 1000,
};
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
 * Formula: thickness 2t × 1.5; a tier ⌊length / thickness⌋; tiers ⌊width / across⌋ × ⌊height / upright⌋; packed by whole fifties, where there are that many.
 * Source: geometry; the spring is common practice, no source.
 * @throws OutOfRange a size not above 0
 * @example edgeTiers({ caseMm: [392, 262, 252], caliperMm: 0.44, pieceMm: [120.88, 252.32] }).packed // 550
 */
export function edgeTiers({
  caseMm,
  caliperMm,
  pieceMm,
  springs = SPRINGS,
}: {
  /** Inside: along the row of pieces, across it, upwards. */
  caseMm: readonly [number, number, number];
  caliperMm: number;
  /** The flat piece, either side of which may stand upright. */
  pieceMm: readonly [number, number];
  springs?: number;
}): EdgeTiers {
  requireAboveZero('caliperMm', caliperMm);
  requireAboveZero('pieceMm', Math.min(...pieceMm));
  const thickMm = STANDING_MM.of({ caliperUm: 1000 * caliperMm, springs });
  const aTier = floorTolerant(caseMm[0] / thickMm);
  const [a, b] = pieceMm;
  const standing = (across: number, upright: number): number => floorTolerant(caseMm[1] / across) * floorTolerant(caseMm[2] / upright);
  const tiers = Math.max(standing(a, b), standing(b, a));
  const most = aTier * tiers;
  return { thickMm, aTier, tiers, most, packed: byFifties(most) };
}
