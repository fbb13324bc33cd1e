import { JobSpecSchema, LAYOUT_ITERATIONS } from '@druckerei/core';
import * as z from 'zod';
import { notFound } from '../errors';
import { findJob, homeOf } from '../jobs/find-job';
import { SPEC_OF } from '../jobs/jobs.queries';
import { palletLimitOf } from '../jobs/plan-for';
import { readPlant } from '../plants/read-plant';
import { cutShelf } from '../plants/shelf';
import type { TaskWork } from './task-work';
import { maybeOne, stored } from '../db/rows';

const Ask = z.object({ job: z.uuid(), version: z.number().int(), part: z.string() });

/** Looks for the layout with the most copies of a part, for the version of the job it was asked for. */
export const searchForLayout: TaskWork = async (asked, { db, threads, now, signal, tell }) => {
  const { job: id, version, part } = Ask.parse(asked);
  const job = await findJob(db, id);
  const row = await maybeOne(db, SPEC_OF, [id, version]);
  if (!row) throw notFound('This version of the job');
  const spec = stored(JobSpecSchema, row.spec, `version ${version} of job ${id}`);
  const plant = await readPlant(db, row.plant);
  const shelf = await cutShelf(db, { plant, spec, now: now(), palletLimit: palletLimitOf(job), job: homeOf(job) });
  const { found } = await threads.run(
    { kind: 'layout', spec, plant, shelf, part, iterations: LAYOUT_ITERATIONS },
    (said) => {
      if (said.kind === 'progress') tell(said.done, said.of, { best: said.best, bound: said.bound });
    },
    signal,
  );
  if (!found) throw new Error('This part has no sheet to be laid on.');
  return found;
};
