import type { ZoneDesk, zones } from '@druckerei/contract';
import { ductOpening, FIRST_DUCT_CURVE, heaviestSpot, spotOn, refitDuct } from '@druckerei/core';
import { pressWork, type PressWork } from '@druckerei/core/planning';
import { type Ctx, signedIn } from '../context';
import { type Db, inTransaction } from '../db/pool';
import { many } from '../db/rows';
import { invalid, notFound } from '../errors';
import { notifyChanged } from '../events/event-hub';
import { csvFile } from '../files/csv-file';
import { isUploaded, keepUpload } from '../files/uploads';
import type { Handlers } from '../implement';
import { findJob, planOf } from '../jobs/find-job';
import { begin } from '../tasks/tasks.handlers';
import { placesFor } from './places';
import { ADD_DUCT_SETTING, DUCT_SETTINGS, RASTERS, ZONE_SETS } from './zones.queries';

export const zonesHandlers: Handlers<typeof zones> = {
  'zones.read': ({ params }, ctx) => zoneDesk(ctx, ctx.db, params.id, params.step),

  'zones.raster': async ({ params }, ctx) => {
    const work = await passOf(ctx, ctx.db, params.id, params.step);
    const raster = (await rastersOf(ctx.db, params.id, params.step, [params.ink]))[0];
    if (!raster) throw notFound('A separation of this ink');
    const { across, values, width, height } = raster;
    return { across, values: values.toString('base64'), places: placesFor(work, width, height) ?? [] };
  },
  'zones.send': async ({ file }, ctx) => ({ file: await keepUpload(ctx.db, file) }),
  'zones.begin': async ({ body }, ctx) => {
    const work = await passOf(ctx, ctx.db, body.job, body.step);
    const inks = work.passes.find((p) => p.step === body.step)?.inks ?? [];
    if (body.ink !== null && !inks.includes(body.ink)) throw invalid([{ path: 'ink', says: 'is none of this pass' }]);
    if (!(await isUploaded(ctx.db, body.file))) throw notFound('This file');
    const { id, ...ask } = body;
    await begin(ctx, id, 'zones', ask);
    return { id };
  },
  'zones.csv': async ({ params }, ctx) => {
    const desk = await zoneDesk(ctx, ctx.db, params.id, params.step);
    const rows = desk.inks.flatMap((i) =>
      (i.percent ?? []).map((percent, z) => ({
        ink: i.ink,
        zone: z + 1,
        'coverage %': Math.round(100 * percent) / 100,
        'opening %': i.opening?.[z] ?? 0,
      })),
    );
    return csvFile('zones.csv', rows);
  },
  'zones.log': ({ params, body }, ctx) =>
    inTransaction(ctx.db, async (db) => {
      const desk = await zoneDesk(ctx, db, params.id, params.step);
      const of = desk.inks.find((i) => i.ink === body.ink);
      if (!of?.percent) throw invalid([{ path: 'ink', says: 'has no separation here: its coverage is not known' }]);
      if (body.openings.length !== of.percent.length)
        throw invalid([
          { path: 'openings', says: `are ${body.openings.length}; this press has ${of.percent.length} zones over the sheet` },
        ]);
      for (const [line, opening] of body.openings.entries())
        await db.query(ADD_DUCT_SETTING, [body.id, line, desk.machine, params.id, body.ink, of.percent[line], opening, signedIn(ctx).id]);
      await notifyChanged(db, { table: 'zones', id: params.id, version: 0, by: signedIn(ctx).name });
      return zoneDesk(ctx, db, params.id, params.step);
    }),
};

/** The stone that holds a pass. */
export async function passOf(
  ctx: Pick<Ctx, 'now'>,
  db: Db,
  job: string,
  step: string,
): Promise<PressWork & { number: number; title: string }> {
  const found = await findJob(db, job);
  const work = pressWork((await planOf(db, found, ctx.now())).planned).find((w) => w.passes.some((p) => p.step === step));
  if (!work) throw notFound('This pass');
  return { ...work, number: found.number, title: found.spec.name };
}

/** Newest separations of a pass's inks in blocks; those read by older programs have none. */
export async function rastersOf(db: Db, job: string, step: string, inks: readonly string[]): Promise<RasterRow[]> {
  const rows = await many(db, RASTERS, [job, step]);
  return rows.flatMap(({ values, ...r }) => (inks.includes(r.ink) && values !== null ? [{ ...r, values }] : []));
}
interface RasterRow {
  ink: string;
  width: number;
  height: number;
  across: number;
  values: Buffer;
}

async function zoneDesk(ctx: Ctx, db: Db, job: string, step: string): Promise<ZoneDesk> {
  const work = await passOf(ctx, db, job, step);
  const sets = await many(db, ZONE_SETS, [job, step]);
  const logged = await many(db, DUCT_SETTINGS, [work.machine]);
  const curve = refitDuct(logged) ?? FIRST_DUCT_CURVE;
  const inks = work.passes.find((p) => p.step === step)?.inks ?? [];
  const rasters = await rastersOf(db, job, step, inks);
  const [spot, size] = [heaviestSpot(rasters), rasters[0]];
  return {
    job,
    number: work.number,
    title: work.title,
    step,
    machine: work.machine,
    machineName: work.machineName,
    sheetMm: [work.sheetMm[0], work.sheetMm[1]],
    zoneMm: work.zoneMm,
    zones: work.zones,
    copies: work.copies,
    inks: inks.map((ink) => {
      const set = sets.find((s) => s.ink === ink);
      return {
        ink,
        percent: set?.percent ?? null,
        opening: set?.percent.map((p) => ductOpening(Math.min(p, 100), curve)) ?? null,
        file: set?.file ?? null,
      };
    }),
    totalInk: spot && {
      percent: spot.percent,
      inks: rasters.length,
      at: (size ? (placesFor(work, size.width, size.height) ?? []) : []).map((at) => spotOn(at, spot)),
    },
    differ: spot === null && rasters.length > 0,
    limitPercent: work.mostInkPercent,
    curve,
    logged: logged.length,
  };
}
