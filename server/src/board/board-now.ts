import type { BOARD_WHY, BoardBecause } from '@druckerei/contract';
import { type Plant, practiceValue, tallyOf } from '@druckerei/core';
import {
  type At,
  type Bar,
  type Because,
  type Delivery,
  dispatchBest,
  type FloorAsk,
  inOrder,
  type Judged,
  judged,
  lateMoney,
  type Laying,
  layingOf,
  type Pieces,
  piecesOf,
  type Problem,
  problemOfFloor,
  putIntoGaps,
  standsOf,
  tightestOf,
  type StepOnFloor,
} from '@druckerei/core/board';
import type { FloorStep } from '@druckerei/core/planning';
import type { Ctx } from '../context';
import type { Db } from '../db/pool';
import { many, maybeOne } from '../db/rows';
import { type FloorOf, floorOnMachines, makingFor, timesOf } from '../floor/steps-now';
import { type HoursChange, machineHours, sharedCrews, withChanges } from '../plants/calendar';
import { HOURS_CHANGED, type HoursEntry } from '../plants/plants.queries';
import { plantInForce } from '../plants/read-plant';
import { OPEN_JOBS, type OpenJobRow } from '../today/today.queries';
import { BOARD_NOW, DELIVERIES_OF, type Pins, RELEASED_AT, type Standing } from './board.queries';

/** Jobs looked at, the next due first. */
const MOST_JOBS = 5_000;

/** The board as the floor stands at a moment: what there is to lay, and the order that was accepted last. */
export interface BoardNow {
  problem: Problem;
  nr: number;
  by: string;
  at: At | null;
  why: (typeof BOARD_WHY)[number] | null;
  /** As accepted, in its order; empty: nothing was yet. */
  accepted: readonly Standing[];
  pins: Pins;
  /** Money of its lateness when it was accepted. */
  late: number | null;
  hours: readonly HoursEntry[];
  jobs: ReadonlyMap<string, OpenJobRow>;
  plant: Plant;
  timeZone: string;
  currency: string;
  reserveS: number;
}

/** Work that is asked about: steps of a plan that nobody released. */
export interface Quoted {
  job: string;
  steps: readonly FloorStep[];
}

/** A released job as it would be released again. */
export interface Again {
  job: string;
  steps: readonly FloorStep[];
}

/** A board that is only thought of: work that nobody released, hours that nobody set, a job released otherwise. */
export interface Thought {
  quoted?: readonly Quoted[];
  hours?: readonly HoursChange[];
  again?: Again;
}

export async function boardNow(db: Db, asOf: At, { quoted = [], hours = [], again }: Thought = {}): Promise<BoardNow> {
  const { plant } = await plantInForce(db);
  const floor = await floorOnMachines(db, null);
  const head = await maybeOne(db, BOARD_NOW, []);
  const changed = await many(db, HOURS_CHANGED, [asOf]);
  const open = await many(db, OPEN_JOBS, [MOST_JOBS]);
  const asked = quoted.flatMap(({ job, steps }) =>
    steps.map((facts): StepOnFloor => ({ job, facts, state: 'quoted', since: null, leftS: 0 })),
  );
  // Who was released first was promised first.
  const releasedAt = new Map((await many(db, RELEASED_AT, [[...new Set(floor.steps.map((s) => s.job))]])).map((r) => [r.job, r.at]));
  const turn = ({ job }: StepOnFloor): number => releasedAt.get(job) ?? 0;
  const stand = stepsOf(floor, asOf);
  const steps = [...(again ? releasedAgain(stand, again) : stand).sort((a, b) => turn(a) - turn(b)), ...asked];
  const jobs = new Map(open.map((job) => [job.job, job]));
  const deliveries = await deliveriesOf(db, [...jobs.values()]);
  const ask: FloorAsk = {
    asOf,
    plant,
    open: withChanges(machineHours(plant, asOf), [...changed, ...hours]),
    crews: sharedCrews(plant, asOf, [...changed, ...hours]),
    making: new Set((await makingFor(db, steps)).keys()),
    jobs: [...new Set(steps.map((s) => s.job))].map((job) => ({
      job,
      name: String(jobs.get(job)?.number ?? ''),
      deliveries: deliveries.get(job) ?? [],
    })),
    steps,
  };
  return {
    problem: withPins(problemOfFloor(ask), head?.pins ?? {}),
    nr: head?.nr ?? 0,
    by: head?.by ?? '',
    at: head?.at ?? null,
    why: head?.why ?? null,
    accepted: head?.bars ?? [],
    pins: head?.pins ?? {},
    late: head?.late ?? null,
    hours: changed,
    jobs,
    plant,
    timeZone: plant.timeZone,
    currency: plant.currency,
    reserveS: practiceValue(plant, 'board.reserveS'),
  };
}

/** What jobs deliver by when; one that is made for another has its one date. */
async function deliveriesOf(db: Db, jobs: readonly OpenJobRow[]): Promise<Map<string, Delivery[]>> {
  const found = new Map<string, Delivery[]>();
  for (const { job, ...delivery } of await many(db, DELIVERIES_OF, [jobs.map((j) => j.job)]))
    found.set(job, [...(found.get(job) ?? []), delivery]);
  for (const { job, dueAt } of jobs) if (!found.has(job) && dueAt !== null) found.set(job, [{ product: null, quantity: 1, at: dueAt }]);
  return found;
}

/** What was pinned by hand, on the machine where it lies; what is done or gone is pinned no more. */
function withPins(problem: Problem, pins: Pins): Problem {
  const work = { ...problem.work };
  for (const [id, pin] of Object.entries(pins)) {
    const mine = work[id];
    if (mine?.state === 'free') work[id] = { ...mine, pin: { ...pin, why: 'by hand' } };
  }
  return { ...problem, work };
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

/** Steps with those of a job as another release would have them; what has begun stays what it is. */
function releasedAgain(stand: readonly StepOnFloor[], { job, steps }: Again): StepOnFloor[] {
  const kept = stand.filter((s) => s.job !== job || s.state !== 'waiting');
  const begun = new Set(kept.flatMap((s) => (s.job === job ? [s.facts.step] : [])));
  const fresh = steps.filter((facts) => !begun.has(facts.step));
  return [...kept, ...fresh.map((facts): StepOnFloor => ({ job, facts, state: 'waiting', since: null, leftS: 0 }))];
}

/** Order and machines as accepted, for what lays work. */
export const acceptedOrder = (accepted: readonly Standing[]): { order: string[]; on: Record<string, string>; was: Bar[] } => ({
  order: accepted.map((a) => a.work),
  on: Object.fromEntries(accepted.map((a) => [a.work, a.machine])),
  was: accepted.map(({ work, machine, start }) => ({ work, machine, start, makeReadyAt: start, runAt: start, end: start, changes: [] })),
});

/** A board as it lies, and the work it was laid of. */
export interface Laid extends Judged {
  problem: Problem;
  laying: Laying;
}
/**
 * The accepted order laid anew by what the floor says now, what was released since in its gaps; before the first, what the rules of dispatch come to: of a large
 * board reckoned in a thread.
 */
export async function laid({ problem, accepted }: BoardNow, ctx: Pick<Ctx, 'threads' | 'gone'>): Promise<Laid> {
  const { order, on, was } = acceptedOrder(accepted);
  if (order.length > 0) return laidIn(problem, order, on, was);
  if (Object.keys(problem.work).length <= AT_ONCE) {
    const of = piecesOf(problem);
    const laying = layingOf(of, problem);
    dispatchBest(laying);
    return { ...judged(problem, of, laying.list), problem, laying };
  }
  const { made } = await ctx.threads.run({ kind: 'board', problem, order, on, was, moves: 0 }, () => undefined, ctx.gone);
  return { ...made, problem, laying: layingFrom(problem, made.bars) };
}
/** So many steps are dispatched in less time than a thread takes to begin. */
const AT_ONCE = 500;

/** Work in an order on machines; what the order does not know goes into its gaps. */
export function laidIn(problem: Problem, order: readonly string[], on: Readonly<Record<string, string>>, was: readonly Bar[]): Laid {
  const { of, laying } = layingIn(problem, order, on, was);
  const known = new Set(order);
  putIntoGaps(
    laying,
    Object.keys(problem.work).filter((id) => !known.has(id)),
  );
  return { ...judged(problem, of, laying.list), problem, laying };
}
function layingIn(
  problem: Problem,
  order: readonly string[],
  on: Readonly<Record<string, string>>,
  was: readonly Bar[] = [],
): { of: Pieces; laying: Laying } {
  const of = piecesOf(problem, standsOf(was));
  const laying = layingOf(of, problem);
  laying.layAll(inOrder(of.pieces, order, on));
  return { of, laying };
}

/** Bars as they are kept: in the order of their starts, so that the order of every machine can be laid again. */
export const standing = (bars: readonly Bar[]): Standing[] =>
  [...bars].sort((a, b) => a.runAt - b.runAt || a.start - b.start).map(({ work, machine, start }) => ({ work, machine, start }));

/** Bars laid again, to try moves on: where they were accepted is forgotten, so that what a move comes to is the plan’s own cost. */
export const layingFrom = (problem: Problem, bars: readonly Bar[]): Laying => layingOfBars(problem, standing(bars));
/** The same of bars as they are kept. */
export function layingOfBars(problem: Problem, stood: readonly Standing[]): Laying {
  const { order, on } = acceptedOrder(stood);
  return layingIn(problem, order, on).laying;
}
/** What a board comes to that was laid by moves; `was`: where it was accepted, so that what is moved is counted. */
export function judgedFrom(problem: Problem, { list }: Laying, was: readonly Bar[] = []): Laid {
  const order = list.map((x) => x.id);
  const { of, laying } = layingIn(problem, order, Object.fromEntries(list.map((x) => [x.id, x.way.machine.id])), was);
  return { ...judged(problem, of, laying.list), problem, laying };
}

/** The delivery of each job with the least to spare, as moments: when it is due, and when its pieces are there; and what all its lateness costs. */
export function tightest({ laying, problem }: Laid): Map<string, { dueAt: At; readyAt: At; money: number }> {
  return new Map(
    laying.jobs.flatMap((job) => {
      const found = tightestOf(job);
      const at = (s: number): At => problem.asOf + s;
      return found ? [[job.id, { dueAt: at(found.dueAt), readyAt: at(found.readyAt), money: lateMoney(job) }] as const] : [];
    }),
  );
}
/** When the last step of each job ends. */
export function endsOf(bars: readonly Bar[], { problem }: { problem: Problem }): Map<string, number> {
  const ends = new Map<string, number>();
  for (const { work, end } of bars) {
    const job = problem.work[work]?.job ?? '';
    ends.set(job, Math.max(ends.get(job) ?? 0, end));
  }
  return ends;
}
/** Why a job ends when it does, with machines by their names and jobs by their numbers. */
export const toldWhy = ({ problem, jobs }: Pick<BoardNow, 'problem' | 'jobs'>, because: readonly Because[]): BoardBecause[] =>
  because.map(({ kind, what, job, s }) => ({
    ...{ kind, s, what: kind === 'wait' || kind === 'gate' ? what : (problem.lanes[what]?.name ?? what) },
    number: job === undefined ? null : (jobs.get(job)?.number ?? null),
  }));
