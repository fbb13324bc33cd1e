import { requireAboveZero, requireNotNegative } from '../quantity/errors';
import type { FoldProgram, FoldStep } from './fold-model';
import { pagesOf } from './schemes';
import { signatureOf } from './imposition';

/** What is trimmed off a folded section, and by how much one half of it stands out for the feeder's gripper; mm. */
export interface SectionMargins {
  faceMm: number;
  headMm: number;
  footMm: number;
  /** Overlap; 0 where suckers open the section. */
  lapMm: number;
  /** The half that stands out: the one with the last pages, or with the first. */
  lapOn: 'high' | 'low';
  /** Milled off the folds of gathered sections. */
  grindMm: number;
  /** Between two copies folded as one length, where they are sawn apart. */
  sawMm: number;
}
/** Common practice, no source: face 4, head and foot 3, lap 8 on the last pages. */
export const USUAL_MARGINS: SectionMargins = { faceMm: 4, headMm: 3, footMm: 3, lapMm: 8, lapOn: 'high', grindMm: 0, sawMm: 0 };

/** A section's flat sheet: widths of its columns from the left, heights of its rows from the far side, and the box around them; mm. */
export interface SectionSize {
  columnsMm: number[];
  rowsMm: number[];
  widthMm: number;
  heightMm: number;
}

/**
 * Sizes of the flat sheet of a section.
 *
 * Formula: column = trim width + face trim + grind, those with the chosen half of the pages + lap; row = trim height + head + foot, of two copies as one length
 * + half the saw cut. Source: arithmetic; trims, lap, grind and saw common practice, no source.
 * @throws OutOfRange trim not above 0, margins below 0
 * @example sectionSize(SCHEMES.p16, { widthMm: 148, heightMm: 210 }).columnsMm // [152, 160, 160, 152]
 */
export function sectionSize(
  program: FoldProgram,
  trim: { widthMm: number; heightMm: number },
  margins: SectionMargins = USUAL_MARGINS,
): SectionSize {
  for (const [field, value] of Object.entries(trim)) requireAboveZero(field, value);
  const { faceMm, headMm, footMm, lapMm, lapOn, grindMm, sawMm } = margins;
  for (const [field, value] of Object.entries({ faceMm, headMm, footMm, lapMm, grindMm, sawMm })) requireNotNegative(field, value);
  const columnsMm = Array.from({ length: program.cols }, (_, c) => {
    const hasLap = lapMm > 0 && isHigh(program, c) === (lapOn === 'high');
    return trim.widthMm + faceMm + grindMm + (hasLap ? lapMm : 0);
  });
  // Every row of a double length meets the other copy at one of its ends.
  const rowsMm = Array.from({ length: program.rows }, () => trim.heightMm + headMm + footMm + sawMm / 2);
  const sum = (mm: readonly number[]): number => mm.reduce((a, b) => a + b, 0);
  return { columnsMm, rowsMm, widthMm: sum(columnsMm), heightMm: sum(rowsMm) };
}

/** Whether a column holds pages of the second half. */
const isHigh = (program: FoldProgram, column: number): boolean =>
  (signatureOf(program).front[0]?.[column]?.page ?? 0) > pagesOf(program) / 2;

/**
 * How far the sheet runs into each fold plate: the width of the part that is folded over, step by step.
 * Source: geometry.
 * @example foldStopsMm(SCHEMES.p16, sectionSize(SCHEMES.p16, { widthMm: 148, heightMm: 210 })) // [312, 216, 160]
 */
export function foldStopsMm({ steps }: FoldProgram, { columnsMm, rowsMm }: SectionSize): number[] {
  let [columns, rows]: [readonly number[], readonly number[]] = [columnsMm, rowsMm];
  return steps.map((step) => {
    const { moved, stays } = partsOf(step.axis === 'V' ? columns : rows, step);
    if (step.axis === 'V') columns = stays;
    else rows = stays;
    return moved.reduce((sum, mm) => sum + mm, 0);
  });
}
/** Columns or rows that a step moves, and those that stay. */
export function partsOf(sizes: readonly number[], { line, move }: FoldStep): Record<'moved' | 'stays', readonly number[]> {
  const [first, second] = [sizes.slice(0, line), sizes.slice(line)];
  return move === 'left' || move === 'top' ? { moved: first, stays: second } : { moved: second, stays: first };
}
