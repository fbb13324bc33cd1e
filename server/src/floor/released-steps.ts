import { type JobSpec, JobSpecSchema, type Plant, ShelfSchema } from '@druckerei/core';
import { floorSteps, type FloorStep, type Planned, planned } from '@druckerei/core/planning';
import type { Pool } from 'pg';
import type { Logger } from 'pino';
import type { Db } from '../db/pool';
import { many } from '../db/rows';
import { readPlant } from '../plants/read-plant';
import { ADD_RELEASED_STEP, RELEASES_WITHOUT_STEPS } from './floor.queries';

/** Whether a step is set free by a release of parts: it makes one of the forms named, or pulls one of the stocks. */
function isInScope(step: FloorStep, of: Planned, scope: readonly string[]): boolean {
  const takes = of.plan.steps[step.step]?.takes.some((t) => scope.includes(t.flow)) ?? false;
  return (
    takes || Object.keys(of.plan.tools).some((tool) => scope.includes(tool) && (tool === step.step || tool.startsWith(`${step.step}.`)))
  );
}

/** Writes down the steps of a release for floor, board and log: they read these and never plan again. */
export async function writeReleasedSteps(
  db: Db,
  {
    job,
    nr,
    scope,
    spec,
    plant,
    made,
  }: { job: string; nr: number; scope: readonly string[] | null; spec: JobSpec; plant: Plant; made: Planned },
): Promise<void> {
  const balanced = Object.values(spec.items).some((i) => i.balanced);
  for (const { step, sheet } of floorSteps(made, { timeZone: plant.timeZone, currency: plant.currency }, balanced))
    if (scope === null || isInScope(step, made, scope))
      await db.query(ADD_RELEASED_STEP, [job, nr, step.step, step.machine, JSON.stringify(step), JSON.stringify(sheet)]);
}

const AT_ONCE = 20;
/** Steps of releases made before there was a floor, from their snapshots. */
export async function writeOlderReleases(db: Pool, log: Logger): Promise<void> {
  for (;;) {
    const rows = await many(db, RELEASES_WITHOUT_STEPS, [AT_ONCE]);
    let written = 0;
    for (const { job, nr, scope, ...snapshot } of rows) {
      const [spec, shelf] = [JobSpecSchema.safeParse(snapshot.spec), ShelfSchema.safeParse(snapshot.shelf)];
      if (!spec.success || !shelf.success) {
        log.warn({ job, nr }, 'a release of an older program cannot be read for the floor');
        continue;
      }
      const plant = await readPlant(db, snapshot.plant);
      await writeReleasedSteps(db, { job, nr, scope, spec: spec.data, plant, made: planned(spec.data, plant, shelf.data) });
      written++;
    }
    // A release whose steps were not written would come again and again.
    if (rows.length < AT_ONCE || written === 0) return;
  }
}
