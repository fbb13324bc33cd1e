import type { Id } from '../../quantity/figure';
import { idOf } from '../../quantity/id-of';
import { type Plant, type Shelf } from '../../plant/plant';
import { practiceValue } from '../../plant/practice';
import type { Step } from '../../flow/net';
import { gangCost, type GangStep } from '../../layout/gang-cost';
import { type GangFound, gangForms, type GangItem, type GangPlan } from '../../layout/gang-forms';
import { editAt, type Edit } from '../../product/edit';
import { type GangForm, type JobSpec, MOST_GANG_FORMS } from '../../product/job-spec';
import { applyEdits } from '../door';
import { planned, type Planned } from '../plan';
import type { Plan } from '../plan-types';
import { notKept } from '../readings/gang-kept';
import { type GangRow, gangRowsOf } from '../readings/gang-rows';
import { takeApart } from './gang-edits';

/** What the search for the forms of a gang found, in the works' own money, with the edit that makes it a choice. */
export interface GangSolved extends GangFound {
  gang: Id<'form'>;
  /** What the whole job costs, as its plan says: as it is, with the forms that were found, and with a sheet for each order. */
  job: { now: number; best: number | null; apart: number };
  /** Orders of which the forms as they are leave more over than was agreed: what was found may cost more, and leaves none. */
  tooMany: Id<'part'>[];
  /** None where nothing was found that is better than what there is. */
  edits: Edit[];
}

/** What forms of so many good sheets cost; what they cost does not hang on what lies on them. */
interface GangMoney {
  cost(runs: readonly number[]): number;
}

/**
 * Looks for the cheapest forms of a gang: how many, how many good sheets of each, how many copies of each order on each. What an order needs is what its own steps
 * take; what forms and sheets cost is what the plan reckons. Null: it stands on no die whose places all orders may take, or is refused.
 */
export function solveGang(
  spec: JobSpec,
  plant: Plant,
  shelf: Shelf,
  gang: Id<'form'>,
  tell: (done: number, of: number) => void = () => undefined,
): GangSolved | null {
  const made = planned(spec, plant, shelf);
  const row = gangRowsOf(made.plan, spec).find((g) => g.id === gang);
  const money = row && moneyOf(made, gang, plant);
  if (!row || !money || row.refused || !row.open || row.members.some((m) => m.needed <= 0)) return null;
  const items = row.members.map((m): GangItem => ({
    id: m.part,
    needed: m.needed,
    most: m.mostOver === null ? null : m.needed + m.mostOver,
    ...(row.keep.on?.[m.part] !== undefined && { on: row.keep.on[m.part] }),
  }));
  const mostForms = Math.min(MOST_GANG_FORMS, items.length);
  const found = gangForms({ items, places: row.open, apart: row.keep.apart ?? [], mostForms, cost: (runs) => money.cost(runs) }, tell);
  const was = spec.choices.gangs?.[gang];
  const edits = found.best && was ? [editAt(spec, ['choices', 'gangs', gang], { ...was, forms: formsOf(found.best) })] : [];
  const jobCost = (made: JobSpec): number => costOf(planned(made, plant, shelf).plan);
  const job = {
    now: costOf(made.plan),
    best: edits.length > 0 ? jobCost(changed(spec, edits)) : null,
    apart: jobCost(changed(spec, [takeApart(spec, gang)])),
  };
  const tooMany = overLimit(row);
  const mustChange = tooMany.length > 0 || notKept(row).length > 0;
  const isBetter = job.best !== null && (mustChange || job.best < job.now - LEAST_GAIN);
  return { ...found, gang, job, tooMany, edits: isBetter ? edits : [] };
}

/** A difference below a cent is none. */
const LEAST_GAIN = 0.005;
const costOf = (plan: Plan): number => plan.figures[plan.totals.money ?? '']?.value ?? 0;
function changed(spec: JobSpec, edits: readonly Edit[]): JobSpec {
  const applied = applyEdits(spec, edits);
  if (!applied.ok) throw new Error(applied.issues.map((i) => `${i.path}: ${i.says}`).join('; '));
  return applied.made;
}

/** Orders of a gang that have more blanks over than was agreed. */
export const overLimit = ({ members }: GangRow): Id<'part'>[] =>
  members.flatMap((m) => (m.mostOver !== null && m.over > m.mostOver ? [m.part] : []));

/** What was found as forms of the specification; how long each runs follows from its copies. */
const formsOf = ({ runs, copies }: GangPlan): GangForm[] =>
  runs.map((_, f) => ({
    copies: Object.fromEntries(Object.entries(copies).flatMap(([part, own]) => ((own[f] ?? 0) > 0 ? [[part, own[f] as number]] : []))),
  }));

/**
 * Money of a gang as its first form shows it: what every form costs (plates, setting the press up), what a further form costs where the setting stays, what a
 * press sheet costs all in, and the sheets that every step loses on the way.
 */
function moneyOf({ plan, contexts, ledger }: Planned, gang: Id<'form'>, plant: Plant): GangMoney | null {
  const [first] = Object.values(plan.forms).filter((f) => f.slot === gang);
  const shared = contexts.filter(({ cx }) => cx.stone.startsWith(`${gang}.`) && cx.form?.id === first?.id);
  const sheets = ledger.value(shared[0]?.cx.stepIds[0] === undefined ? '' : idOf(shared[0].cx.stepIds[0], 'run'));
  if (!first || !(sheets > 0)) return null;
  let [perForm, once, again, perSheet] = [0, 0, 0, 0];
  const steps: GangStep[] = [];
  for (const { stone, cx, costs } of shared) {
    const of = (fixed: boolean): number => costs.filter((c) => c.fixed === fixed).reduce((sum, c) => sum + ledger.value(c.figure), 0);
    const { againS } = stone.process;
    if (againS) once += of(true);
    else perForm += of(true);
    perSheet += of(false) / sheets;
    const next = stone.process.losses?.again;
    if (againS) again += (practiceValue(plant, againS) / 3600) * cx.machine.setupCostPerHour;
    for (const id of cx.stepIds)
      if (plan.steps[id]?.takes.length)
        steps.unshift(lossOf(id, plan.steps[id], againS && next ? practiceValue(plant, next) : null, ledger));
  }
  return { cost: (runs) => once + again * (runs.length - 1) + gangCost(runs, { perForm, perSheet, steps }) };
}

/** What a step loses, as allowances; of a table of losses the share it loses of this run. */
function lossOf(id: Id<'step'>, { loss }: Step, setupNext: number | null, ledger: Planned['ledger']): GangStep {
  const [run, need] = [ledger.value(idOf(id, 'run')), ledger.value(idOf(id, 'need'))];
  const byTable = loss.table !== undefined && run > 0;
  const setupFirst = byTable ? 0 : loss.setupCycles;
  return {
    setupFirst,
    setupNext: byTable ? 0 : (setupNext ?? setupFirst),
    runningPpm: byTable ? Math.round((1e6 * (run - need)) / run) : loss.runningPpm,
    samples: byTable ? 0 : loss.samples,
  };
}
