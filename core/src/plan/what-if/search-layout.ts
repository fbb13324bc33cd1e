import { LAYOUT_ITERATIONS } from '../../layout/any-layout';
import type { Id } from '../../quantity/figure';
import type { Plant, Shelf } from '../../plant/plant';
import { editAt, type Edit } from '../../product/edit';
import type { JobSpec } from '../../product/job-spec';
import type { AnyLayoutProgress } from '../../layout/any-layout';
import { anySheetLayout } from '../../layout/any-sheet-layout';
import { isCuttable } from '../../layout/cuttable';
import { copyPlaces, copiesUp } from '../../layout/layout';
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

/**
 * Looks for the layout with the most copies of a part on its sheet, straight cuts or not. Its question is the plan's own: the answer enters as a choice,
 * with its proof, and is stale when the question changes. Null: the part has no sheet.
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
  const ask = asks[part];
  const form = plan.forms[part];
  if (!ask || !form) return null;
  const { layout, bound, iterations: used } = anySheetLayout(ask, iterations, tell);
  const now = form.layout;
  const cells = layout.cells.map(({ x, y, nx, ny, dx, dy, turn }) => ({ x, y, nx, ny, dx, dy, turn }));
  const choice = {
    value: { cells },
    by: 'search',
    question: form.question,
    proof: { bound, seed: 0, iterations, core: CORE_VERSION },
  };
  return {
    part,
    now: now ? copiesUp(now) : 0,
    found: copiesUp(layout),
    bound,
    cuttable: isCuttable(copyPlaces(layout)),
    iterations: used,
    edits: cells.length === 0 ? [] : [editAt(spec, ['choices', 'layout', part], choice)],
  };
}
