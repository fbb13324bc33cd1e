import { type Point, turnedAtOrigin } from '../product/die-line/points';
import { blankNest } from './blank-nest';
import type { Layout } from './layout';

/**
 * Blanks that the usable sheet of a layout would hold were they nested anew, lying as they lie; `moreMm`: with so much more of it from gripper to tail.
 * Source: as `blankNest`.
 * @example nestedAgain({ cells: [], cutsBox: { x: 6, y: 12, w: 126, h: 63 } }, [[0, 0], [40, 0], [40, 30], [0, 30]], 3) // 6
 */
export function nestedAgain(
  { cells, cutsBox }: Pick<Layout, 'cells' | 'cutsBox'>,
  outline: readonly Point[],
  gapMm: number,
  moreMm = 0,
): number {
  if (!cutsBox) return 0;
  const turn = cells[0]?.turn === 90 || cells[0]?.turn === 270 ? 90 : 0;
  return blankNest(turnedAtOrigin(outline, turn), gapMm, [cutsBox.w, cutsBox.h + moreMm]).places.length;
}
