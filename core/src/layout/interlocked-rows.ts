import { requireAboveZero } from '../quantity/errors';
import { floorTolerant } from '../quantity/round-tolerant';
import type { TubeSizes } from '../product/die-line/tube';

/** Equal blanks all the same way round, in columns and rows that reach into one another. Lengths in mm. */
export interface BlankLattice {
  across: number;
  along: number;
  count: number;
  dxMm: number;
  dyMm: number;
  usedMm: [number, number];
}

/**
 * Pitches of reverse tuck cartons lying the same way: the lid of one lies beside the dust flaps of the next row, since upper and lower lid stand on different
 * panels.
 *
 * Formulas, g the gap between outlines: dx = girth + g; dy = max(2·lid crease + lid + tuck, 2·half + 2·dust) + g: whichever meets first, lid on free edge
 * or dust on dust.
 * Source: geometry of the outline.
 * @throws OutOfRange gap not above 0
 * @example reverseTuckPitch(tubeSizes(TEA), 3) // { dxMm: 259.26, dyMm: 192.38 }
 */
export function reverseTuckPitch(of: TubeSizes, gapMm: number): { dxMm: number; dyMm: number } {
  requireAboveZero('gapMm', gapMm);
  const lidOnEdge = of.halfMm + of.lidAtMm + of.lidMm + of.tuckMm;
  const dustOnDust = 2 * of.halfMm + 2 * of.dustMm;
  return { dxMm: of.girthMm + gapMm, dyMm: Math.max(lidOnEdge, dustOnDust) + gapMm };
}

/**
 * As many blanks as a lattice of these pitches holds on a usable area; the first of each row and column takes its whole extent.
 * @throws OutOfRange a pitch not above 0
 * @example latticeOf({ widthMm: 256.26, heightMm: 252.32 }, { dxMm: 259.26, dyMm: 192.38 }, [1_048, 642]).count // 12
 */
export function latticeOf(
  blank: { widthMm: number; heightMm: number },
  { dxMm, dyMm }: { dxMm: number; dyMm: number },
  [usableX, usableY]: readonly [number, number],
): BlankLattice {
  requireAboveZero('dxMm', dxMm);
  requireAboveZero('dyMm', dyMm);
  const along1 = (usable: number, extent: number, pitch: number): number =>
    usable < extent - 1e-9 ? 0 : floorTolerant((usable - extent) / pitch) + 1;
  const across = along1(usableX, blank.widthMm, dxMm);
  const along = along1(usableY, blank.heightMm, dyMm);
  const used = (n: number, extent: number, pitch: number): number => (n === 0 ? 0 : (n - 1) * pitch + extent);
  return {
    across,
    along,
    count: across * along,
    dxMm,
    dyMm,
    usedMm: [used(across, blank.widthMm, dxMm), used(along, blank.heightMm, dyMm)],
  };
}
