import type { BoardHelp } from '@druckerei/contract';
import { type Edit, findingTitle } from '@druckerei/core';
import { type Judged, type Laying, moneyOf, type Problem, waitedFor, whyThen } from '@druckerei/core/board';
import {
  type Against,
  floorSteps,
  type FloorStep,
  onOtherMachine,
  otherMachines,
  type Planned,
  stoneOfStep,
} from '@druckerei/core/planning';
import type { Db } from '../db/pool';
import { notFound, Refused } from '../errors';
import { findJob, homeOf, type JobFound } from '../jobs/find-job';
import { type PlannedJob, planFor } from '../jobs/plan-for';
import { formsLost, formsOfJob } from '../tools/forms-of-job';
import { acceptedOrder, boardNow, type BoardNow, judgedFrom, type Laid, laidIn, layingFrom, layingOfBars, standing } from './board-now';
import type { Standing } from './board.queries';

/** Work of a released job on another machine: what is changed of the job, and its steps as it would be released again. */
export interface Elsewhere {
  job: JobFound;
  machine: string;
  /** What the machine is called. */
  name: string;
  edit: Edit;
  steps: FloorStep[];
  /** Why it may not be: what has begun, what is made, or what would hold the release. */
  against: string | null;
}

/** The job of a step with its plan as it stands, the stone the step belongs to, and the machines that could do it instead. */
interface Asked {
  job: JobFound;
  planned: PlannedJob;
  stone: string;
  machines: [id: string, name: string][];
}
/** Where it may not be moved at all, the refusal. */
async function asked(db: Db, { problem }: BoardNow, work: string): Promise<Asked | Refused> {
  const mine = problem.work[work];
  if (!mine) return notFound('This step on the board');
  if (mine.state !== 'free') return new Refused(409, 'runs', 'What runs already stays where it is.');
  const job = await findJob(db, mine.job);
  if (job.state !== 'released')
    return new Refused(409, 'not-released', `Job ${job.number} is not released as a whole, or is revised: choose the machine on its page.`);
  const planned = await planFor(db, homeOf(job), job.spec, job.plantDocument, problem.asOf, job);
  const stone = stoneOfStep(planned.planned, mine.step);
  if (stone === null) return new Refused(409, 'gone', 'The plan of this job has no such step any more.');
  return { job, planned, stone, machines: otherMachines(job.plantDocument, planned.planned, stone) };
}

/** The work of a step's stone on another machine. */
export async function elsewhere(db: Db, now: BoardNow, work: string, machine: string): Promise<Elsewhere> {
  const found = await asked(db, now, work);
  if (found instanceof Refused) throw found;
  const named = found.machines.find(([id]) => id === machine);
  if (!named) throw new Refused(422, 'other-machine', 'This step cannot be done on that machine.');
  return on(db, now, found, named);
}
/** The work of a step's stone on every machine that could do it instead. */
export async function everywhereElse(db: Db, now: BoardNow, work: string): Promise<Elsewhere[] | Refused> {
  const found = await asked(db, now, work);
  if (found instanceof Refused) return found;
  const ways: Elsewhere[] = [];
  for (const named of found.machines) ways.push(await on(db, now, found, named));
  return ways;
}

async function on(db: Db, { problem }: BoardNow, { job, planned, stone }: Asked, [machine, name]: [string, string]): Promise<Elsewhere> {
  const begun = new Set(Object.values(problem.work).flatMap((w) => (w.job === job.id && w.state !== 'free' ? [w.step] : [])));
  const as = { spec: job.spec, plant: job.plantDocument, shelf: planned.shelf, now: planned.planned };
  const { edit, made, against } = onOtherMachine(as, stone, machine, begun);
  const balanced = Object.values(job.spec.items).some((i) => i.balanced);
  return {
    ...{ job, machine, name, edit },
    steps: floorSteps(made, job.plantDocument, balanced).map(({ step }) => step),
    against: againstSays(against) ?? (await madeFor(db, job, planned.planned, made)),
  };
}
function againstSays(against: Against | null): string | null {
  if (against === null) return null;
  return against.code === 'begun'
    ? `“${against.step}” has begun, and would be another.`
    : findingTitle(against.finding.code, against.finding.args);
}
async function madeFor(db: Db, job: JobFound, now: Planned, then: Planned): Promise<string | null> {
  const [lost] = formsLost(await formsOfJob(db, job.id), now, then);
  return lost ? `${lost.id} is made, and would not fit.` : null;
}

/**
 * The board with it. Two ways are tried, and the cheaper is taken: everything keeps its turn, so that others may have to wait on the new machine; or what moves, and
 * all that needs it, goes into the gaps, so that nobody waits.
 */
export async function layingElsewhere(
  db: Db,
  now: BoardNow,
  before: Judged,
  { job, steps }: Elsewhere,
): Promise<{ problem: Problem; laying: Laying }> {
  const { problem } = await boardNow(db, now.problem.asOf, { again: { job: job.id, steps } });
  const stood = standing(before.bars);
  const isThere = ({ work, machine }: Standing): boolean => problem.work[work]?.ways.some((w) => w.machine === machine) ?? false;
  const inTurn = layingOfBars(
    problem,
    stood.map((s) => (isThere(s) ? s : { ...s, machine: problem.work[s.work]?.ways[0].machine ?? '' })),
  );
  const { order, on } = acceptedOrder(stood.filter(isThere));
  const inGaps = layingFrom(problem, laidIn(problem, order, on, []).bars);
  return { problem, laying: inTurn.total < inGaps.total ? inTurn : inGaps };
}

/** So many of its steps are tried elsewhere, each on every machine: more would keep who asks waiting. House rule. */
const MOST_STEPS = 2;
/** Other machines on which a job would end sooner: tried for its steps on the machines that hold its end up, the longest wait first. */
export async function helpsElsewhere(db: Db, now: BoardNow, stands: Laid, job: string): Promise<BoardHelp[]> {
  const machines = waitedFor(whyThen(stands.laying, job));
  const mine = stands.bars.filter(({ work }) => now.problem.work[work]?.job === job && now.problem.work[work].state === 'free');
  const works = machines.flatMap((machine) => mine.find((b) => b.machine === machine)?.work ?? []);
  const helps: BoardHelp[] = [];
  let tried = 0;
  for (const work of works) {
    const ways = await everywhereElse(db, now, work);
    if (ways instanceof Refused) return helps;
    const open = ways.filter((w) => w.against === null);
    for (const way of open) helps.push(...(await helpOn(db, now, stands, work, way)));
    if (open.length > 0) tried++;
    if (tried >= MOST_STEPS) break;
  }
  return helps;
}
/** What one of them brings; nothing where the job does not end sooner. */
async function helpOn(db: Db, now: BoardNow, stands: Laid, work: string, way: Elsewhere): Promise<BoardHelp[]> {
  const { problem, laying } = await layingElsewhere(db, now, stands, way);
  const soonerS = endOf(stands.laying, way.job.id) - endOf(laying, way.job.id);
  const { machine, name } = way;
  return soonerS > 0 ? [{ kind: 'on', work, machine, name, soonerS, money: costOf(judgedFrom(problem, laying)) - costOf(stands) }] : [];
}
const endOf = ({ jobs }: Laying, job: string): number => jobs.find((j) => j.id === job)?.end ?? 0;
/** What was moved is no cost of the plan itself. */
const costOf = ({ money }: Judged): number => moneyOf({ ...money, moved: 0 });
