import { CORE_VERSION, JobSpecSchema } from '@druckerei/core';
import type { Pool } from 'pg';
import type { Logger } from 'pino';
import { readPlant } from '../plants/read-plant';
import { OUTDATED, SET_SUMMARY } from './jobs.queries';
import { planFor } from './plan-for';
import { many } from '../db/rows';

const JOBS_A_TURN = 20;
const BREATH_MS = 50;

/**
 * Plans anew, in the background, what lists and the store show of open jobs that an older program planned. Drafts only: what is released stays as it was
 * released. The specification and its version stay; only the summary is new.
 */
export async function refreshSummaries(db: Pool, log: Logger, now: () => number): Promise<number> {
  let done = 0;
  for (let after = 0; ;) {
    const jobs = await many(db, OUTDATED, [CORE_VERSION, after, JOBS_A_TURN]);
    for (const job of jobs) {
      const spec = JobSpecSchema.safeParse(job.spec);
      if (!spec.success) {
        log.warn({ job: job.id }, 'a specification of an older program cannot be read');
        continue;
      }
      const { summary } = await planFor(db, job.id, spec.data, await readPlant(db, job.plant), now(), job);
      await db.query(SET_SUMMARY, [job.id, JSON.stringify(summary)]);
      done++;
    }
    const last = jobs.at(-1);
    if (!last || jobs.length < JOBS_A_TURN) return done;
    after = last.number;
    await new Promise((resolve) => setTimeout(resolve, BREATH_MS));
  }
}
