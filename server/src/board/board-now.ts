import { practiceValue, tallyOf } from '@druckerei/core';
import {
  type At,
  type Bar,
  dispatchBest,
  type FloorAsk,
  inOrder,
  judge,
  type Judged,
  judged,
  type Laying,
  layingOf,
  piecesOf,
  type Problem,
  problemOfFloor,
  type StepOnFloor,
} from '@druckerei/core/board';
import type { Ctx } from '../context';
import type { Db } from '../db/pool';
import { many, maybeOne } from '../db/rows';
import { type FloorOf, floorOnMachines, timesOf } from '../floor/steps-now';
import { machineHours } from '../plants/calendar';
import { plantInForce } from '../plants/read-plant';
import { OPEN_JOBS, type OpenJobRow } from '../today/today.queries';
import { BOARD_NOW, type Standing } from './board.queries';

/** Jobs looked at, the next due first. */
const MOST_JOBS = 5_000;

/** The board as the floor stands at a moment: what there is to lay, and the order that was accepted last. */
export interface BoardNow {
  problem: Problem;
  nr: number;
  by: string;
  at: At | null;
  why: 'search' | 'move' | 'back' | null;
  /** As accepted, in its order; empty: nothing was yet. */
  accepted: readonly Standing[];
  jobs: ReadonlyMap<string, OpenJobRow>;
  timeZone: string;
  currency: string;
  reserveS: number;
}

export async function boardNow(db: Db, asOf: At): Promise<BoardNow> {
  const { plant } = await plantInForce(db);
  const floor = await floorOnMachines(db, null);
  const head = await maybeOne(db, BOARD_NOW, []);
  const open = await many(db, OPEN_JOBS, [MOST_JOBS]);
  const steps = stepsOf(floor, asOf);
  const jobs = new Map(open.map((job) => [job.job, job]));
  const ask: FloorAsk = {
    asOf,
    plant,
    open: machineHours(plant, asOf),
    jobs: [...new Set(steps.map((s) => s.job))].map((job) => ({
      job,
      name: String(jobs.get(job)?.number ?? ''),
      dueAt: jobs.get(job)?.dueAt ?? null,
    })),
    steps,
  };
  return {
    problem: problemOfFloor(ask),
    nr: head?.nr ?? 0,
    by: head?.by ?? '',
    at: head?.at ?? null,
    why: head?.why ?? null,
    accepted: head?.bars ?? [],
    jobs,
    timeZone: plant.timeZone,
    currency: plant.currency,
    reserveS: practiceValue(plant, 'board.reserveS'),
  };
}

/** Released steps with how they stand: what is left by the counts. */
function stepsOf(floor: FloorOf, asOf: At): StepOnFloor[] {
  return floor.steps.map(({ job, facts }): StepOnFloor => {
    const { state, since, open, setupS } = timesOf(floor, job, facts.step);
    if (state === 'done') return { job, facts, state: 'done', since, leftS: 0 };
    if (open === null || since === null) return { job, facts, state: 'waiting', since: null, leftS: 0 };
    const { run } = tallyOf(facts.step, facts.units, floor.sums.get(job) ?? []);
    const left = facts.runS * Math.max(0, 1 - run / Math.max(facts.run, 1));
    const setupLeft = open === 'setup' ? Math.max(0, facts.setupS - setupS - (asOf - since)) : 0;
    return { job, facts, state: 'running', since: Math.min(since, asOf), leftS: Math.max(60, left + setupLeft) };
  });
}

/** Order and machines as accepted, for what lays work. */
export const acceptedOrder = (accepted: readonly Standing[]): { order: string[]; on: Record<string, string>; was: Bar[] } => ({
  order: accepted.map((a) => a.work),
  on: Object.fromEntries(accepted.map((a) => [a.work, a.machine])),
  was: accepted.map(({ work, machine, start }) => ({ work, machine, start, makeReadyAt: start, runAt: start, end: start, changes: [] })),
});

/** The accepted order laid anew by what the floor says now; before the first, what the rules of dispatch come to: of a large board reckoned in a thread. */
export async function laid({ problem, accepted }: BoardNow, ctx: Pick<Ctx, 'threads' | 'gone'>): Promise<Judged> {
  const { order, on, was } = acceptedOrder(accepted);
  if (order.length > 0) return judge(problem, order, on, was);
  if (Object.keys(problem.work).length <= AT_ONCE) {
    const of = piecesOf(problem);
    const laying = layingOf(of, problem);
    dispatchBest(laying);
    return judged(problem, of, laying.list);
  }
  const { made } = await ctx.threads.run({ kind: 'board', problem, order, on, was, moves: 0 }, () => undefined, ctx.gone);
  return made;
}
/** So many steps are dispatched in less time than a thread takes to begin. */
const AT_ONCE = 500;

/** Bars as they are kept: in the order of their starts, so that the order of every machine can be laid again. */
export const standing = (bars: readonly Bar[]): Standing[] =>
  [...bars].sort((a, b) => a.runAt - b.runAt || a.start - b.start).map(({ work, machine, start }) => ({ work, machine, start }));

/** A judged board, to try moves on. */
export function layingFrom({ problem }: Pick<BoardNow, 'problem'>, { bars }: Pick<Judged, 'bars'>): Laying {
  const { order, on } = acceptedOrder(standing(bars));
  const of = piecesOf(problem);
  const laying = layingOf(of, problem);
  laying.layAll(inOrder(of.pieces, order, on));
  return laying;
}
/** When the last step of each job ends. */
export function endsOf(bars: readonly Bar[], { problem }: Pick<BoardNow, 'problem'>): Map<string, number> {
  const ends = new Map<string, number>();
  for (const { work, end } of bars) {
    const job = problem.work[work]?.job ?? '';
    ends.set(job, Math.max(ends.get(job) ?? 0, end));
  }
  return ends;
}
