import { requireAboveZero } from '../quantity/errors';
import type { Formula } from '../quantity/figure';

/* Designs on a web that is slit into rolls: side by side, each in lanes of its own, or one after the other over the whole web. */

/** The band that is engraved: the lanes and a mark on either side. Formula: lanes · roll + 2 · mark. Source: geometry; marks of 5 mm, common practice, no source. */
export const BAND: Formula<'lanes' | 'rollMm' | 'markMm'> = {
  id: 'layout.band',
  unit: 'mm',
  source: 'geometry; marks of 5 mm, common practice, no source',
  of: ({ lanes, rollMm, markMm }) => lanes * rollMm + 2 * markMm,
};

/**
 * Lanes of each design when they lie side by side: one each, and every further lane goes to the design whose lanes have most to wind, which makes the longest of
 * them as short as it can be. Empty: there are more designs than lanes.
 *
 * Source: arithmetic (greedy is exact: the longest falls by nothing but a lane of its own).
 * @example lanesOfDesigns([6_000, 2_000], 4) // [3, 1]
 */
export function lanesOfDesigns(rolls: readonly number[], lanes: number): number[] {
  if (rolls.length === 0 || rolls.length > lanes) return [];
  const of = rolls.map(() => 1);
  for (let left = lanes - rolls.length; left > 0; left--) {
    const each = rolls.map((n, i) => n / (of[i] ?? 1));
    const longest = each.indexOf(Math.max(...each));
    of[longest] = (of[longest] ?? 0) + 1;
  }
  return of;
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
