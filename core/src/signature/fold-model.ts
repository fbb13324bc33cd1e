/*
 * A sheet as a pile of leaves that is folded, slit and laid over itself. It knows nothing of pages: which page goes where is found by folding a sheet, and what was
 * laid out is proved by folding it again.
 *
 * The sheet lies front up; row 0 is the far one, column 0 the left one. Convention of the published check cases (../shared/checks, fold-and-imposition).
 */

/** V folds a column line: left and right; H a row line: top and bottom. */
export type FoldAxis = 'V' | 'H';
/** The moved part of a V step is the left or the right one, of an H step the top or the bottom one. */
export type FoldMove = 'left' | 'right' | 'top' | 'bottom';

/** One step of a program; `line`: before which column or row it lies, counted from the left or from the top as the sheet now is. */
export type FoldStep =
  | { do: 'fold'; axis: FoldAxis; line: number; move: FoldMove; dir: 'over' | 'under' }
  /** Cut through: two sheets from here on, which take the same steps; the one that was moved is the second. */
  | { do: 'slit'; axis: FoldAxis; line: number; move: FoldMove }
  /** A ribbon of the web laid over or under the other, unturned. */
  | { do: 'ribbon'; axis: FoldAxis; line: number; move: FoldMove; dir: 'over' | 'under' };

export interface FoldProgram {
  rows: number;
  cols: number;
  steps: readonly FoldStep[];
}

/** A leaf in a pile: the cell of the sheet it is, whether its front looks up, and whether the cell's head now points the other way. */
export interface Leaf {
  row: number;
  col: number;
  frontUp: boolean;
  reversed: boolean;
}
/** Piles at every place, rows then columns, the top leaf first. */
export type Folded = readonly (readonly (readonly Leaf[])[])[];

/** Why a program cannot be folded; `step` counts from 0. */
export class NotFoldable extends Error {
  constructor(
    readonly step: number,
    readonly why: 'noLine' | 'largerPart' | 'uneven' | 'wrongWay' | 'notOnePile',
  ) {
    super(`step ${step + 1}: ${why}`);
  }
}

const flatSheet = (rows: number, cols: number): Folded =>
  Array.from({ length: rows }, (_, row) => Array.from({ length: cols }, (_, col) => [{ row, col, frontUp: true, reversed: false }]));

/** A pile turned over by a fold: the lowest leaf is the top one now, the other face looks up; about a row line heads point the other way too. */
const turnedOver = (pile: readonly Leaf[], axis: FoldAxis): Leaf[] =>
  pile.map((leaf) => ({ ...leaf, frontUp: !leaf.frontUp, reversed: axis === 'H' ? !leaf.reversed : leaf.reversed })).reverse();

/** Rows and columns exchanged, so that an H step is a V step. */
const transposed = (sheet: Folded): Folded => (sheet[0] ?? []).map((_, c) => sheet.map((row) => row[c] ?? []));

/** A sheet after one step; a slit gives two. */
function stepped(sheet: Folded, step: FoldStep, at: number): Folded[] {
  const isFirst = step.move === (step.axis === 'V' ? 'left' : 'top');
  if (!isFirst && step.move !== (step.axis === 'V' ? 'right' : 'bottom')) throw new NotFoldable(at, 'wrongWay');
  const lying = step.axis === 'V' ? sheet : transposed(sheet);
  const done = lying.map((row) => steppedRow(row, step, isFirst, at));
  const sheets = [0, 1].flatMap((nr) => (done.every((row) => row[nr] !== undefined) ? [done.map((row) => row[nr] ?? [])] : []));
  return step.axis === 'V' ? sheets : sheets.map(transposed);
}

/** One row of piles after a step along it. */
function steppedRow(row: readonly (readonly Leaf[])[], step: FoldStep, isFirst: boolean, at: number): (readonly Leaf[])[][] {
  const { line } = step;
  if (line < 1 || line >= row.length) throw new NotFoldable(at, 'noLine');
  const [first, second] = [row.slice(0, line), row.slice(line)];
  const [moved, stays] = isFirst ? [first, second] : [second, first];
  if (step.do === 'slit') {
    if (moved.length !== stays.length) throw new NotFoldable(at, 'uneven');
    return [[...stays], [...moved]];
  }
  if (moved.length > stays.length) throw new NotFoldable(at, 'largerPart');
  if (step.do === 'ribbon' && moved.length !== stays.length) throw new NotFoldable(at, 'uneven');
  // Mirrored at the line, or pushed across it as it lies.
  const landing = step.do === 'fold' ? [...moved].reverse().map((pile) => turnedOver(pile, step.axis)) : moved;
  const offset = isFirst ? 0 : stays.length - moved.length;
  return [
    stays.map((pile, i) => {
      const falls = landing[i - offset];
      if (!falls) return pile;
      return step.dir === 'over' ? [...falls, ...pile] : [...pile, ...falls];
    }),
  ];
}

/**
 * Every state of a program, the flat sheet first; from a slit on several sheets.
 * @throws NotFoldable a line that is not there, a moved part larger than what it falls on, halves that are no halves
 */
export function foldStates(program: FoldProgram): Folded[][] {
  const known = folded.get(program);
  if (known) return known;
  const { rows, cols, steps } = program;
  const states: Folded[][] = [[flatSheet(rows, cols)]];
  for (const [i, step] of steps.entries()) states.push((states[i] as Folded[]).flatMap((sheet) => stepped(sheet, step, i)));
  folded.set(program, states);
  return states;
}
/** Programs are few and folded thousands of times. */
const folded = new WeakMap<FoldProgram, Folded[][]>();

/**
 * The piles a program ends in, one a sheet, the top leaf first.
 * @throws NotFoldable as above, or where what is left is not one pile
 * @example foldedPiles({ rows: 1, cols: 2, steps: [{ do: 'fold', axis: 'V', line: 1, move: 'left', dir: 'under' }] })[0]?.map((leaf) => leaf.col) // [1, 0]
 */
export function foldedPiles(program: FoldProgram): Leaf[][] {
  const last = foldStates(program).at(-1) ?? [];
  return last.map((sheet) => {
    const [row, ...moreRows] = sheet;
    const [pile, ...morePiles] = row ?? [];
    if (!pile || moreRows.length + morePiles.length > 0) throw new NotFoldable(program.steps.length - 1, 'notOnePile');
    return [...pile];
  });
}

const mirrors = new WeakMap<FoldProgram, FoldProgram>();
/** A program for the other way of binding: left and right exchanged. The same for the same program. */
export function mirrored(program: FoldProgram): FoldProgram {
  const { rows, cols, steps } = program;
  const made = mirrors.get(program) ?? { rows, cols, steps: mirroredSteps(steps, cols) };
  mirrors.set(program, made);
  return made;
}
/** Column lines count from the other side; how many columns there are follows the steps. */
function mirroredSteps(steps: readonly FoldStep[], cols: number): FoldStep[] {
  let now = cols;
  return steps.map((step) => {
    if (step.axis === 'H') return step;
    const turned: FoldStep = { ...step, line: now - step.line, move: step.move === 'left' ? 'right' : 'left' };
    now = Math.max(step.line, now - step.line);
    return turned;
  });
}
