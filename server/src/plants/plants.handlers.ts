import type { MovedJob, plants } from '@druckerei/contract';
import { hashOf, type JobSpec, JobSpecSchema, type Plant } from '@druckerei/core';
import { movedBetween, plan } from '@druckerei/core/planning';
import { signedIn } from '../context';
import { type Db, inTransaction } from '../db/pool';
import { many, maybeOne, stored } from '../db/rows';
import { Refused } from '../errors';
import { notifyChanged } from '../events/event-hub';
import type { Handlers } from '../implement';
import { ADD_EVENT } from '../jobs/jobs.queries';
import { plantInForce, readPlant } from './read-plant';
import { cutShelf } from './shelf';
import { ADD_PLANT, ADD_PLANT_CHANGE, COUNT_DRAFTS, DRAFTS, PLANT_CHANGES, PLANT_LOCKED, SET_PLANT } from './plants.queries';

/** Jobs planned in one call: some tenths of a second, so that progress shows and a person may stop. */
const JOBS_A_CALL = 20;

export const plantsHandlers: Handlers<typeof plants> = {
  'plants.current': async (_asked, ctx) => {
    const { hash, plant } = await plantInForce(ctx.db);
    return { hash, shelf: await cutShelf(ctx.db, { plant, spec: null, now: ctx.now(), palletLimit: undefined, job: null }) };
  },
  'plants.history': async (_asked, ctx) => await many(ctx.db, PLANT_CHANGES),
  'plants.read': ({ params }, ctx) => readPlant(ctx.db, params.hash),

  'plants.try': async ({ body }, ctx) => {
    const drafts = await many(ctx.db, DRAFTS, [body.after, JOBS_A_CALL]);
    const jobs: MovedJob[] = [];
    for (const draft of drafts) {
      const now = await readPlant(ctx.db, draft.plant);
      const spec = stored(JobSpecSchema, draft.spec, `the specification of job ${draft.id}`);
      const moved = await movedBy(ctx.db, draft.id, spec, now, body.plant, ctx.now());
      if (moved.totals.length + moved.come.length + moved.gone.length > 0)
        jobs.push({ job: draft.id, number: draft.number, title: draft.title, version: draft.version, ...moved });
    }
    const of = (await maybeOne(ctx.db, COUNT_DRAFTS))?.n ?? 0;
    return { jobs, planned: drafts.length, of, next: drafts.length < JOBS_A_CALL ? null : (drafts.at(-1)?.number ?? null) };
  },

  'plants.accept': ({ body }, ctx) =>
    inTransaction(ctx.db, async (db) => {
      const by = signedIn(ctx);
      const inForce = (await maybeOne(db, PLANT_LOCKED))?.hash ?? '';
      const hash = hashOf(body.plant);
      if (inForce === hash) return { hash }; // clicked twice
      if (inForce !== body.before)
        throw new Refused(409, 'stale', 'Somebody changed the settings meanwhile: look at theirs, then make your change on them.');
      await db.query(ADD_PLANT, [hash, JSON.stringify(body.plant)]);
      await db.query(SET_PLANT, [hash]);
      await db.query(ADD_PLANT_CHANGE, [hash, inForce, body.reason, by.id]);
      await db.query(ADD_EVENT, [by.id, 'plant.changed', null, JSON.stringify({ before: inForce, plant: hash, reason: body.reason })]);
      await notifyChanged(db, { table: 'plants', id: hash, version: 1, by: by.name });
      return { hash };
    }),
};

/** What another plant would do to a job: both planned on the shelf of now, so that only the settings differ. */
async function movedBy(
  db: Db,
  job: string,
  spec: JobSpec,
  before: Plant,
  after: Plant,
  now: number,
): Promise<ReturnType<typeof movedBetween>> {
  const shelfFor = (plant: Plant) => cutShelf(db, { plant, spec, now, palletLimit: undefined, job });
  return movedBetween(plan(spec, before, await shelfFor(before)), plan(spec, after, await shelfFor(after)));
}
