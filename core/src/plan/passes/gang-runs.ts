import type { Id } from '../../quantity/figure';
import { idOf } from '../../quantity/id-of';
import type { Ledger } from '../../quantity/ledger';
import type { Net, Step } from '../../flow/net';
import { solveBackward } from '../../flow/solve-backward';
import { leastRuns } from '../../layout/gang-runs';
import type { JobSpec } from '../../product/job-spec';
import type { Drafted } from './draft';

/** A gang on several forms where its sheets are parted: the step of each form, and the flows of its orders that they make. */
interface PartedGang {
  steps: Id<'step'>[];
  flows: Id<'flow'>[];
}

/**
 * Steps with what each form of a gang runs: as many good sheets as somebody set, else the fewest that give every order the blanks its own steps take; and what
 * share of an order's blanks comes from which form. A form that would be short for an order that lies on it runs on, as its steps count.
 */
export function withGangRuns(drafted: Drafted, wanted: Net['wanted'], spec: JobSpec, ledger: Ledger): Drafted['steps'] {
  const gangs = partedGangs(drafted);
  if (gangs.size === 0) return drafted.steps;
  const steps = { ...drafted.steps };
  // What orders need of their blanks is counted by the steps behind the parting alone.
  solveBackward({ flows: drafted.flows, steps: behind([...gangs.values()], drafted.steps), wanted }, ledger, drafted.losses);
  for (const [gang, { steps: parting, flows }] of gangs) {
    const per = (step: Id<'step'>, flow: Id<'flow'>): number => drafted.steps[step]?.gives.find((g) => g.flow === flow)?.per ?? 0;
    const needed = flows.map((f) => ledger.value(idOf(f, 'demand')));
    const set = spec.choices.gangs?.[gang]?.forms ?? [];
    const runs = leastRuns(
      parting.map((step, i) => ({ copies: flows.map((f) => per(step, f)), run: set[i]?.run ?? null })),
      needed,
    );
    const laid = (flow: Id<'flow'>): number => parting.reduce((sum, s, f) => sum + per(s, flow) * (runs[f] ?? 0), 0);
    parting.forEach((id, i) => {
      const step = drafted.steps[id] as Step;
      const least = runs[i] ?? 1;
      const gives = step.gives.map((g) => {
        const share = (g.per * least) / laid(g.flow);
        return share < 1 ? { ...g, share } : g;
      });
      steps[id] = { ...step, gives, least };
    });
  }
  return steps;
}

/** The gangs that lie on several forms, by their name. */
function partedGangs({ runs, steps }: Drafted): Map<Id<'form'>, PartedGang> {
  const found = new Map<Id<'form'>, PartedGang>();
  for (const { stone, cx } of runs) {
    if (!stone.process.parts || !cx.form?.oneOf) continue;
    const gang = found.get(cx.form.slot) ?? { steps: [], flows: [] };
    found.set(cx.form.slot, {
      steps: [...gang.steps, ...cx.stepIds],
      flows: [...new Set([...gang.flows, ...cx.stepIds.flatMap((s) => steps[s]?.gives.map((g) => g.flow) ?? [])])],
    });
  }
  return found;
}

/** The steps that blanks pass once they are parted. */
function behind(gangs: readonly PartedGang[], steps: Readonly<Record<Id<'step'>, Step>>): Record<Id<'step'>, Step> {
  const reached = new Set(gangs.flatMap((g) => g.flows));
  const found: Record<Id<'step'>, Step> = {};
  for (let grows = true; grows;) {
    grows = false;
    for (const [id, step] of Object.entries(steps)) {
      if (Object.hasOwn(found, id) || !step.takes.some((t) => reached.has(t.flow))) continue;
      found[id] = step;
      grows = true;
      for (const g of step.gives) reached.add(g.flow);
    }
  }
  return found;
}
