import { DateTime } from 'luxon';
import { EMPTY_SHELF, type JobSpec, type Plant, PlantSchema, type Shelf } from '@druckerei/core';
import type { Db } from '../db/pool';
import { notFound } from '../errors';
import { LOTS, PLANT_IN_FORCE, TOOLS } from './plants.queries';

const QUARTER_S = 900;
const DAYS_AHEAD = 60;

export async function plantInForce(db: Db): Promise<{ hash: string; plant: Plant }> {
  const row = (await db.query<{ hash: string; plant: unknown }>(PLANT_IN_FORCE)).rows[0];
  if (!row) throw notFound('A plant');
  return { hash: row.hash, plant: PlantSchema.parse(row.plant) };
}

/** The plant's opening hours as UTC intervals, from today on: core knows no calendar and no time zone. */
export function openHours(plant: Plant, fromS: number, days = DAYS_AHEAD): [number, number][] {
  const first = DateTime.fromSeconds(fromS, { zone: plant.timeZone }).startOf('day');
  return Array.from({ length: days }, (_, i) => first.plus({ days: i })).flatMap((day) =>
    (plant.hours[String(day.weekday)] ?? []).map(([from, to]): [number, number] => [momentOn(day, from), momentOn(day, to)]),
  );
}

function momentOn(day: DateTime, clock: string): number {
  const [hour = 0, minute = 0] = clock.split(':').map(Number);
  return hour === 24 ? day.plus({ days: 1 }).toUnixInteger() : day.set({ hour, minute }).toUnixInteger();
}

/** A plant-local date and time as a moment. Null for a date that is none (30 February). */
export function momentOf(local: string, timeZone: string): number | null {
  const at = DateTime.fromISO(local, { zone: timeZone });
  return at.isValid ? at.toUnixInteger() : null;
}

type Measured = 'caliperUm' | 'kg' | 'diameterMm' | 'coreMm';
/** What was measured of a lot; what was not is left out. */
const measured = (lot: Record<Measured, number | null>): Partial<Record<Measured, number>> =>
  Object.fromEntries(Object.entries(lot).flatMap(([what, value]) => (value === null ? [] : [[what, value]])));

/** The shelf of a job: the clock in steps of a quarter of an hour, the lots and tools it can touch, open hours, due moments. */
export async function cutShelf(
  db: Db,
  { plant, spec, now, palletLimit }: { plant: Plant; spec: JobSpec | null; now: number; palletLimit: Shelf['palletLimit'] },
): Promise<Shelf> {
  const asOf = Math.floor(now / QUARTER_S) * QUARTER_S;
  const lots = (
    await db.query<{ id: string; stock: string; quantity: number; owner: 'works' | 'customer' } & Record<Measured, number | null>>(LOTS, [
      [],
    ])
  ).rows;
  const tools = (await db.query<{ id: string; spec: string; lifeLeft: number; state: 'store' | 'out' | 'customer' }>(TOOLS, [[]])).rows;
  const due = Object.fromEntries(
    Object.entries(spec?.items ?? {}).flatMap(([id, item]) => {
      const moments = item.deliveries.map((d) => momentOf(d.by, plant.timeZone)).filter((m) => m !== null);
      return moments.length > 0 ? [[id, Math.min(...moments)]] : [];
    }),
  );
  return {
    ...EMPTY_SHELF,
    asOf,
    due,
    open: { any: openHours(plant, asOf) },
    lots: Object.fromEntries(lots.map(({ id, stock, quantity, owner, ...lot }) => [id, { stock, quantity, owner, ...measured(lot) }])),
    tools: Object.fromEntries(tools.map(({ id, ...tool }) => [id, tool])),
    ...(palletLimit && { palletLimit }),
  };
}
