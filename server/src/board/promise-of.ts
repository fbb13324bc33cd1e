import type { BoardPromise } from '@druckerei/contract';
import type { JobSpec, Plant } from '@druckerei/core';
import { OVERTIME_S, promise, type Promised, waitedFor, whyThen, withOvertime } from '@druckerei/core/board';
import { floorSteps, type FloorStep } from '@druckerei/core/planning';
import type { Ctx } from '../context';
import { many } from '../db/rows';
import { findJob, homeOf } from '../jobs/find-job';
import { planFor } from '../jobs/plan-for';
import { plantInForce } from '../plants/read-plant';
import { NOT_RELEASED } from './board.queries';
import { acceptedOrder, boardNow, type BoardNow, endsOf, laid, laidIn, type Laid, type Quoted, standing, toldWhy } from './board-now';

/** The job on the board that is only asked about. */
const ASKED = 'asked';
/** Each is planned whole while somebody waits. House rule. */
const MOST_QUOTED = 20;
const NO_RULE = { palletKg: null, palletMm: null };

/** When a specification would be ready, released now; a job that is released already as the board has it. */
export async function promiseOf(ctx: Ctx, { spec, job }: { spec: JobSpec; job: string | null }): Promise<BoardPromise> {
  const known = job === null ? null : await findJob(ctx.db, job);
  if (known?.state === 'released') {
    const now = await boardNow(ctx.db, ctx.now());
    const { bars, laying } = await laid(now, ctx);
    const at = endsOf(bars, now).get(known.id);
    // All of it is done: its plan says when.
    if (at !== undefined) return told(now, true, { at, because: whyThen(laying, known.id) }, null);
  }
  const { plant } = known ? { plant: known.plantDocument } : await plantInForce(ctx.db);
  const { planned } = await planFor(ctx.db, known && homeOf(known), spec, plant, ctx.now(), known ?? NO_RULE);
  return promiseFor(
    ctx,
    floorSteps(planned, placeOf(plant), false).map((s) => s.step),
  );
}
const placeOf = ({ timeZone, currency }: Plant): { timeZone: string; currency: string } => ({ timeZone, currency });

async function promiseFor(ctx: Ctx, steps: readonly FloorStep[]): Promise<BoardPromise> {
  const { now, stands } = await askedAbout(ctx, [{ job: ASKED, steps }]);
  const first = promise(now.problem, stands, ASKED);
  const [machine] = waitedFor(first.because);
  const over = machine === undefined ? null : promise(withOvertime(now.problem, machine), stands, ASKED);
  const name = now.problem.lanes[machine ?? '']?.name ?? '';
  return told(now, false, first, over && over.at < first.at ? { machine: name, byS: OVERTIME_S, at: over.at } : null);
}
/** The board with work that is only asked about, and how what is released lies without it. */
async function askedAbout(ctx: Ctx, quoted: readonly Quoted[]): Promise<{ now: BoardNow; stands: ReturnType<typeof acceptedOrder> }> {
  const now = await boardNow(ctx.db, ctx.now(), { quoted });
  const asked = new Set(quoted.map((q) => q.job));
  const released = Object.fromEntries(Object.entries(now.problem.work).filter(([, work]) => !asked.has(work.job)));
  return { now, stands: acceptedOrder(standing((await laid({ ...now, problem: { ...now.problem, work: released } }, ctx)).bars)) };
}
/**
 * The board with a job that is not released, or with the next due of all that are not, in its gaps: each as it would lie if it were, the first due first. null: none is
 * left that is not on the board or delivered.
 */
export async function withQuoted(ctx: Ctx, asked: string): Promise<{ now: BoardNow; laid: Laid } | null> {
  // Parts of it may be released already: then it is on the board.
  const onBoard = (await boardNow(ctx.db, ctx.now())).problem.jobs;
  const ids = asked === 'all' ? (await many(ctx.db, NOT_RELEASED, [MOST_QUOTED, Object.keys(onBoard)])).map((r) => r.id) : [asked];
  const quoted: Quoted[] = [];
  for (const id of ids) {
    const job = await findJob(ctx.db, id);
    if (job.id in onBoard || job.state === 'delivered') continue;
    const { planned } = await planFor(ctx.db, homeOf(job), job.spec, job.plantDocument, ctx.now(), job);
    quoted.push({ job: job.id, steps: floorSteps(planned, placeOf(job.plantDocument), false).map((s) => s.step) });
  }
  if (quoted.length === 0) return null;
  const { now, stands } = await askedAbout(ctx, quoted);
  return { now, laid: laidIn(now.problem, stands.order, stands.on, now.nr > 0 ? stands.was : []) };
}

const told = (
  now: BoardNow,
  onBoard: boolean,
  { at, because }: Pick<Promised, 'at' | 'because'>,
  overtime: BoardPromise['overtime'],
): BoardPromise => ({ onBoard, at, timeZone: now.timeZone, because: toldWhy(now, because), overtime });
