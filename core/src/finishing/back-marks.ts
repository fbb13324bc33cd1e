import { requireAboveZero } from '../quantity/errors';
import { floorTolerant } from '../quantity/round-tolerant';

/** Length of a mark; it stays so far from head and foot. Common practice, no source. */
const MARK_MM = 6;
const CLEAR_MM = 15;
const MOST_STEP_MM = 8;
const LEAST_STEP_MM = 4;

/** Where the mark of a section stands on its spine fold, from the trimmed head, and in which column (1: the first). */
export interface BackMark {
  fromMm: number;
  untilMm: number;
  column: number;
}

/**
 * Marks on the spine folds of gathered sections: one step further down each, so that a missing, doubled or wrong section shows on the block's back.
 *
 * Formula: step = (H − 2·15 − 6) / (n − 1), 4 to 8 mm; m = ⌊(H − 36) / step⌋ + 1 in a column; y = 15 + ((i − 1) mod m) · step.
 * Source: common practice, no source.
 * @param heightMm trimmed height
 * @throws OutOfRange height or number of sections not above 0
 * @example backMarks(190, 19).at(-1)?.fromMm // 159
 */
export function backMarks(heightMm: number, sections: number): BackMark[] {
  requireAboveZero('heightMm', heightMm);
  requireAboveZero('sections', sections);
  const room = Math.max(heightMm - 2 * CLEAR_MM - MARK_MM, 0);
  const step = Math.max(Math.min(MOST_STEP_MM, room / Math.max(sections - 1, 1)), LEAST_STEP_MM);
  const inColumn = floorTolerant(room / step) + 1;
  return Array.from({ length: sections }, (_, i) => {
    const fromMm = CLEAR_MM + (i % inColumn) * step;
    return { fromMm, untilMm: fromMm + MARK_MM, column: Math.floor(i / inColumn) + 1 };
  });
}
