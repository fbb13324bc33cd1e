import { createHash } from 'node:crypto';
import type { ZonesDone } from '@druckerei/contract';
import { heaviestSpot, zoneCoverage } from '@druckerei/core';
import type { PressWork } from '@druckerei/core/planning';
import * as z from 'zod';
import { inTransaction } from '../db/pool';
import { Refused } from '../errors';
import { notifyChanged } from '../events/event-hub';
import { readUpload } from '../files/uploads';
import type { TaskCtx, TaskWork } from '../tasks/task-work';
import type { SeparationRead } from './separation';
import type { PlatesRead } from './plates';
import { placesFor, uprightCopy } from './places';
import { passOf, rastersOf } from './zones.handlers';
import { ADD_SEPARATION, ADD_ZONE_SET } from './zones.queries';

const Ask = z.object({
  job: z.uuid(),
  step: z.string(),
  ink: z.string().nullable(),
  file: z.string(),
  name: z.string(),
  page: z.number(),
  inkIsDark: z.boolean(),
});
type Ask = z.infer<typeof Ask>;

/** Reads a separation, or a PDF page for every ink in a process of its own, and lays it on every copy of the pass. */
export const readZones: TaskWork = async (asked, cx) => {
  const ask = Ask.parse(asked);
  const { db, now, id, by } = cx;
  const work = await passOf({ now }, db, ask.job, ask.step);
  const ofPass = work.passes.find((p) => p.step === ask.step)?.inks ?? [];
  const inks = ask.ink === null ? ofPass : [ask.ink];
  const from = performance.now();
  const { plates, absent, leftAside } = await platesOf(ask, inks, cx);
  const laid = Object.entries(plates).map(([ink, plate]) => ({ ink, plate, percent: percentOf(plate, work) }));
  await inTransaction(db, async (tx) => {
    const others = ofPass.filter((i) => !(i in plates));
    const total = heaviestSpot([...(await rastersOf(tx, ask.job, ask.step, others)), ...laid.map(({ plate }) => plate.raster)]);
    for (const { ink, plate, percent } of laid) {
      const { width, height, profile, raster } = plate;
      const key = keyOf(ask, ink);
      await tx.query(ADD_SEPARATION, [key, ask.name, width, height, JSON.stringify(profile), raster.across, Buffer.from(raster.values)]);
      await tx.query(ADD_ZONE_SET, [idOf(id, ink), ask.job, ask.step, ink, key, percent, by, total?.percent ?? null]);
    }
    await notifyChanged(tx, { table: 'zones', id: ask.job, version: 0, by: '' });
  });
  return {
    read: laid.map(({ ink, plate: { width, height, profile } }) => ({ ink, width, height, mean: profile.mean })),
    absent,
    leftAside,
    seconds: (performance.now() - from) / 1000,
  } satisfies ZonesDone;
};

/** What a separation is known by: the same file may be read for another ink, from another page, or the other way round. */
const keyOf = ({ file, page, inkIsDark }: Ask, ink: string): string => `${file} ${page} ${inkIsDark ? 'dark' : 'light'} ${ink}`;
/** A name for what a task laid for one ink: the same when the task is run again. */
const idOf = (task: string, ink: string): string =>
  createHash('sha256')
    .update(`${task} ${ink}`)
    .digest('hex')
    .slice(0, 32)
    .replace(/^(.{8})(.{4})(.{4})(.{4})/, '$1-$2-$3-$4-');

async function platesOf(ask: Ask, inks: string[], { db, reader, signal, tell }: TaskCtx): Promise<PlatesRead> {
  const plates = { bytes: await readUpload(db, ask.file, signal), inkIsDark: ask.inkIsDark, page: ask.page, inks };
  return reader.run(plates, tell, signal);
}

/** Coverage of each zone with the separation where it lies; one that fits neither copy nor sheet is refused by its size. */
function percentOf({ width, height, profile }: SeparationRead, work: PressWork): number[] {
  const places = placesFor(work, width, height);
  if (!places) {
    const copy = uprightCopy(work.copies);
    const sides = `${copy ? `neither a copy of ${copy.join(' × ')} mm nor` : 'not'} the sheet of ${work.sheetMm.join(' × ')} mm`;
    throw new Refused(422, 'size', `The separation has ${width} × ${height} pixels; its sides fit ${sides}.`);
  }
  return zoneCoverage(
    places.map((at) => ({ at, profile })),
    work,
  ).percent;
}
