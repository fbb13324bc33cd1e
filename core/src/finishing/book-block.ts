import { requireAboveZero, requireNotNegative } from '../quantity/errors';

/**
 * Thickness of a book block, in mm: two pages a leaf.
 * Formula: `pages / 2 · t`, caliper t in µm. Source: geometry. Not rounded.
 *
 * @throws OutOfRange pages or caliper not above 0
 * @example blockMm(320, 100) // 16
 */
export function blockMm(pages: number, caliperUm: number): number {
  requireAboveZero('pages', pages);
  requireAboveZero('caliperUm', caliperUm);
  return ((pages / 2) * caliperUm) / 1000;
}

/**
 * Width of the spine of an adhesive cover, in mm: block and two cover calipers; glue as measured.
 * Formula: `block + 2 · t_cover + glue`. Source: geometry; glue 0.2 to 0.4 mm is common practice, no source.
 * @example spineMm({ block: 16, coverCaliperMm: 0.3, glueMm: 0.4 }) // 17
 */
export function spineMm({ block, coverCaliperMm, glueMm = 0 }: { block: number; coverCaliperMm: number; glueMm?: number }): number {
  requireNotNegative('block', block);
  requireNotNegative('coverCaliperMm', coverCaliperMm);
  return block + 2 * coverCaliperMm + glueMm;
}

/** How sheets nested one in the other push outward: pressed flat, or as round folds with one centre. */
export const CREEP_MODELS = { flat: 1, round: Math.PI / 2 } as const;
export type CreepModel = keyof typeof CREEP_MODELS;

/**
 * How far the k-th sheet of a nested section (0 = innermost) stands out at the fore-edge, in mm.
 * Formula: flat `k · t`; round `k · t · π/2`. Source: geometry. A measured dummy wins over either.
 * @example creepMm(8, 100) // 0.8
 */
export function creepMm(k: number, caliperUm: number, model: CreepModel = 'flat'): number {
  requireNotNegative('k', k);
  requireAboveZero('caliperUm', caliperUm);
  return ((k * caliperUm) / 1000) * CREEP_MODELS[model];
}
