import { boxAround, type Scene, type Shape } from '../scene/scene';
import type { Folded, FoldStep } from './fold-model';
import { type FoldedState, foldedStates } from './folded-states';
import { placeOf } from './imposition';
import type { LaidSection } from './sheet-pages';

const sum = (mm: readonly number[]): number => mm.reduce((a, b) => a + b, 0);

/** The page that looks up at a place of a folded sheet, and whether its head stands down. */
function topPage(section: LaidSection, pile: Folded[number][number]): { page: number | null; down: boolean } {
  const [leaf] = pile;
  if (!leaf) return { page: null, down: false };
  const { line, at } = placeOf(section.signature, leaf, leaf.frontUp);
  const cell = line[at];
  return { page: cell?.page == null ? null : (section.pages[cell.page - 1] ?? null), down: (cell?.head === 'down') !== leaf.reversed };
}

/** A page lying at a place: its number as it is read, the leaves beneath it. */
function pageAt(
  { page, down }: { page: number | null; down: boolean },
  leaves: number,
  x: number,
  y: number,
  w: number,
  h: number,
): Shape[] {
  const size = Math.min(w, h) / 3.4;
  const says = page === null ? '–' : String(page);
  return [
    { kind: 'rect', role: 'copy', x, y, w, h, ref: page === null ? 'blank page' : `page ${page}` },
    {
      kind: 'text',
      role: 'strong',
      x: x + w / 2,
      y: y + h / 2 + (down ? -size / 3 : size / 3),
      text: says,
      sizeMm: size,
      anchor: 'middle',
      ...(down && { turn: 180 }),
    },
    ...(leaves > 1
      ? [
          {
            kind: 'text' as const,
            role: 'label' as const,
            x: x + w / 2,
            y: y + h - size * 0.3,
            text: `${leaves} leaves`,
            sizeMm: size * 0.5,
            anchor: 'middle' as const,
          },
        ]
      : []),
  ];
}

/** A state from its upper left corner: pages that look up, and where it folds next. */
function stateShapes(section: LaidSection, { sheet, columnsMm, rowsMm, next }: FoldedState, nr: number, x0: number, y0: number): Shape[] {
  const [w, h] = [sum(columnsMm), sum(rowsMm)];
  const over = sum(section.columnsMm) / 50;
  const shapes = sheet.flatMap((row, r) =>
    row.flatMap((pile, c) =>
      pageAt(
        topPage(section, pile),
        pile.length,
        x0 + sum(columnsMm.slice(0, c)),
        y0 + sum(rowsMm.slice(0, r)),
        columnsMm[c] ?? 0,
        rowsMm[r] ?? 0,
      ),
    ),
  );
  if (!next) return shapes;
  const ref = `fold ${nr + 1}`;
  const line = next.axis === 'V' ? x0 + sum(columnsMm.slice(0, next.line)) : y0 + sum(rowsMm.slice(0, next.line));
  return [
    ...shapes,
    next.axis === 'V'
      ? { kind: 'line', role: 'fold', x1: line, y1: y0 - over, x2: line, y2: y0 + h + over, ref }
      : { kind: 'line', role: 'fold', x1: x0 - over, y1: line, x2: x0 + w + over, y2: line, ref },
  ];
}

const MOVES: Readonly<Record<FoldStep['move'], string>> = {
  left: 'left part',
  right: 'right part',
  top: 'upper part',
  bottom: 'lower part',
};
/** What a step does, in words: "fold 2: upper part under". */
export const foldSays = (step: FoldStep, nr: number): string =>
  step.do === 'slit' ? `${nr}: slit` : `fold ${nr}: ${MOVES[step.move]} ${step.dir}`;

/** One state of a section alone: for folding it step by step. */
export function foldStepScene(section: LaidSection, step: number): Scene {
  const states = foldedStates(section);
  const at = Math.min(Math.max(step, 0), states.length - 1);
  const state = states[at];
  const margin = sum(section.columnsMm) / 20;
  return {
    title: 'folds',
    says: `${section.name} after ${at} of ${states.length - 1} folds.`,
    // The same box for every step, so that what is folded is seen to become smaller.
    box: { x: -margin, y: -margin, w: sum(section.columnsMm) + 2 * margin, h: sum(section.rowsMm) + 2 * margin },
    toScale: true,
    shapes: state ? stateShapes(section, state, at, 0, 0) : [],
  };
}

/** A section flat and after every fold, to one scale, in as many rows as the flat sheet is wide. */
export function sectionFolds(section: LaidSection): Scene {
  const flat = sum(section.columnsMm);
  const text = flat / 22;
  const shapes: Shape[] = [];
  let [x, y, rowH] = [0, 0, 0];
  for (const [i, state] of foldedStates(section).entries()) {
    const [w, h] = [sum(state.columnsMm), sum(state.rowsMm)];
    if (i > 0 && x + w > 1.75 * flat) {
      [x, y] = [0, y + rowH + text * 3];
      rowH = 0;
    }
    const before = section.program.steps[i - 1];
    shapes.push({
      kind: 'text',
      role: 'strong',
      x,
      y: y - text * 0.7,
      text: before ? foldSays(before, i) : 'flat, this side up',
      sizeMm: text,
    });
    shapes.push(...stateShapes(section, state, i, x, y));
    x += w + text * 2.2;
    rowH = Math.max(rowH, h);
  }
  return {
    title: 'folds',
    says: `${section.name}: ${section.program.steps.length} folds, from ${flat} by ${sum(section.rowsMm)} millimetres.`,
    box: boxAround(shapes, text * 1.4),
    toScale: true,
    shapes,
  };
}

/** A4 lying, and its margin: what any office printer takes. */
const DUMMY_MM = [297, 210] as const;
const DUMMY_MARGIN_MM = 10;

/**
 * One side of a section for folding it by hand: as large as an office sheet takes, with its folds. Its other side is printed on the back, turned from left to right.
 * Source: geometry.
 */
export function dummyScene(section: LaidSection, side: 'front' | 'back'): Scene {
  const columns = side === 'front' ? section.columnsMm : [...section.columnsMm].reverse();
  const { rowsMm } = section;
  const scale = Math.min((DUMMY_MM[0] - 2 * DUMMY_MARGIN_MM) / sum(columns), (DUMMY_MM[1] - 2 * DUMMY_MARGIN_MM) / sum(rowsMm));
  const [x0, y0] = [(DUMMY_MM[0] - scale * sum(columns)) / 2, (DUMMY_MM[1] - scale * sum(rowsMm)) / 2];
  const shapes = section.signature[side].flatMap((row, r) =>
    row.flatMap((cell, c) => {
      const page = cell.page === null ? null : (section.pages[cell.page - 1] ?? null);
      return pageAt(
        { page, down: cell.head === 'down' },
        1,
        x0 + scale * sum(columns.slice(0, c)),
        y0 + scale * sum(rowsMm.slice(0, r)),
        scale * (columns[c] ?? 0),
        scale * (rowsMm[r] ?? 0),
      );
    }),
  );
  const how =
    side === 'front'
      ? section.program.steps.map((s, i) => foldSays(s, i + 1)).join(', ')
      : 'printed on the back of the other, turned from left to right; then folded with the other side up';
  return {
    title: `folding dummy, ${section.name}, ${side}`,
    says: `Folding dummy of ${section.name}, ${side}: ${how}.`,
    box: { x: 0, y: 0, w: DUMMY_MM[0], h: DUMMY_MM[1] },
    toScale: true,
    shapes: [
      ...shapes,
      { kind: 'text', role: 'label', x: DUMMY_MARGIN_MM, y: DUMMY_MM[1] - 3, text: `${section.name}, ${side}: ${how}`, sizeMm: 3.2 },
    ],
  };
}
