import { statfsSync } from 'node:fs';
import type { Role, StockPage, today, TodayKind, TodayLine } from '@druckerei/contract';
import { own, type Plant } from '@druckerei/core';
import { type OpenJob, planToday } from '@druckerei/core/planning';
import { DateTime } from 'luxon';
import { type Ctx, signedIn } from '../context';
import { many, one } from '../db/rows';
import { floorBoard } from '../floor/floor.handlers';
import type { Handlers } from '../implement';
import { setBackS } from '../keeping/clock';
import { BACKUPS, BEGAN_AND_LAST } from '../keeping/keeping.queries';
import { INKS_WANTED } from '../kitchen/kitchen.queries';
import { momentOf } from '../plants/calendar';
import { plantInForce } from '../plants/read-plant';
import { stockPage } from '../stock/stock.handlers';
import { GATES_SHUT, OPEN_CHILDREN, OPEN_JOBS, type OpenJobRow, REFUSED_SINCE } from './today.queries';

/** Jobs looked at, the next due first; a works with more in hand than this has another question. */
const MOST_JOBS = 5_000;
/** Of a kind, lines that are sent; how many there are is said. */
const MOST_OF_A_KIND = 40;
/** Steps of a machine that are worth a look in the morning. */
const NEXT_STEPS = 3;
const DAY_S = 86_400;
/** A backup a night, and some hours for a night that runs late. The works' own. */
const BACKUP_OLD_S = 30 * 3_600;
/** Room that a night's backup and a week of the log may want. The works' own. */
const DISK_LOW_BYTES = 2e9;

/** What several looks read, read once for a page. */
interface Seen {
  ctx: Ctx;
  plant: Plant;
  stock: () => Promise<StockPage>;
  jobs: () => Promise<OpenJobRow[]>;
}
type Looks = (seen: Seen) => Promise<TodayLine[]>;

function once<T>(read: () => Promise<T>): () => Promise<T> {
  let kept: Promise<T> | undefined;
  return () => (kept ??= read());
}
/** Rows by what they belong to, so that five thousand jobs find theirs without looking through all. */
function grouped<T>(rows: readonly T[], of: (row: T) => string): (key: string) => T[] {
  const groups = new Map<string, T[]>();
  for (const row of rows) {
    const group = groups.get(of(row));
    if (group) group.push(row);
    else groups.set(of(row), [row]);
  }
  return (key) => groups.get(key) ?? [];
}

const nameOf = (plant: Plant, stock: string): string => own(plant.stocks, stock)?.name ?? stock;
const endOfDay = (now: number, zone: string): number => DateTime.fromSeconds(now, { zone }).endOf('day').toUnixInteger() + 1;

const planned: Looks = async ({ ctx, plant, ...seen }) => {
  const now = ctx.now();
  const jobs = await seen.jobs();
  const ids = jobs.map((j) => j.job);
  const stock = await seen.stock();
  const gates = grouped(await many(ctx.db, GATES_SHUT, [ids]), (g) => g.job);
  const children = grouped(await many(ctx.db, OPEN_CHILDREN, [ids]), (c) => c.parent);
  const wants = grouped(
    stock.lines.flatMap((l) => l.jobs.map(({ job }) => ({ job, stock: l.stock }))),
    (w) => w.job,
  );
  const open = jobs.map(({ summary, ...j }): OpenJob => ({
    ...j,
    ...summary,
    stocks: wants(j.job).map((w) => w.stock),
    children: children(j.job),
    gates: gates(j.job).map((g) => ({ ...g, byAt: momentOf(g.by, plant.timeZone) })),
  }));
  const short = stock.lines.flatMap(({ stock: id, unit, shortage }) =>
    shortage ? [{ stock: id, name: nameOf(plant, id), unit, short: shortage.short, orderByAt: shortage.orderByS }] : [],
  );
  return planToday(open, short, { now, endOfDay: endOfDay(now, plant.timeZone) });
};
/** What stands, and what runs and comes next on every machine with what is missing for it. */
const onMachines: Looks = async ({ ctx }) => {
  const { machines } = await floorBoard(ctx, NEXT_STEPS);
  return machines.flatMap((m) =>
    m.queue.flatMap((s): TodayLine[] => {
      const at = { job: s.job, number: s.number, title: s.title, machine: m.machine, name: m.name };
      const { state, stopReason, since } = s.times;
      return [
        ...(state === 'stopped' ? [{ kind: 'stopped' as const, ...at, reason: stopReason, sinceAt: since }] : []),
        {
          ...{ kind: 'next' as const, ...at, step: s.name, runs: state !== 'waiting', startAt: s.startAt },
          ...{ waits: s.waits, locked: s.locked, dryAt: s.dryAt },
        },
      ];
    }),
  );
};
const inks: Looks = async ({ ctx }) =>
  (await many(ctx.db, INKS_WANTED))
    .filter((i) => i.stands !== 'accepted')
    .map(({ job, number, title, ink, kg, stands }) => ({ kind: 'ink', job, number, title, ink, kg, stands }));
/** What lies promised to released jobs, and what is on its way. */
const inStore: Looks = async ({ ctx, plant, ...seen }) => {
  const page = await seen.stock();
  const unitOf = (stock: string) => page.lines.find((l) => l.stock === stock)?.unit ?? 'piece';
  const jobs = new Map((await seen.jobs()).map((j) => [j.job, j]));
  const today = DateTime.fromSeconds(ctx.now(), { zone: plant.timeZone }).toISODate() ?? '';
  return [
    ...page.reservations.flatMap((r): TodayLine[] => {
      const job = jobs.get(r.job);
      const lot = page.lots.find((l) => l.id === r.lot);
      if (!job || job.state === 'draft' || !lot) return [];
      return [
        {
          ...{ kind: 'pull', job: r.job, number: r.number, title: job.title },
          ...{ stock: r.stock, name: nameOf(plant, r.stock), unit: unitOf(r.stock), lot: r.lot, place: lot.place, quantity: r.quantity },
        },
      ];
    }),
    ...page.purchases
      .filter((p) => p.comesOn <= today)
      .map((p) => ({
        ...{ kind: 'comes' as const, stock: p.stock, name: nameOf(plant, p.stock), unit: unitOf(p.stock), quantity: p.quantity },
        ...{ day: p.comesOn, late: p.comesOn < today },
      })),
  ];
};
/** Backup, disk, clock and sign-ins: what an administrator loses sleep over. */
const house: Looks = async ({ ctx }) => {
  const now = ctx.now();
  const backups = await many(ctx.db, BACKUPS);
  const [last] = backups;
  const made = backups.find((b) => b.bytes !== null);
  const { lastAt } = await one(ctx.db, BEGAN_AND_LAST);
  const { bavail, bsize } = statfsSync('.');
  const backS = setBackS(lastAt, now);
  const refused = await one(ctx.db, REFUSED_SINCE, [now - DAY_S]);
  return [
    {
      kind: 'backup',
      at: made?.at ?? null,
      failed: last?.bytes === null ? last.says : '',
      late: now - (made?.at ?? 0) > BACKUP_OLD_S,
    },
    { kind: 'disk', freeBytes: bavail * bsize, low: bavail * bsize < DISK_LOW_BYTES },
    ...(backS > 0 ? [{ kind: 'clock' as const, backS }] : []),
    ...(refused.times > 0 ? [{ kind: 'refused' as const, ...refused }] : []),
  ];
};

/** Who looks at what; of the look, the kinds that are his. */
const OF_ROLE: Record<Role, readonly (readonly [Looks, readonly TodayKind[]])[]> = {
  planner: [
    [planned, ['late', 'gate', 'blocked', 'child', 'order', 'ready', 'short', 'goes']],
    [onMachines, ['stopped']],
    [inks, ['ink']],
    [inStore, ['comes']],
  ],
  press: [[onMachines, ['stopped', 'next']]],
  finishing: [[onMachines, ['stopped', 'next']]],
  inspector: [
    [planned, ['short', 'goes']],
    [onMachines, ['stopped']],
  ],
  ink: [[inks, ['ink']]],
  store: [
    [inStore, ['pull', 'comes']],
    [planned, ['order', 'goes']],
  ],
  admin: [[house, ['backup', 'disk', 'clock', 'refused']]],
};

export const todayHandlers: Handlers<typeof today> = {
  'today.read': async (_asked, ctx) => {
    const { plant } = await plantInForce(ctx.db);
    const wanted = new Map<Looks, Set<TodayKind>>();
    for (const [look, kinds] of signedIn(ctx).roles.flatMap((role) => OF_ROLE[role]))
      for (const kind of kinds) wanted.set(look, (wanted.get(look) ?? new Set<TodayKind>()).add(kind));
    const seen: Seen = {
      ctx,
      plant,
      stock: once(() => stockPage(ctx.db, ctx.now())),
      jobs: once(() => many(ctx.db, OPEN_JOBS, [MOST_JOBS])),
    };
    const lines: TodayLine[] = [];
    for (const [look, kinds] of wanted) lines.push(...(await look(seen)).filter((line) => kinds.has(line.kind)));
    const kinds = [...new Set([...wanted.values()].flatMap((of) => [...of]))];
    const each = kinds.map((kind) => ({ kind, lines: lines.filter((line) => line.kind === kind) }));
    return {
      asOf: ctx.now(),
      timeZone: plant.timeZone,
      kinds,
      lines: each.flatMap((of) => of.lines.slice(0, MOST_OF_A_KIND)),
      more: each.flatMap((of) => (of.lines.length > MOST_OF_A_KIND ? [{ kind: of.kind, all: of.lines.length }] : [])),
    };
  },
};
