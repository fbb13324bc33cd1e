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
