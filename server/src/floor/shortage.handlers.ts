import type { floor } from '@druckerei/contract';
import { type ChildWay, itemOfRow } from '@druckerei/core';
import { shortageOptions } from '@druckerei/core/planning';
import { type Db, inTransaction } from '../db/pool';
import { maybeOne } from '../db/rows';
import { invalid, Refused } from '../errors';
import type { Handlers } from '../implement';
import { enterChild } from '../jobs/child-job';
import { findJob, homeOf, type JobFound, lockJob } from '../jobs/find-job';
import { JOB_BY_ID } from '../jobs/jobs.queries';
import { palletLimitOf } from '../jobs/plan-for';
import { cutShelf } from '../plants/shelf';

export const shortageHandlers: Pick<Handlers<typeof floor>, 'floor.shortage' | 'floor.child'> = {
  'floor.shortage': async ({ params, query }, ctx) => {
    const job = await findJob(ctx.db, params.id);
    if (!Object.hasOwn(job.spec.items, query.item)) throw invalid([{ path: 'item', says: 'is not in this job' }]);
    const found = await optionsOf(ctx.db, job, query.item, ctx.now());
    if (!found) return { short: 0, options: [] };
    return {
      short: found.short,
      options: found.options.map(({ way, not, money, pulled, machineS, readyAt, keptForms }) => ({
        way,
        not,
        money,
        pulled,
        machineS,
        readyAt,
        keptForms,
      })),
    };
  },

  'floor.child': ({ params, body }, ctx) =>
    inTransaction(ctx.db, async (db) => {
      const there = await maybeOne(db, JOB_BY_ID, [body.id]);
      if (there) return { job: there.id, number: there.number }; // clicked twice
      const job = await lockJob(db, params.id);
      if (job.alternativeOf !== null) throw new Refused(422, 'alternative', 'This is an alternative: choose it first.');
      const option = (await optionsOf(db, job, body.item, ctx.now()))?.options.find((o) => o.way === body.way);
      if (!option?.child) throw new Refused(409, 'not-short', 'Nothing is short any more, or it cannot be made this way: look again.');
      const { child, way } = option;
      const name = `${child.name}, ${CALLED[body.way]}`.slice(0, 120);
      return enterChild(db, ctx, job, { id: body.id, spec: { ...child, name }, detail: { way }, tool: null });
    }),
};

/** What the job of a way is called after its parent. */
const CALLED: Readonly<Record<ChildWay, string>> = { rerun: 'run again', digital: 'topped up', nextGang: 'with the next' };

async function optionsOf(db: Db, job: JobFound, item: string, now: number): Promise<ReturnType<typeof shortageOptions>> {
  const plant = job.plantDocument;
  const shelf = await cutShelf(db, { plant, spec: job.spec, now, palletLimit: palletLimitOf(job), job: homeOf(job) });
  const by = itemOfRow(job.spec, item)?.deliveries[0]?.by ?? '2000-01-01T00:00';
  return shortageOptions({ spec: job.spec, plant, shelf, number: job.number, item, by });
}
