import type { Differences, Happened, jobs } from '@druckerei/contract';
import { editsBetween, editSays, type JobSpec, JobSpecSchema, type Plan, type Plant } from '@druckerei/core';
import { movedBetween, sameAgain } from '@druckerei/core/planning';
import type { Db } from '../db/pool';
import { many, maybeOne, stored } from '../db/rows';
import { notFound } from '../errors';
import type { Handlers } from '../implement';
import { plantInForce } from '../plants/read-plant';
import { cutShelf } from '../plants/shelf';
import { findJob, type JobFound, planOf } from './find-job';
import { JOB_EVENTS, SNAPSHOT, VERSIONS } from './jobs.queries';
import { palletLimitOf } from './plan-for';

type Mine = 'jobs.differences' | 'jobs.history' | 'jobs.again';
/** One side of a comparison. */
interface Side {
  spec: JobSpec;
  plan: Plan;
}

export const differencesHandlers: Pick<Handlers<typeof jobs>, Mine> = {
  'jobs.differences': async ({ params, query }, ctx) => {
    const job = await findJob(ctx.db, params.id);
    const now = async (of: JobFound): Promise<Side> => ({ spec: of.spec, plan: (await planOf(ctx.db, of, ctx.now())).plan });
    const before = query.since === undefined ? await now(job) : await released(ctx.db, job.id, query.since);
    const after =
      query.with !== undefined
        ? await now(await findJob(ctx.db, query.with))
        : query.release !== undefined
          ? await released(ctx.db, job.id, query.release)
          : await now(job);
    return differences(before, after, job.plantDocument);
  },

  'jobs.history': async ({ params }, ctx) => {
    const job = await findJob(ctx.db, params.id);
    const versions = await many(ctx.db, VERSIONS, [job.id]);
    const events = await many(ctx.db, JOB_EVENTS, [job.id]);
    return events.map(({ what, detail, by, at }): Happened => {
      const version = typeof detail['version'] === 'number' ? detail['version'] : null;
      const edits = what === 'gate.yes' || what === 'gate.no' ? [] : (versions.find((v) => v.version === version)?.edits ?? []);
      return {
        at,
        by,
        what,
        version,
        edits: edits.map((e) => editSays(e, job.spec, job.plantDocument)),
        note: ['reason', 'note', 'name', 'other', 'gate']
          .flatMap((k) => (k in detail && detail[k] !== '' ? [String(detail[k])] : []))
          .join(', '),
      };
    });
  },

  'jobs.again': async ({ params, query }, ctx) => {
    const job = await findJob(ctx.db, params.id);
    const { plant } = await plantInForce(ctx.db);
    const shelf = await cutShelf(ctx.db, { plant, spec: job.spec, now: ctx.now(), palletLimit: palletLimitOf(job), job: null });
    const again = sameAgain(
      { spec: job.spec, plant: job.plantDocument, number: job.number },
      { plant, shelf, times: query.times, by: query.by },
    );
    return { number: job.number, customer: job.customerId, ...again };
  },
};

/** A release as it was: nothing is planned again. */
async function released(db: Db, job: string, nr: number): Promise<Side> {
  const row = await maybeOne(db, SNAPSHOT, [job, nr]);
  if (!row) throw notFound('This release');
  return { spec: stored(JobSpecSchema, row.snapshot.spec, `release ${nr} of job ${job}`), plan: row.snapshot.plan };
}

function differences(before: Side, after: Side, plant: Plant): Differences {
  return {
    ...movedBetween(before.plan, after.plan),
    assumes: { before: before.plan.assumptions, after: after.plan.assumptions },
    edits: editsBetween(before.spec, after.spec).map((e) => editSays(e, after.spec, plant)),
  };
}
