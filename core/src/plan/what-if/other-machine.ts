import type { Id } from '../../quantity/figure';
import { idOf } from '../../quantity/id-of';
import { machinesFor, type Plant, type Shelf } from '../../plant/plant';
import { type Finding, isUndecided } from '../../processes/finding';
import { type Edit, editAt } from '../../product/edit';
import type { JobSpec } from '../../product/job-spec';
import { planned, type Planned } from '../plan';
import { stoneName } from '../readings/stone-name';

/** A job as it is planned now. */
export interface OnMachines {
  spec: JobSpec;
  plant: Plant;
  shelf: Shelf;
  now: Planned;
}
/** What stands against another machine: a step that has begun would be another; a finding that holds the release. */
export type Against = { code: 'begun'; step: string } | { code: 'finding'; finding: Finding };

/** The stone a step belongs to, as its machine is chosen: all its steps are done on one. Null: the plan has no such step. @throws never */
export const stoneOfStep = ({ contexts }: Planned, step: Id<'step'>): Id<'stone'> | null =>
  contexts.find((c) => c.cx.stepIds.includes(step))?.cx.stone ?? null;

/**
 * Machines of the works that could do a stone's work instead, in the order of their cards; those outside the house are bought, not moved to.
 * @example otherMachines(plant, planned, 'card.card.print') // [['press5', 'Press 5'], …]
 */
export function otherMachines(plant: Plant, { contexts }: Planned, stone: Id<'stone'>): [Id<'machine'>, string][] {
  const run = contexts.find((c) => c.cx.stone === stone);
  if (!run || run.cx.machine.outside) return [];
  return machinesFor(plant, run.cx.process).flatMap(([id, m]): [string, string][] =>
    id === run.cx.machineId || m.outside || run.stone.process.suits?.(m, run.cx.parts) === false ? [] : [[id, m.name]],
  );
}

/**
 * A job planned again with the work of one stone on another machine: the change of its specification, the plan it gives, and what stands against it (null: nothing).
 * What has begun must stay what it is: its machine and its count. What has not may change with it: sheets pulled, plates, settings.
 *
 * @param begun steps that run or are done
 */
export function onOtherMachine(
  { spec, plant, shelf, now }: OnMachines,
  stone: Id<'stone'>,
  machine: Id<'machine'>,
  begun: ReadonlySet<Id<'step'>>,
): { edit: Edit; made: Planned; against: Against | null } {
  const edit = editAt(spec, ['choices', 'machine', stone], machine);
  const wished: JobSpec = { ...spec, choices: { ...spec.choices, machine: { ...spec.choices.machine, [stone]: machine } } };
  const made = planned(wished, plant, shelf);
  const finding = made.plan.findings.find((f) => f.level === 'release' || isUndecided(f, spec.decisions));
  return { edit, made, against: changedBegun(now, made, begun) ?? (finding ? { code: 'finding', finding } : null) };
}

function changedBegun(now: Planned, made: Planned, begun: ReadonlySet<Id<'step'>>): Against | null {
  for (const id of begun) {
    const [was, is] = [now.plan.steps[id], made.plan.steps[id]];
    const run = idOf(id, 'run');
    if (!was || (is?.machine === was.machine && made.ledger.value(run) === now.ledger.value(run))) continue;
    const shown = now.contexts.find((c) => c.cx.stepIds.includes(id))?.shown;
    return { code: 'begun', step: shown ? stoneName(shown) : id };
  }
  return null;
}
