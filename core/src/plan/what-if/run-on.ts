import type { Id } from '../../quantity/figure';
import { idOf } from '../../quantity/id-of';
import { PPM } from '../../quantity/units';
import { ceilTolerant } from '../../quantity/round-tolerant';
import type { Step } from '../../flow/net';
import { stepsTo } from '../../flow/upstream';
import type { Shelf } from '../../plant/plant';
import type { Planned } from '../plan';
import type { Plan } from '../plan-types';

/** What more of some pieces takes: cycles more of every step they pass, and what is pulled for them. */
export interface MorePieces {
  steps: Map<Id<'step'>, number>;
  /** The bought or stored flow it begins with. */
  from: Id<'flow'>;
  pulled: number;
}

/**
 * What so many more good pieces take while the press stands on their form: backward from the goods through every step that is not done, by its running loss, no
 * setup. Pieces of a gang come from the form that gives most of them and is still on. Null: what prints them is done.
 */
export function morePieces(plan: Plan, shelf: Shelf, goods: Id<'flow'>, pieces: number): MorePieces | null {
  const steps = new Map<Id<'step'>, number>();
  const isDone = (id: Id<'step'>): boolean => shelf.counted[id]?.done === true;
  let [flow, wanted] = [goods, pieces];
  for (;;) {
    const [id, step] = makerOf(plan, flow, isDone) ?? [];
    if (id === undefined || !step) break;
    const [take] = step.takes;
    const good = wanted / (step.gives.find((g) => g.flow === flow)?.per ?? 1);
    const run = isDone(id) ? good : good / (1 - step.loss.runningPpm / PPM);
    // Sheets are run whole; of a few pieces each step behind them would round up a loss that is none.
    const cycles = plan.flows[take?.flow ?? '']?.unit === 'sheet' ? ceilTolerant(run) : run;
    steps.set(id, cycles);
    if (!take) break;
    [flow, wanted] = [take.flow, cycles * take.per];
  }
  const press = [...steps.keys()].reverse().find((id) => setsUp(plan.steps[id]));
  return press === undefined || isDone(press) ? null : { steps, from: flow, pulled: ceilTolerant(wanted) };
}

/** The step that more of a flow comes from: of several forms the one that gives most of it, and on which the press still stands. */
function makerOf(plan: Plan, flow: Id<'flow'>, isDone: (id: Id<'step'>) => boolean): [Id<'step'>, Step] | undefined {
  const makers = Object.entries(plan.steps).filter(([, s]) => s.gives.some((g) => g.flow === flow));
  const per = (s: Step): number => s.gives.find((g) => g.flow === flow)?.per ?? 0;
  const isOn = (s: Step): boolean => {
    const press = stepsTo(plan, s.takes[0]?.flow ?? '').find((id) => setsUp(plan.steps[id]));
    return press !== undefined && !isDone(press);
  };
  return [...makers].sort(([, a], [, b]) => Number(isOn(b)) - Number(isOn(a)) || per(b) - per(a))[0];
}
const setsUp = (step: Step | undefined): boolean => step !== undefined && (step.loss.setupCycles > 0 || step.loss.table !== undefined);

/** What the cycles more cost by what a cycle costs of each run now, setting up left aside; and how long they run. */
export function costOfMore({ contexts, ledger }: Planned, { steps }: Pick<MorePieces, 'steps'>): { money: number; machineS: number } {
  const share = (id: Id<'step'>): number => {
    const run = ledger.value(idOf(id, 'run'));
    return run > 0 ? (steps.get(id) ?? 0) / run : 0;
  };
  const money = contexts.reduce((sum, { cx, costs }) => {
    const [id] = cx.stepIds.filter((step) => steps.has(step));
    if (id === undefined) return sum;
    return sum + costs.filter((c) => !c.fixed).reduce((of, c) => of + ledger.value(c.figure), 0) * share(id);
  }, 0);
  return { money, machineS: [...steps.keys()].reduce((sum, id) => sum + ledger.value(idOf(id, 'runS')) * share(id), 0) };
}
