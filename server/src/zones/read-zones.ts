import { type CoverageProfile, type PressWork, zoneCoverage } from '@druckerei/core';
import { z } from 'zod';
import { notFound } from '../errors';
import { notifyChanged } from '../events/event-hub';
import type { TaskWork } from '../tasks/task-work';
import { passOf } from './zones.handlers';
import { ADD_SEPARATION, ADD_ZONE_SET, DROP_PARTS, PART, PARTS_OF, SEPARATION } from './zones.queries';

const Ask = z.object({ job: z.uuid(), step: z.string(), ink: z.string(), file: z.string(), name: z.string(), inkIsDark: z.boolean() });
/** A separation's sides may be off those of what it lies on by so much: bleed, and pixels that do not divide. */
const ASPECT_OFF = 0.03;

/** Reads a separation in a thread, and lays it on every copy of the pass. */
export const readZones: TaskWork = async (asked, { db, threads, now, id, by, signal, tell }) => {
  const { job, step, ink, file, name, inkIsDark } = Ask.parse(asked);
  const work = await passOf({ now }, db, job, step);
  const from = performance.now();
  let read = (await db.query<{ width: number; height: number; profile: CoverageProfile }>(SEPARATION, [file])).rows[0];
  if (!read) {
    const parts = (await db.query<{ nr: number }>(PARTS_OF, [file])).rows;
    if (parts.length === 0) throw notFound('This file');
    const pieces: Buffer[] = [];
    for (const { nr } of parts) {
      signal.throwIfAborted();
      pieces.push((await db.query<{ bytes: Buffer }>(PART, [file, nr])).rows[0]?.bytes ?? Buffer.alloc(0));
    }
    const bytes = Buffer.concat(pieces);
    const found = await threads.run(
      { kind: 'zones', bytes, inkIsDark },
      (said) => {
        if (said.kind === 'progress') tell(said.done, said.of);
      },
      signal,
    );
    ({ read } = found);
    await db.query(ADD_SEPARATION, [file, name, read.width, read.height, JSON.stringify(read.profile)]);
    await db.query(DROP_PARTS, [file]);
  }
  const { profile, width, height } = read;
  const { percent } = zoneCoverage(
    placesFor(work, width, height).map((at) => ({ at, profile })),
    work,
  );
  await db.query(ADD_ZONE_SET, [id, job, step, ink, file, percent, by]);
  await notifyChanged(db, { table: 'zones', id: job, version: 0, by: '' });
  return { ink, width, height, mean: profile.mean, seconds: (performance.now() - from) / 1000 };
};

/** A separation of one copy lies on every copy; one of the whole sheet once. Told apart by its sides; one that is neither is refused by its size. */
function placesFor(work: PressWork, width: number, height: number): PressWork['copies'] {
  const off = (w: number, h: number): number => Math.abs(width / height / (w / h) - 1);
  const first = work.copies[0];
  if (!first) throw new Error('This pass has no copies on its sheet.');
  const turned = first.turn === 90 || first.turn === 270;
  const [w, h] = turned ? [first.h, first.w] : [first.w, first.h];
  const [ofCopy, ofSheet] = [off(w, h), off(work.sheetMm[0], work.sheetMm[1])];
  if (Math.min(ofCopy, ofSheet) > ASPECT_OFF)
    throw new Error(
      `The separation has ${width} × ${height} pixels; its sides fit neither a copy of ${w} × ${h} mm nor the sheet of ${work.sheetMm.join(' × ')} mm.`,
    );
  return ofCopy <= ofSheet ? work.copies : [{ x: 0, y: 0, w: work.sheetMm[0], h: work.sheetMm[1], turn: 0 }];
}
