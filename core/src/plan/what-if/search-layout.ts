import { LAYOUT_ITERATIONS } from '../../layout/any-layout';
import type { Id } from '../../quantity/figure';
import type { Plant, Shelf } from '../../plant/plant';
import { editAt, type Edit } from '../../product/edit';
import type { ChosenCells, JobSpec } from '../../product/job-spec';
import type { AnyLayoutProgress } from '../../layout/any-layout';
import { anySheetLayout } from '../../layout/any-sheet-layout';
import { isCuttable } from '../../layout/cuttable';
import { copyPlaces, copiesUp } from '../../layout/layout';
import type { LayoutQuestion } from '../../layout/layouter';
import { type NestPlace, nestSearch } from '../../layout/nest-search';
import { CORE_VERSION } from '../core-version';
import { planned } from '../plan';

/** What a search for the layout of a part found, with the edit that makes it a choice. */
export interface FoundLayout {
  part: Id<'form'>;
  /** Copies up now, and in the layout found; no layout holds more than the bound. */
  now: number;
  found: number;
  bound: number;
  /** Straight cuts take it apart; else it is for a die. */
  cuttable: boolean;
  iterations: number;
  edits: Edit[];
}

interface Found {
  cells: ChosenCells['cells'];
  count: number;
  bound: number;
  cuttable: boolean;
  iterations: number;
}

/** One trial of a nest takes as long as so many of rectangles. */
const OF_A_NEST = 500;
/** A choice holds no more places than this; where a nest has more, the default stands. */
const MOST_PLACES = 400;
const SEED = 0;

/**
 * Looks for the layout with the most copies of a part on its sheet, straight cuts or not; of blanks by their true outline. Its question is the plan's own: the
 * answer enters as a choice, with its proof, and is stale when the question changes. Null: the part has no sheet.
 */
export function searchLayout(
  spec: JobSpec,
  plant: Plant,
  shelf: Shelf,
  part: Id<'form'>,
  iterations: number = LAYOUT_ITERATIONS,
  tell: (progress: AnyLayoutProgress) => void = () => undefined,
): FoundLayout | null {
  const { plan, asks } = planned(spec, plant, shelf);
  const question = asks[part];
  const form = plan.forms[part];
  if (!question || !form) return null;
  const { cells, ...found } = answered(question, iterations, tell);
  const now = form.layout ? copiesUp(form.layout) : 0;
  const choice = {
    value: { cells },
    by: 'search',
    question: form.question,
    proof: { bound: found.bound, seed: SEED, iterations, core: CORE_VERSION },
  };
  return {
    part,
    now,
    found: found.count,
    bound: found.bound,
    cuttable: found.cuttable,
    iterations: found.iterations,
    edits: cells.length === 0 ? [] : [editAt(spec, ['choices', 'layout', part], choice)],
  };
}

function answered(question: LayoutQuestion, iterations: number, tell: (progress: AnyLayoutProgress) => void): Found {
  if (question.of === 'rectangles') {
    const { layout, bound, iterations: used } = anySheetLayout(question.ask, iterations, tell);
    const cells = layout.cells.map(({ x, y, nx, ny, dx, dy, turn }) => ({ x, y, nx, ny, dx, dy, turn }));
    return { cells, count: copiesUp(layout), bound, cuttable: isCuttable(copyPlaces(layout)), iterations: used };
  }
  const { usable, ...ask } = question.ask;
  const nest = nestSearch(
    { ...ask, room: [usable.widthMm, usable.heightMm], iterations: Math.ceil(iterations / OF_A_NEST), seed: SEED },
    (p) => {
      tell({ ...p, iterations: p.iterations * OF_A_NEST });
    },
  );
  const cells = inRows(nest.places).map((c) => ({ ...c, x: c.x + usable.x, y: c.y + usable.y }));
  return {
    cells: cells.length > MOST_PLACES ? [] : cells,
    count: nest.count,
    bound: nest.bound,
    cuttable: false,
    iterations: nest.iterations * OF_A_NEST,
  };
}

/** Places as rows: those that follow one another at one height, turned alike, equally far apart. */
function inRows(places: readonly NestPlace[]): ChosenCells['cells'] {
  const rows: ChosenCells['cells'] = [];
  for (const { x, y, turn } of [...places].sort((a, b) => a.turn - b.turn || a.y - b.y || a.x - b.x)) {
    const row = rows.at(-1);
    const step = row ? x - (row.x + (row.nx - 1) * row.dx) : 0;
    if (row?.turn === turn && row.y === y && (row.nx === 1 || Math.abs(step - row.dx) < 1e-9)) {
      row.dx = step;
      row.nx++;
    } else rows.push({ x, y, nx: 1, ny: 1, dx: 0, dy: 0, turn });
  }
  return rows;
}
