import { approvedVersion, cylindersMade, EMPTY_SHELF, gateKey, jobsAsked, type JobSpec, type Plant, type Shelf } from '@druckerei/core';
import type { Db } from '../db/pool';
import { many } from '../db/rows';
import { together } from '../db/together';
import { type HoursChange, machineHours, momentOf, withChanges } from './calendar';
import { desksOf } from '../desks/desk-words';
import { learned } from '../floor/learn';
import { countedOf } from '../floor/steps-now';
import { BUSY, COMING, FROZEN, GATES_ANSWERED, HOURS_CHANGED, LOTS_FOR, MADE_ELSEWHERE, TOOLS } from './plants.queries';

const QUARTER_S = 900;

/** Hours of a plant are the same for every job in a quarter of an hour: expanded once. */
const expanded = new WeakMap<Plant, { asOf: number; open: Shelf['open'] }>();
function hoursOf(plant: Plant, asOf: number): Shelf['open'] {
  const known = expanded.get(plant);
  if (known?.asOf === asOf) return known.open;
  const open = machineHours(plant, asOf);
  expanded.set(plant, { asOf, open });
  return open;
}

type Measured = 'caliperUm' | 'kg' | 'diameterMm' | 'coreMm';
/** What was measured of a lot; what was not is left out. */
const measured = (lot: Record<Measured, number | null>): Partial<Record<Measured, number>> =>
  Object.fromEntries(Object.entries(lot).flatMap(([what, value]) => (value === null ? [] : [[what, value]])));

export interface ShelfAsk {
  plant: Plant;
  spec: JobSpec | null;
  now: number;
  palletLimit: Shelf['palletLimit'];
  /** The job it is cut for (of an alternative: the job it is a plan of); null for one that is not there yet. */
  job: string | null;
}

/** What a shelf holds whatever the job: read once for many jobs. */
export interface Store {
  lots: Shelf['lots'];
  tools: Shelf['tools'];
  coming: NonNullable<Shelf['coming']>;
  /** What the works learned of its losses. */
  own: Pick<Shelf, 'losses' | 'together'>;
  /** Hours of machines that are other than their calendars. */
  hours: readonly HoursChange[];
}

/** Lots as far as they are free for a job, tools, what is on its way, and which machine stands or is worked longer. */
export async function readStore(db: Db, job: string | null, now: number): Promise<Store> {
  const [lots, tools, ordered, own, hours] = await Promise.all([
    many(db, LOTS_FOR, [job]),
    many(db, TOOLS, [[]]),
    many(db, COMING),
    learned(db),
    many(db, HOURS_CHANGED, [now]),
  ]);
  const coming: Store['coming'] = {};
  for (const { stock, at, quantity } of ordered) (coming[stock] ??= []).push([at, quantity]);
  return {
    own: { losses: own.losses, ...(own.together && { together: own.together }) },
    lots: Object.fromEntries(lots.map(({ id, stock, quantity, owner, ...lot }) => [id, { stock, quantity, owner, ...measured(lot) }])),
    tools: Object.fromEntries(tools.map(({ id, ...tool }) => [id, tool])),
    coming,
    hours,
  };
}

/** The shelf of a job: the clock in steps of a quarter of an hour, what lies in the store, open hours, due moments, answers to its gates, what was released early. */
export async function cutShelf(db: Db, ask: ShelfAsk): Promise<Shelf> {
  const reads = together(db);
  const [store, gates, frozen, counts, words, ahead, made] = await Promise.all([
    readStore(reads, ask.job, ask.now),
    gatesOf(reads, ask),
    frozenOf(reads, ask.job),
    ask.job === null ? {} : countedOf(reads, ask.job),
    ask.job === null ? null : desksOf(reads, ask.job),
    many(reads, BUSY, [ask.job]),
    madeElsewhere(reads, ask.spec),
  ]);
  const busy = Object.fromEntries(ahead.map(({ machine, ...work }) => [machine, work]));
  const desks = words && { desks: { ...words, approved: approvedVersion(ask.spec?.gates, gates) } };
  return { ...shelfFrom(store, ask, gates, frozen), ...counts, ...desks, ...made, busy };
}

/** The same from a store already read. */
export function shelfFrom(
  { lots, tools, coming, own, hours }: Store,
  { plant, spec, now, palletLimit }: ShelfAsk,
  gates: Shelf['gates'] = {},
  frozen: Shelf['frozen'] = {},
): Shelf {
  const asOf = Math.floor(now / QUARTER_S) * QUARTER_S;
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
    open: withChanges(hoursOf(plant, asOf), hours),
    lots,
    tools,
    gates,
    frozen,
    ...own,
    ...(Object.keys(coming).length > 0 && { coming }),
    ...(palletLimit && { palletLimit }),
  };
}

/** Jobs that make something for this one, as far as they are there. */
async function madeElsewhere(db: Db, spec: JobSpec | null): Promise<Pick<Shelf, 'jobs'>> {
  const asked = spec === null ? [] : jobsAsked(spec);
  if (asked.length === 0) return {};
  const made = await many(db, MADE_ELSEWHERE, [asked]);
  return {
    jobs: Object.fromEntries(
      made.map(({ id, tool, products, ...job }) => {
        const cylinders = cylindersMade({ products });
        return [id, { ...job, ...(tool !== null && { tool }), ...(cylinders && { cylinders }) }];
      }),
    ),
  };
}

/** Gates as the specification asks for them, with the last answer to the version asked for. */
async function gatesOf(db: Db, { spec, plant, job }: ShelfAsk): Promise<Shelf['gates']> {
  const asked = Object.entries(spec?.gates ?? {});
  if (asked.length === 0) return {};
  const given = job === null ? [] : await many(db, GATES_ANSWERED, [job]);
  return Object.fromEntries(
    asked.map(([id, gate]) => {
      const answer = given.find((g) => g.gate === id && g.version === gate.version)?.answer;
      const by = momentOf(gate.by, plant.timeZone);
      const state = answer === undefined ? 'waiting' : answer === 'yes' ? 'open' : 'refused';
      return [gateKey(id), { state, ...(by !== null && { by }) }];
    }),
  );
}

/** What was released early and by which name; a later release of the same thing counts. */
async function frozenOf(db: Db, job: string | null): Promise<Shelf['frozen']> {
  if (job === null) return {};
  const rows = await many(db, FROZEN, [job]);
  return Object.assign({}, ...rows.map((r) => r.frozen)) as Shelf['frozen'];
}
