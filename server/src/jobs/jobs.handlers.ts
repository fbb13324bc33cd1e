import { createHash } from 'node:crypto';
import type { jobs } from '@druckerei/contract';
import {
  applyEdits,
  type Edit,
  findingKey,
  findingTitle,
  hashOf,
  type JobSpec,
  JobSpecSchema,
  mergeEdits,
  type Plant,
} from '@druckerei/core';
import { type Ctx, signedIn } from '../context';
import { type Db, inTransaction } from '../db/pool';
import { notFound, Refused } from '../errors';
import { notifyChanged } from '../events/event-hub';
import type { Handlers } from '../implement';
import { readPlant } from '../plants/plants.handlers';
import { cutShelf, plantInForce } from '../plants/shelf';
import { ticketPdf } from '../ticket/ticket-pdf';
import {
  ADD_EVENT,
  ADD_FILE,
  ADD_RELEASE,
  ADD_SPEC,
  EDITS_SINCE,
  JOB_BY_ID,
  JOB_LOCKED,
  PICTURE,
  RELEASES,
  SAVED_BEFORE,
  SET_RELEASED,
  SET_VERSION,
  TICKET_FILE,
} from './jobs.queries';
import { planFor, writeLines } from './plan-for';

interface JobRow {
  id: string;
  number: number;
  state: 'draft' | 'released';
  version: number;
  summary: never;
  spec: JobSpec;
  plant: string;
  customer: string;
  customerAddress: string;
  palletKg: number | null;
  palletMm: number | null;
}

async function findJob(db: Db, id: string, statement: string): Promise<JobRow & { plantDocument: Plant }> {
  const row = (await db.query<JobRow>(statement, [id])).rows[0];
  if (!row) throw notFound('This job');
  return { ...row, spec: JobSpecSchema.parse(row.spec), plantDocument: await readPlant(db, row.plant) };
}

const invalid = (fields: { path: string; says: string }[]): Refused =>
  new Refused(400, 'invalid', 'Some fields need another look.', { fields });

export const jobsHandlers: Handlers<typeof jobs> = {
  'jobs.read': async ({ params }, ctx) => {
    const { plantDocument, ...job } = await findJob(ctx.db, params.id, JOB_BY_ID);
    const releases = (await ctx.db.query<{ nr: number; at: number; by: string }>(RELEASES, [job.id])).rows;
    const palletLimit = job.palletKg !== null && job.palletMm !== null ? { kg: job.palletKg, heightMm: job.palletMm } : undefined;
    return {
      id: job.id,
      number: job.number,
      customer: job.customer,
      state: job.state,
      version: job.version,
      spec: job.spec,
      plant: job.plant,
      shelf: await cutShelf(ctx.db, { plant: plantDocument, spec: job.spec, now: ctx.now(), palletLimit }),
      releases,
    };
  },

  'jobs.edit': async ({ params, body }, ctx) =>
    inTransaction(ctx.db, async (db) => {
      const by = signedIn(ctx);
      const job = await findJob(db, params.id, JOB_LOCKED);
      const before = (await db.query<{ version: number }>(SAVED_BEFORE, [job.id, body.key])).rows[0];
      if (before) return { version: job.version, summary: job.summary, othersEdits: [] };
      if (job.state === 'released') throw new Refused(409, 'released', 'This job is released; it changes only by a revision.');
      const since =
        body.version === job.version ? [] : (await db.query<{ edits: Edit[]; by: string }>(EDITS_SINCE, [job.id, body.version])).rows;
      const theirs = since.flatMap((s) => s.edits);
      const { merged, both } = mergeEdits(body.edits, theirs);
      if (both.length > 0)
        throw new Refused(409, 'stale', 'Somebody changed the same place meanwhile.', {
          stale: { version: job.version, by: since.at(-1)?.by ?? '', edits: both.map((b) => b.theirs) },
        });
      const applied = applyEdits(job.spec, merged);
      if (!applied.ok) throw invalid(applied.issues);
      const { summary, picture } = await planFor(db, applied.made, job.plantDocument, ctx.now(), job);
      const version = job.version + 1;
      await db.query(ADD_SPEC, [job.id, version, JSON.stringify(applied.made), job.plant, JSON.stringify(body.edits), by.id, body.key]);
      await db.query(SET_VERSION, [job.id, version, JSON.stringify(summary), applied.made.name, picture]);
      await writeLines(db, applied.made, job.plantDocument, params.id);
      await db.query(ADD_EVENT, [by.id, 'job.edited', job.id, JSON.stringify({ version, places: body.edits.map((e) => e.at.join('.')) })]);
      await notifyChanged(db, { table: 'jobs', id: job.id, version, by: by.name });
      return { version, summary, othersEdits: theirs };
    }),

  'jobs.replant': ({ params, body }, ctx) =>
    inTransaction(ctx.db, async (db) => {
      const by = signedIn(ctx);
      const job = await findJob(db, params.id, JOB_LOCKED);
      const { hash, plant } = await plantInForce(db);
      if (job.state === 'released') throw new Refused(409, 'released', 'This job is released; it changes only by a revision.');
      if (job.plant === hash) return { version: job.version, summary: job.summary, plant: hash }; // clicked twice
      if (job.version !== body.version)
        throw new Refused(409, 'stale', 'The job changed meanwhile: look at it again.', {
          stale: { version: job.version, by: '', edits: [] },
        });
      const { summary, picture } = await planFor(db, job.spec, plant, ctx.now(), job);
      const version = job.version + 1;
      await db.query(ADD_SPEC, [job.id, version, JSON.stringify(job.spec), hash, '[]', by.id, crypto.randomUUID()]);
      await db.query(SET_VERSION, [job.id, version, JSON.stringify(summary), job.spec.name, picture]);
      await writeLines(db, job.spec, plant, job.id);
      await db.query(ADD_EVENT, [by.id, 'job.replanted', job.id, JSON.stringify({ version, before: job.plant, plant: hash })]);
      await notifyChanged(db, { table: 'jobs', id: job.id, version, by: by.name });
      return { version, summary, plant: hash };
    }),

  'jobs.release': async ({ params, body }, ctx) =>
    inTransaction(ctx.db, async (db) => {
      const by = signedIn(ctx);
      const job = await findJob(db, params.id, JOB_LOCKED);
      const released = (await db.query<{ nr: number; at: number; by: string }>(RELEASES, [job.id])).rows.at(-1);
      if (released) return released; // clicked twice
      if (job.version !== body.version)
        throw new Refused(409, 'stale', 'The job changed meanwhile: look at it again, then release.', {
          stale: { version: job.version, by: '', edits: [] },
        });
      return releaseJob(db, ctx, job, body.decisions, by);
    }),

  'jobs.picture': async ({ params, query }, ctx) => {
    const row = (await ctx.db.query<{ version: number; picture: string }>(PICTURE, [params.id])).rows[0];
    if (!row) throw notFound('This job');
    return {
      mime: 'image/svg+xml',
      name: 'picture.svg',
      bytes: Buffer.from(row.picture),
      forEver: row.version === query.version,
    };
  },

  'jobs.ticket': async ({ params }, ctx) => {
    const job = await findJob(ctx.db, params.id, JOB_BY_ID);
    const name = `ticket-${job.number}.pdf`;
    const file = (await ctx.db.query<{ bytes: Buffer; mime: string }>(TICKET_FILE, [job.id])).rows[0];
    if (file) return { mime: file.mime, name, bytes: file.bytes };
    const made = await planFor(ctx.db, job.spec, job.plantDocument, ctx.now(), job);
    return {
      mime: 'application/pdf',
      name,
      bytes: await ticketPdf({
        number: job.number,
        version: job.version,
        customer: job.customer,
        spec: job.spec,
        plant: job.plantDocument,
        shelf: made.shelf,
        planned: made.planned,
        releasedAt: null,
        releasedBy: null,
      }),
    };
  },
};

/** One snapshot of everything, the ticket made from it, and the rows others join on. */
async function releaseJob(
  db: Db,
  ctx: Ctx,
  job: JobRow & { plantDocument: Plant },
  reasons: Record<string, string>,
  by: { id: string; name: string; fullName: string },
): Promise<{ nr: number; at: number; by: string }> {
  const decisions = {
    ...job.spec.decisions,
    ...Object.fromEntries(Object.entries(reasons).map(([key, reason]) => [key, { by: by.fullName, reason, at: ctx.now() }])),
  };
  const spec: JobSpec = { ...job.spec, decisions };
  const { plan, planned, shelf, summary } = await planFor(db, spec, job.plantDocument, ctx.now(), job);
  const blocking = plan.findings.filter((f) => f.level === 'release');
  if (blocking.length > 0)
    throw new Refused(422, 'blocked', 'Findings block the release.', {
      fields: blocking.map((f) => ({ path: f.at, says: findingTitle(f.code, f.args) })),
    });
  const undecided = plan.findings.filter((f) => f.level === 'decide' && !Object.hasOwn(decisions, findingKey(f)));
  if (undecided.length > 0)
    throw new Refused(422, 'undecided', 'Somebody must decide these with a reason.', {
      fields: undecided.map((f) => ({ path: findingKey(f), says: findingTitle(f.code, f.args) })),
    });
  const nr = 1;
  const version = job.version + 1;
  const pdf = await ticketPdf({
    number: job.number,
    version,
    customer: job.customer,
    spec,
    plant: job.plantDocument,
    shelf,
    planned,
    releasedAt: ctx.now(),
    releasedBy: by.fullName,
  });
  const file = createHash('sha256').update(pdf).digest('hex');
  await db.query(ADD_FILE, [file, 'application/pdf', Buffer.from(pdf)]);
  const edits: Edit[] = Object.entries(decisions)
    .filter(([k]) => Object.hasOwn(reasons, k))
    .map(([k, now]) => ({ at: ['decisions', k], now }));
  await db.query(ADD_SPEC, [job.id, version, JSON.stringify(spec), job.plant, JSON.stringify(edits), by.id, crypto.randomUUID()]);
  const snapshot = { spec, plant: job.plant, shelf, plan };
  const { rows } = await db.query<{ at: number }>(ADD_RELEASE, [job.id, nr, version, JSON.stringify(snapshot), hashOf(plan), file, by.id]);
  await db.query(SET_RELEASED, [job.id, version, JSON.stringify(summary)]);
  await db.query(ADD_EVENT, [by.id, 'job.released', job.id, JSON.stringify({ version, nr })]);
  await notifyChanged(db, { table: 'jobs', id: job.id, version, by: by.name });
  return { nr, at: rows[0]?.at ?? ctx.now(), by: by.fullName };
}
