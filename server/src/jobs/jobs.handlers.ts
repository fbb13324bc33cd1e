import type { jobs } from '@druckerei/contract';
import {
  applyEdits,
  casePieceRows,
  cutRows,
  cylinderRows,
  figureRows,
  gangCopyRows,
  hopperRows,
  mergeEdits,
  pageRows,
  planRows,
} from '@druckerei/core';
import { readingRows } from '@druckerei/core/planning';
import { oneAtATime } from '../db/one-at-a-time';
import { type Db, inTransaction } from '../db/pool';
import { many, maybeOne } from '../db/rows';
import { together } from '../db/together';
import { invalid, notFound, Refused } from '../errors';
import { csvFile, jsonFile } from '../files/csv-file';
import type { Handlers } from '../implement';
import { plantInForce } from '../plants/read-plant';
import { ticketPdf } from '../ticket/ticket-pdf';
import { alternativesHandlers } from './alternatives.handlers';
import { toolJobHandlers } from './tool-job.handlers';
import { differencesHandlers } from './differences.handlers';
import { findJob, homeOf, type JobFound, lock, lockJob, planOf, requireOpen, requireVersion, saveVersion, shelfOf } from './find-job';
import { gatesHandlers } from './gates.handlers';
import { EDITS_SINCE, GATE_ANSWERS, JOB_ORDERS, PICTURE, RELEASES, SAVED_BEFORE, TICKET_FILE } from './jobs.queries';
import { releaseHandlers } from './release.handlers';

/** Pages of all forms of a job, with the caliper that its store measured. */
async function pagesOf(db: Db, job: JobFound, now: number): Promise<ReturnType<typeof pageRows>> {
  const { plan, shelf } = await planOf(db, job, now);
  return pageRows(plan, job.plantDocument, shelf);
}

export const jobsHandlers: Handlers<typeof jobs> = {
  ...alternativesHandlers,
  ...toolJobHandlers,
  ...differencesHandlers,
  ...gatesHandlers,
  ...releaseHandlers,

  'jobs.read': async ({ params }, ctx) => {
    const job = await findJob(ctx.db, params.id);
    const home = homeOf(job);
    const reads = together(ctx.db);
    const [shelf, orders, answers, releases] = await Promise.all([
      shelfOf(reads, job, ctx.now()),
      many(reads, JOB_ORDERS, [home]),
      many(reads, GATE_ANSWERS, [home]),
      many(reads, RELEASES, [job.id]),
    ]);
    return {
      id: job.id,
      number: job.number,
      customer: job.customer,
      alternativeOf: job.alternativeOf,
      altName: job.altName,
      orders,
      answers,
      state: job.state,
      version: job.version,
      spec: job.spec,
      plant: job.plant,
      shelf,
      releases,
    };
  },

  'jobs.edit': ({ params, body }, ctx) =>
    oneAtATime(`job ${params.id}`, () =>
      inTransaction(ctx.db, async (db) => {
        await lock(db, params.id);
        const reads = together(db);
        const [job, before, since] = await Promise.all([
          findJob(reads, params.id),
          maybeOne(reads, SAVED_BEFORE, [params.id, body.key]),
          many(reads, EDITS_SINCE, [params.id, body.version, body.key]),
        ]);
        // The answer of before was lost on its way: told again, with what others saved meanwhile.
        if (before) return { version: job.version, summary: job.summary, shelf: await shelfOf(db, job, ctx.now()), othersEdits: since };
        requireOpen(job);
        const { merged, both } = mergeEdits(
          body.edits,
          since.flatMap((s) => s.edits),
        );
        if (both.length > 0)
          throw new Refused(409, 'stale', 'Somebody changed the same place meanwhile.', {
            stale: { version: job.version, by: since.at(-1)?.by ?? '', edits: both.map((b) => b.theirs) },
          });
        const applied = applyEdits(job.spec, merged);
        if (!applied.ok) throw invalid(applied.issues);
        const { version, summary, shelf } = await saveVersion(db, ctx, job, {
          spec: applied.made,
          edits: body.edits,
          what: 'job.edited',
          key: body.key,
        });
        return { version, summary, shelf, othersEdits: since };
      }),
    ),

  'jobs.replant': ({ params, body }, ctx) =>
    inTransaction(ctx.db, async (db) => {
      const job = await lockJob(db, params.id);
      const plant = await plantInForce(db);
      requireOpen(job);
      if (job.plant === plant.hash) return { version: job.version, summary: job.summary, plant: plant.hash }; // clicked twice
      requireVersion(job, body.version);
      const { version, summary } = await saveVersion(db, ctx, job, {
        spec: job.spec,
        edits: [],
        what: 'job.replanted',
        detail: { before: job.plant, plant: plant.hash },
        plant,
      });
      return { version, summary, plant: plant.hash };
    }),

  'jobs.picture': async ({ params, query }, ctx) => {
    const row = await maybeOne(ctx.db, PICTURE, [params.id]);
    if (!row) throw notFound('This job');
    return {
      mime: 'image/svg+xml',
      name: 'picture.svg',
      bytes: Buffer.from(row.picture),
      forEver: row.version === query.version,
    };
  },

  'jobs.planCsv': async ({ params }, ctx) => {
    const job = await findJob(ctx.db, params.id);
    return csvFile(`plan-${job.number}.csv`, planRows((await planOf(ctx.db, job, ctx.now())).plan));
  },
  'jobs.gangCsv': async ({ params }, ctx) => {
    const job = await findJob(ctx.db, params.id);
    return csvFile(`gang-${job.number}.csv`, gangCopyRows((await planOf(ctx.db, job, ctx.now())).plan, job.spec));
  },
  'jobs.pagesCsv': async ({ params }, ctx) => {
    const job = await findJob(ctx.db, params.id);
    return csvFile(`pages-${job.number}.csv`, await pagesOf(ctx.db, job, ctx.now()));
  },
  'jobs.pagesJson': async ({ params }, ctx) => {
    const job = await findJob(ctx.db, params.id);
    return jsonFile(`pages-${job.number}.json`, await pagesOf(ctx.db, job, ctx.now()));
  },
  'jobs.hoppersCsv': async ({ params }, ctx) => {
    const job = await findJob(ctx.db, params.id);
    return csvFile(`hoppers-${job.number}.csv`, hopperRows((await planOf(ctx.db, job, ctx.now())).plan, job.plantDocument));
  },
  'jobs.cutsCsv': async ({ params }, ctx) => {
    const job = await findJob(ctx.db, params.id);
    return csvFile(`cuts-${job.number}.csv`, cutRows((await planOf(ctx.db, job, ctx.now())).plan, job.plantDocument));
  },
  'jobs.casePiecesCsv': async ({ params }, ctx) => {
    const job = await findJob(ctx.db, params.id);
    return csvFile(`case-pieces-${job.number}.csv`, casePieceRows((await planOf(ctx.db, job, ctx.now())).plan, job.plantDocument));
  },
  'jobs.cylindersCsv': async ({ params }, ctx) => {
    const job = await findJob(ctx.db, params.id);
    return csvFile(`cylinders-${job.number}.csv`, cylinderRows((await planOf(ctx.db, job, ctx.now())).plan));
  },
  'jobs.readingsCsv': async ({ params }, ctx) => {
    const job = await findJob(ctx.db, params.id);
    const { planned, shelf } = await planOf(ctx.db, job, ctx.now());
    return csvFile(`readings-${job.number}.csv`, readingRows(planned, shelf));
  },
  'jobs.figuresCsv': async ({ params }, ctx) => {
    const job = await findJob(ctx.db, params.id);
    return csvFile(`figures-${job.number}.csv`, figureRows((await planOf(ctx.db, job, ctx.now())).plan));
  },
  'jobs.planJson': async ({ params }, ctx) => {
    const job = await findJob(ctx.db, params.id);
    return jsonFile(`plan-${job.number}.json`, (await planOf(ctx.db, job, ctx.now())).plan);
  },
  'jobs.specJson': async ({ params }, ctx) => {
    const job = await findJob(ctx.db, params.id);
    return jsonFile(`job-${job.number}.json`, job.spec);
  },

  'jobs.ticket': async ({ params }, ctx) => {
    const job = await findJob(ctx.db, params.id);
    const name = `ticket-${job.number}.pdf`;
    const file = await maybeOne(ctx.db, TICKET_FILE, [job.id]);
    if (file && job.state !== 'revising') return { mime: file.mime, name, bytes: file.bytes };
    const { shelf, planned } = await planOf(ctx.db, job, ctx.now());
    return {
      mime: 'application/pdf',
      name,
      bytes: await ticketPdf({
        number: job.number,
        version: job.version,
        customer: job.customer,
        spec: job.spec,
        plant: job.plantDocument,
        shelf,
        planned,
        release: null,
      }),
    };
  },
};
