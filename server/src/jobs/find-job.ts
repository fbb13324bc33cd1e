import { randomUUID } from 'node:crypto';
import type { JobState } from '@druckerei/contract';
import { type Edit, type JobSpec, JobSpecSchema, type Plant, type Shelf } from '@druckerei/core';
import { type Ctx, signedIn } from '../context';
import type { Db } from '../db/pool';
import { maybeOne, type Rows, stored } from '../db/rows';
import { notFound, Refused } from '../errors';
import { notifyChanged } from '../events/event-hub';
import { readPlant } from '../plants/read-plant';
import { cutShelf } from '../plants/shelf';
import { JOB_BY_ID, LOCK_JOB, SAVE_VERSION, SET_SUMMARY, type JobRow } from './jobs.queries';
import { palletLimitOf, planFor, type PlannedJob, writeLines } from './plan-for';

/** A job with its newest specification and the plant it is planned for. */
export interface JobFound extends JobRow {
  plantDocument: Plant;
}

async function find(db: Db, id: string, statement: Rows<JobRow>): Promise<JobFound> {
  const row = await maybeOne(db, statement, [id]);
  if (!row) throw notFound('This job');
  return { ...row, spec: stored(JobSpecSchema, row.spec, `the specification of job ${id}`), plantDocument: await readPlant(db, row.plant) };
}
export const findJob = (db: Db, id: string): Promise<JobFound> => find(db, id, JOB_BY_ID);
/** Locks a job until the transaction ends; it is read afterwards. */
export const lock = (db: Db, id: string): Promise<unknown> => db.query(LOCK_JOB, [id]);
/** A job, locked until the transaction ends. */
export async function lockJob(db: Db, id: string): Promise<JobFound> {
  await lock(db, id);
  return findJob(db, id);
}

/** The job whose store, gates and releases count: an alternative's are those of the job it is a plan of. */
export const homeOf = (job: Pick<JobFound, 'id' | 'alternativeOf'>): string => job.alternativeOf ?? job.id;

/** Plans a job as it stands. */
export const planOf = (db: Db, job: JobFound, now: number): Promise<PlannedJob> =>
  planFor(db, homeOf(job), job.spec, job.plantDocument, now, job);

/** What lies ready for a job as it stands. */
export const shelfOf = (db: Db, job: JobFound, now: number): Promise<Shelf> =>
  cutShelf(db, { plant: job.plantDocument, spec: job.spec, now, palletLimit: palletLimitOf(job), job: homeOf(job) });

const LOCKED: Partial<Record<JobState, string>> = {
  released: 'This job is released; it changes only by a revision.',
  delivered: 'This job is delivered; what was done is kept as it was.',
};
/** Refuses to change what is released or delivered. */
export function requireOpen(job: JobFound): void {
  const says = LOCKED[job.state];
  if (says !== undefined) throw new Refused(409, 'released', says);
}
/** Refuses what was decided on another version than the newest. */
export function requireVersion(job: JobFound, version: number): void {
  if (job.version !== version)
    throw new Refused(409, 'stale', 'The job changed meanwhile: look at it again.', { stale: { version: job.version, by: '', edits: [] } });
}

export interface NextVersion {
  spec: JobSpec;
  edits: readonly Edit[];
  /** What happened, for the history. */
  what: string;
  detail?: object;
  /** Made by the browser: the same save sent twice is one version. */
  key?: string;
  state?: JobState;
  plant?: { hash: string; plant: Plant };
  /** The plan, where it is made already. */
  made?: PlannedJob;
}

/** Saves the next version of a job: specification, plan's summary, rows that others join on, history, news. The one way a job changes. */
export async function saveVersion(db: Db, ctx: Ctx, job: JobFound, next: NextVersion): Promise<PlannedJob & { version: number }> {
  const by = signedIn(ctx);
  const plant = next.plant ?? { hash: job.plant, plant: job.plantDocument };
  const made = next.made ?? (await planFor(db, homeOf(job), next.spec, plant.plant, ctx.now(), job));
  const version = job.version + 1;
  await db.query(SAVE_VERSION, [
    job.id,
    version,
    JSON.stringify(next.spec),
    plant.hash,
    JSON.stringify(next.edits),
    by.id,
    next.key ?? randomUUID(),
    JSON.stringify(made.summary),
    next.spec.name,
    made.picture,
    next.state ?? job.state,
    next.what,
    JSON.stringify({ version, ...next.detail }),
  ]);
  if (job.alternativeOf === null) await writeLines(db, next.spec, plant.plant, job.id);
  await notifyChanged(db, { table: 'jobs', id: job.id, version, by: by.name });
  await tellParent(db, ctx, job);
  return { ...made, version };
}

/** The job that waits for what this one makes follows it: what lists show of it is planned anew while it is open, and who looks at it reads again. */
export async function tellParent(db: Db, ctx: Ctx, { madeFor, alternativeOf }: JobFound): Promise<void> {
  if (madeFor === null || alternativeOf !== null) return;
  const parent = await findJob(db, madeFor);
  if (LOCKED[parent.state] === undefined) {
    const { summary } = await planOf(db, parent, ctx.now());
    await db.query(SET_SUMMARY, [parent.id, JSON.stringify(summary)]);
  }
  await notifyChanged(db, { table: 'jobs', id: parent.id, version: parent.version, by: signedIn(ctx).name });
}
