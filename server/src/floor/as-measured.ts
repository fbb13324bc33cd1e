import { JobSpecSchema, ShelfSchema } from '@druckerei/core';
import { floorSteps, planned } from '@druckerei/core/planning';
import type { Db } from '../db/pool';
import { one, stored } from '../db/rows';
import { readPlant } from '../plants/read-plant';
import { SET_AS_MEASURED, SNAPSHOT_OF } from './floor.queries';
import { floorOfJob, readingsOf } from './steps-now';

/**
 * What follows from readings for the steps of a release that are measured: what is allowed at them, and their setup sheets (copper by the base that was measured).
 * The release stays as it is; floor and terminals read what stands here before it.
 */
export async function writeAsMeasured(db: Db, job: string): Promise<void> {
  const floor = await floorOfJob(db, job);
  const measured = readingsOf(floor, job);
  const steps = floor.steps.filter((s) => s.facts.measures !== undefined);
  for (const nr of new Set(steps.map((s) => s.release))) {
    const snapshot = await one(db, SNAPSHOT_OF, [job, nr]);
    const what = `release ${nr} of job ${job}`;
    const spec = stored(JobSpecSchema, snapshot.spec, what);
    const plant = await readPlant(db, snapshot.plant);
    const made = planned(spec, plant, { ...stored(ShelfSchema, snapshot.shelf, what), measured });
    const mine = new Set(steps.filter((s) => s.release === nr).map((s) => s.facts.step));
    const rows = floorSteps(
      made,
      plant,
      Object.values(spec.items).some((i) => i.balanced),
    ).flatMap(({ step, sheet }) => (step.measures && mine.has(step.step) ? [{ step: step.step, measures: step.measures, sheet }] : []));
    await db.query(SET_AS_MEASURED, [job, nr, JSON.stringify(rows)]);
  }
}
