import { createHash } from 'node:crypto';
import type { jobs, Release } from '@druckerei/contract';
import type * as z from 'zod';
import {
  apply,
  approvedVersion,
  earlyHash,
  type Edit,
  editsBetween,
  type Finding,
  findingKey,
  findingTitle,
  hashOf,
  isUndecided,
  type JobSpec,
  JobSpecSchema,
} from '@druckerei/core';
import { type Ctx, signedIn } from '../context';
import { type Db, inTransaction } from '../db/pool';
import { many, maybeOne, one, stored } from '../db/rows';
import { invalid, Refused } from '../errors';
import { promisePaper } from '../stock/promise-paper';
import { notifyChanged } from '../events/event-hub';
import type { Handlers } from '../implement';
import { readPlant } from '../plants/read-plant';
import { writeFacts } from '../floor/learn';
import { writeReleasedSteps } from '../floor/released-steps';
import { balanceOfJob, floorOfJob } from '../floor/steps-now';
import { planForms } from '../tools/forms-of-job';
import { storeMade } from '../tools/store-made';
import { ticketPdf } from '../ticket/ticket-pdf';
import { type JobFound, lockJob, planOf, requireOpen, requireVersion, saveVersion, tellParent } from './find-job';
import { ADD_EVENT, ADD_FILE, ADD_RELEASE, LAST_WHOLE, RELEASES, SET_STATE, SPEC_OF } from './jobs.queries';
import { planFor } from './plan-for';

export type ReleaseRow = z.infer<typeof Release>;
type Mine = 'jobs.release' | 'jobs.revise' | 'jobs.withdraw' | 'jobs.deliver';

export const releaseHandlers: Pick<Handlers<typeof jobs>, Mine> = {
  'jobs.release': ({ params, body }, ctx) =>
    inTransaction(ctx.db, async (db) => {
      const job = await lockJob(db, params.id);
      if (job.alternativeOf !== null)
        throw new Refused(422, 'alternative', 'This is an alternative: choose it first, then release the job.');
      const releases = await many(db, RELEASES, [job.id]);
      const last = releases.at(-1);
      if (job.state === 'released' && last) return last; // clicked twice
      requireOpen(job);
      requireVersion(job, body.version);
      return releaseJob(db, ctx, job, releases, body);
    }),

  'jobs.revise': ({ params, body }, ctx) =>
    inTransaction(ctx.db, async (db) => {
      const job = await lockJob(db, params.id);
      if (job.state === 'revising') return { version: job.version }; // clicked twice
      if (job.state !== 'released') throw new Refused(409, 'not-released', 'Only a released job is revised; a draft is simply changed.');
      requireVersion(job, body.version);
      await setState(db, ctx, job, 'revising', 'job.revising', { reason: body.reason });
      return { version: job.version };
    }),

  'jobs.withdraw': ({ params, body }, ctx) =>
    inTransaction(ctx.db, async (db) => {
      const job = await lockJob(db, params.id);
      const whole = await maybeOne(db, LAST_WHOLE, [job.id]);
      if (job.state !== 'revising' || !whole) throw new Refused(409, 'not-revising', 'There is no revision to give up.');
      requireVersion(job, body.version);
      const was = await maybeOne(db, SPEC_OF, [job.id, whole.version]);
      const spec = stored(JobSpecSchema, was?.spec, `version ${whole.version} of job ${job.id}`);
      const plant = { hash: was?.plant ?? job.plant, plant: await readPlant(db, was?.plant ?? job.plant) };
      const { version } = await saveVersion(db, ctx, job, {
        spec,
        edits: editsBetween(job.spec, spec),
        what: 'job.withdrawn',
        detail: { reason: body.reason, backTo: whole.nr },
        state: 'released',
        plant,
      });
      return { version };
    }),

  'jobs.deliver': ({ params, body }, ctx) =>
    inTransaction(ctx.db, async (db) => {
      const job = await lockJob(db, params.id);
      const state = body.back ? 'released' : 'delivered';
      if (job.state === state) return { version: job.version, state }; // clicked twice
      if (job.state !== (body.back ? 'delivered' : 'released'))
        throw new Refused(409, 'not-released', body.back ? 'This job is not marked as delivered.' : 'Only a released job is delivered.');
      if (body.back && body.note.length < 3) throw invalid([{ path: 'note', says: 'says in a few words why' }]);
      if (!body.back) {
        await closeCounts(db, job);
        await requireClosable(db, job, ctx.now());
        await promisePaper(db, [], { job: job.id, by: signedIn(ctx), reason: 'delivered' });
      }
      await setState(db, ctx, job, state, body.back ? 'job.deliveryTakenBack' : 'job.delivered', { note: body.note });
      if (!body.back) await storeMade(db, ctx, job);
      return { version: job.version, state };
    }),
};

/** A job that must balance does not close with a difference; what was counted of one that closes is learned from. */
async function closeCounts(db: Db, job: JobFound): Promise<void> {
  if (Object.values(job.spec.items).some((i) => i.balanced)) {
    const floor = await floorOfJob(db, job.id);
    const { differences } = balanceOfJob(floor, job.id);
    if (differences.length > 0)
      throw new Refused(422, 'unbalanced', 'This job must balance to the last piece, and its counts do not.', {
        fields: differences.map((d) => ({
          path: d.step ?? d.pile ?? job.id,
          says: `${Math.abs(d.off)} ${d.off > 0 ? 'missing' : 'too many'} at ${floor.steps.find((s) => s.facts.step === d.step)?.facts.name ?? 'a pile'}${
            d.pile === null ? '' : `, pile ${floor.piles.find((p) => p.id === d.pile)?.code ?? ''}`
          }`,
        })),
      });
  }
  await writeFacts(db, job.id);
}

/** Findings that stand against closing, but for counts, which are refused with their places. */
async function requireClosable(db: Db, job: JobFound, now: number): Promise<void> {
  const { plan } = await planOf(db, job, now);
  const held = plan.findings.filter((f) => f.level === 'close' && f.code !== 'counts.off');
  if (held.length > 0)
    throw new Refused(422, 'not-closable', 'Something stands against closing this job.', {
      fields: held.map((f) => ({ path: f.at, says: findingTitle(f.code, f.args) })),
    });
}

async function setState(db: Db, ctx: Ctx, job: JobFound, state: JobFound['state'], what: string, detail: object): Promise<void> {
  const by = signedIn(ctx);
  await db.query(SET_STATE, [job.id, state, ctx.now()]);
  await db.query(ADD_EVENT, [by.id, what, job.id, JSON.stringify({ version: job.version, ...detail })]);
  await notifyChanged(db, { table: 'jobs', id: job.id, version: job.version, by: by.name });
  await tellParent(db, ctx, job);
}

/** The artwork's version where nobody was asked about it. */
const FIRST_VERSION = 'v1';

/** A released job changed and released again in one: what somebody decided elsewhere than on its page. Refused where it is revised, or moved on since `version`. */
export async function releaseChanged(db: Db, ctx: Ctx, id: string, version: number, edits: readonly Edit[], reason: string): Promise<void> {
  const job = await lockJob(db, id);
  if (job.state !== 'released')
    throw new Refused(409, 'not-released', `Job ${job.number} is being revised: change it there, and release it again.`);
  requireVersion(job, version);
  const applied = apply(job.spec, edits, JobSpecSchema);
  if (!applied.ok) throw invalid(applied.issues);
  await releaseJob(db, ctx, { ...job, spec: applied.made }, await many(db, RELEASES, [id]), { decisions: {}, reason }, edits);
}

interface ReleaseAsk {
  decisions: Record<string, string>;
  scope?: string[] | undefined;
  reason?: string | undefined;
}

/** One snapshot of everything, the ticket made from it, and the rows others join on. `changes`: what of the specification is new with it. */
async function releaseJob(
  db: Db,
  ctx: Ctx,
  job: JobFound,
  releases: readonly ReleaseRow[],
  ask: ReleaseAsk,
  changes: readonly Edit[] = [],
): Promise<ReleaseRow> {
  const by = signedIn(ctx);
  const decided = Object.entries(ask.decisions).map(([key, reason]): [string, JobSpec['decisions'][string]] => [
    key,
    { by: by.fullName, reason, at: ctx.now() },
  ]);
  const spec: JobSpec = { ...job.spec, decisions: { ...job.spec.decisions, ...Object.fromEntries(decided) } };
  const made = await planFor(db, job.id, spec, job.plantDocument, ctx.now(), job);
  const { scope } = ask;
  const again = scope ? scope.some((id) => releases.some((r) => r.scope?.includes(id))) : releases.some((r) => r.scope === null);
  const reason = ask.reason ?? '';
  if (again && reason.length < 3) throw invalid([{ path: 'reason', says: 'says in a few words why it is released again' }]);
  refuseOpenFindings(made.plan.findings, spec, scope);
  const frozen = Object.fromEntries(
    (scope ?? []).map((id) => {
      const hash = earlyHash(made.plan, job.plantDocument, id);
      if (hash === null) throw invalid([{ path: 'scope', says: `names ${id}, which this plan does not have` }]);
      return [id, hash];
    }),
  );
  const nr = (releases.at(-1)?.nr ?? 0) + 1;
  const edits: Edit[] = [...changes, ...decided.map(([k, now]): Edit => ({ at: ['decisions', k], now }))];
  const { version } = await saveVersion(db, ctx, job, {
    spec,
    edits,
    what: scope ? 'job.partReleased' : 'job.released',
    detail: { nr, reason, ...(scope && { scope }) },
    state: scope ? (job.state === 'revising' ? 'revising' : 'part') : 'released',
    made,
  });
  const pdf = await ticketPdf({
    number: job.number,
    version,
    customer: job.customer,
    spec,
    plant: job.plantDocument,
    shelf: made.shelf,
    planned: made.planned,
    release: { nr, at: ctx.now(), by: by.fullName, reason, scope: scope ?? null },
  });
  const file = createHash('sha256').update(pdf).digest('hex');
  await db.query(ADD_FILE, [file, 'application/pdf', Buffer.from(pdf)]);
  const snapshot = { spec, plant: job.plant, shelf: made.shelf, plan: made.plan };
  const { at } = await one(db, ADD_RELEASE, [
    job.id,
    nr,
    version,
    JSON.stringify(snapshot),
    hashOf(made.plan),
    file,
    by.id,
    scope ?? null,
    JSON.stringify(frozen),
    reason,
  ]);
  await writeReleasedSteps(db, { job: job.id, nr, scope: scope ?? null, spec, plant: job.plantDocument, made: made.planned });
  if (!scope) await promisePaper(db, made.summary.needs, { job: job.id, by, reason: 'released again' });
  if (!scope) await planForms(db, job.id, made.planned, approvedVersion(spec.gates, made.shelf.gates) ?? FIRST_VERSION);
  return { nr, at, by: by.fullName, scope: scope ?? null, reason };
}

/** What stands in the way. A release of parts is not held by gates of the whole nor by what it revises itself; what blocks the plan as such holds it too. */
function refuseOpenFindings(findings: readonly Finding[], spec: JobSpec, scope: readonly string[] | undefined): void {
  const held = (f: Finding): boolean => f.level === 'release' && !(scope && (f.code === 'frozen.changed' || f.code.startsWith('gate.')));
  const blocking = findings.filter(held);
  if (blocking.length > 0)
    throw new Refused(422, 'blocked', 'Findings block the release.', {
      fields: blocking.map((f) => ({ path: f.at, says: findingTitle(f.code, f.args) })),
    });
  if (scope) return; // what is undecided is decided with the whole
  const undecided = findings.filter((f) => isUndecided(f, spec.decisions));
  if (undecided.length > 0)
    throw new Refused(422, 'undecided', 'Somebody must decide these with a reason.', {
      fields: undecided.map((f) => ({ path: findingKey(f), says: findingTitle(f.code, f.args) })),
    });
}
