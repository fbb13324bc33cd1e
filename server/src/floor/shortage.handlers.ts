import type { floor } from '@druckerei/contract';
import { itemOfRow, type JobSpec, type ShortageOption, shortageOptions } from '@druckerei/core';
import { type Ctx, signedIn } from '../context';
import { type Db, inTransaction } from '../db/pool';
import { maybeOne } from '../db/rows';
import { invalid, notFound, Refused } from '../errors';
import { notifyChanged } from '../events/event-hub';
import type { Handlers } from '../implement';
import { findJob, homeOf, type JobFound, lockJob } from '../jobs/find-job';
import { ADD_EVENT, ADD_JOB, ADD_SPEC, JOB_BY_ID } from '../jobs/jobs.queries';
import { palletLimitOf, planFor } from '../jobs/plan-for';
import { cutShelf } from '../plants/shelf';
import { SET_CHILD } from './floor.queries';
import { NEXT_NUMBER, SET_LIST_KEYS } from '../orders/orders.queries';

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
      return enterChild(db, ctx, job, body.id, { ...option, child: option.child });
    }),
};

async function optionsOf(db: Db, job: JobFound, item: string, now: number): Promise<ReturnType<typeof shortageOptions>> {
  const plant = job.plantDocument;
  const shelf = await cutShelf(db, { plant, spec: job.spec, now, palletLimit: palletLimitOf(job), job: homeOf(job) });
  const by = itemOfRow(job.spec, item)?.deliveries[0]?.by ?? '2000-01-01T00:00';
  return shortageOptions({ spec: job.spec, plant, shelf, number: job.number, item, by });
}

/** A job of its own, with counts of its own, for pieces of an order another job works for: it has no order line, and says whose child it is. */
async function enterChild(
  db: Db,
  ctx: Ctx,
  parent: JobFound,
  id: string,
  { child, way }: ShortageOption & { child: JobSpec },
): Promise<{ job: string; number: number }> {
  const by = signedIn(ctx);
  const spec: JobSpec = { ...child, name: `${child.name}, ${way === 'rerun' ? 'run again' : 'topped up'}`.slice(0, 120) };
  const made = await planFor(db, id, spec, parent.plantDocument, ctx.now(), parent);
  const number = (await maybeOne(db, NEXT_NUMBER))?.number;
  if (number === undefined) throw notFound('A number');
  await db.query(ADD_JOB, [id, number, spec.name, JSON.stringify(made.summary), made.picture, null, 0, '']);
  await db.query(SET_CHILD, [id, parent.id]);
  await db.query(SET_LIST_KEYS, [id]);
  await db.query(ADD_SPEC, [id, 1, JSON.stringify(spec), parent.plant, '[]', by.id, id]);
  await db.query(ADD_EVENT, [by.id, 'job.entered', id, JSON.stringify({ number, childOf: parent.number, way })]);
  await db.query(ADD_EVENT, [by.id, 'job.child', parent.id, JSON.stringify({ number, way })]);
  for (const job of [id, parent.id]) await notifyChanged(db, { table: 'jobs', id: job, version: 1, by: by.name });
  return { job: id, number };
}
