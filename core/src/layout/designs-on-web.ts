import { requireAboveZero } from '../quantity/errors';
import { floorTolerant } from '../quantity/round-tolerant';

/* Designs on a web that is slit into rolls: side by side, each in lanes of its own, or one after the other over the whole web. */

/**
 * Rolls that lie side by side on a web. Formula: ⌊(web − 2 · edge) / roll⌋. Source: arithmetic; edges of 10 to 20 mm, common practice, no source.
 * @throws OutOfRange a roll width not above 0
 * @example lanesOnWeb({ webMm: 1_430, edgeMm: 15, rollMm: 700 }) // 2
 */
export function lanesOnWeb({ webMm, edgeMm, rollMm }: { webMm: number; edgeMm: number; rollMm: number }): number {
  requireAboveZero('rollMm', rollMm);
  return Math.max(0, floorTolerant((webMm - 2 * edgeMm) / rollMm));
}

/** A design, how many rolls of it are wanted, and in how many lanes it lies. */
export interface DesignInLanes {
  rolls: number;
  lanes: number;
}
/**
 * Good lengths of web when designs lie side by side: as many as the scarcest in its lanes wants; the others come out over.
 *
 * Formula: N = max ⌈rolls / lanes⌉; over = lanes · N − rolls. Source: arithmetic.
 * @throws OutOfRange a design in no lane
 */
export function sideBySide(designs: readonly DesignInLanes[]): { lengths: number; over: number[] } {
  for (const { lanes } of designs) requireAboveZero('lanes', lanes);
  const lengths = Math.max(0, ...designs.map(({ rolls, lanes }) => Math.ceil(rolls / lanes)));
  return { lengths, over: designs.map(({ rolls, lanes }) => lanes * lengths - rolls) };
}
/**
 * Good lengths of web when each design has the whole of it in turn. Formula: ⌈rolls / lanes⌉ each. Source: arithmetic.
 * @throws OutOfRange no lane
 */
export function inTurn(rolls: readonly number[], lanes: number): number[] {
  requireAboveZero('lanes', lanes);
  return rolls.map((n) => Math.ceil(n / lanes));
}
