import { type Folded, foldStates, type FoldStep } from './fold-model';
import { partsOf } from './section-size';
import type { LaidSection } from './sheet-pages';

/** A section after so many of its folds: its piles, and the widths and heights of what is left. */
export interface FoldedState {
  sheet: Folded;
  columnsMm: readonly number[];
  rowsMm: readonly number[];
  /** What folds next; none where it is folded. */
  next: FoldStep | undefined;
}

/** Every state of a section, flat first. */
export function foldedStates({ program, columnsMm, rowsMm }: Pick<LaidSection, 'program' | 'columnsMm' | 'rowsMm'>): FoldedState[] {
  let [columns, rows]: [readonly number[], readonly number[]] = [columnsMm, rowsMm];
  return foldStates(program).map(([sheet = []], i) => {
    const before = program.steps[i - 1];
    if (before?.axis === 'V') columns = partsOf(columns, before).stays;
    else if (before) rows = partsOf(rows, before).stays;
    return { sheet, columnsMm: columns, rowsMm: rows, next: program.steps[i] };
  });
}
