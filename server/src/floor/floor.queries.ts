import * as z from 'zod';
import { ENTRY_KINDS, PILE_STATES } from '@druckerei/core';
import type { FloorStep } from '@druckerei/core/planning';
import { JobFloor, LogLine, MachineNow, SetupSheet } from '@druckerei/contract';
import { rows, written } from '../db/rows';

/** A step as released, with its job. */
const ReleasedStep = z.object({
  job: z.string(),
  release: z.number(),
  facts: written<FloorStep>(),
  number: z.number(),
  title: z.string(),
  customer: z.string(),
  state: z.string(),
});
export type ReleasedStep = z.infer<typeof ReleasedStep>;
const PileRow = z.object({
  id: z.string(),
  nr: z.number(),
  code: z.string(),
  job: z.string(),
  number: z.number(),
  step: z.string(),
  flow: z.string(),
  state: z.enum(PILE_STATES),
  place: z.string(),
  laidAt: z.number(),
});
export type PileRow = z.infer<typeof PileRow>;
/** An entry another one names: a counter-entry, or that a handover was read. */
const EntryNamed = z.object({
  id: z.string(),
  kind: z.enum(ENTRY_KINDS),
  job: z.string().nullable(),
  step: z.string().nullable(),
  pile: z.string().nullable(),
  other: z.string().nullable(),
  quantity: z.number().nullable(),
  reason: z.string(),
  takenBack: z.boolean(),
});
export type EntryNamed = z.infer<typeof EntryNamed>;
const UnreadRow = z.object({ id: z.string(), machine: z.string(), note: z.string(), by: z.string(), at: z.number() });
export type UnreadRow = z.infer<typeof UnreadRow>;
/** What a step of a closed job teaches of losses and times. */
const FactRow = z.object({
  job: z.string(),
  number: z.number(),
  process: z.string(),
  machine: z.string(),
  expectedSetup: z.number(),
  setup: z.number(),
  cycles: z.number(),
  lost: z.number(),
  repeat: z.boolean(),
  setupS: z.number(),
  runS: z.number(),
  stops: z.record(z.string(), z.object({ seconds: z.number(), times: z.number() })),
  planPerHour: z.number(),
});

const TIME_KINDS = `'setupStart', 'setupEnd', 'runStart', 'runEnd', 'stop', 'go'`;

/** A step as released. $1 uuid job, $2 int release, $3 text step, $4 text machine, $5 json facts, $6 json setup sheet */
export const ADD_RELEASED_STEP = `
insert into released_steps (job, nr, step, machine, facts, sheet)
values ($1, $2, $3, $4, $5, $6)
on conflict (job, nr, step) do nothing`;
/** Releases of before steps were written down: their snapshots. $1 int rows */
export const RELEASES_WITHOUT_STEPS = rows(
  z.object({
    job: z.string(),
    nr: z.number(),
    scope: z.array(z.string()).nullable(),
    spec: z.unknown(),
    plant: z.string(),
    shelf: z.unknown(),
  }),
  `
select r.job, r.nr, r.scope, r.snapshot -> 'spec' as spec, r.snapshot ->> 'plant' as plant, r.snapshot -> 'shelf' as shelf
from releases r
where not exists (select 1 from released_steps s where s.job = r.job and s.nr = r.nr)
order by r.released_at
limit $1`,
);

const STEP = `
select distinct on (s.job, s.step)
  s.job, s.nr as release,
  case when m.measures is null then s.facts else s.facts || jsonb_build_object('measures', m.measures) end as facts,
  j.number, j.title, j.customer, j.state
from released_steps s
  join jobs j on j.id = s.job
  left join steps_as_measured m on m.job = s.job and m.nr = s.nr and m.step = s.step`;
/** A whole release stands in for all before it; of parts the newest that names the step. */
const IN_FORCE = `s.nr >= coalesce((select max(r.nr) from releases r where r.job = s.job and r.scope is null), 0)`;
/** Steps of a job, as last released. $1 uuid job */
export const STEPS_OF_JOB = rows(
  ReleasedStep,
  `${STEP}
where s.job = $1
  and ${IN_FORCE}
order by s.job, s.step, s.nr desc`,
);
/** Steps of every job that has one on a machine and is not delivered. $1 text[] machines, null for all */
export const STEPS_ON = rows(
  ReleasedStep,
  `${STEP}
where s.job in (
    select o.job
    from released_steps o
      join jobs k on k.id = o.job
    where ($1::text[] is null or o.machine = any($1))
      and k.state <> 'delivered'
  )
  and ${IN_FORCE}
order by s.job, s.step, s.nr desc`,
);
/** When steps of jobs begin on the newest version of the board. $1 uuid[] jobs */
export const BOARD_STARTS = rows(
  z.object({ work: z.string(), start: z.number() }),
  `
select b.work, b.start
from (select bars from board_versions order by nr desc limit 1) v
  cross join lateral jsonb_to_recordset(v.bars) as b(work text, start int)
where split_part(b.work, ' ', 1)::uuid = any($1)`,
);
/** Setup sheets. $1 uuid[] jobs, $2 int[] releases, $3 text[] steps, pairwise */
export const SHEETS = rows(
  z.object({ job: z.string(), step: z.string(), sheet: SetupSheet }),
  `
select s.job, s.step, coalesce(m.sheet, s.sheet) as sheet
from released_steps s
  join unnest($1::uuid[], $2::int[], $3::text[]) as a (job, nr, step) on a.job = s.job and a.nr = s.nr and a.step = s.step
  left join steps_as_measured m on m.job = s.job and m.nr = s.nr and m.step = s.step`,
);

/** Times of jobs, by our clock; what was taken back is left out. $1 uuid[] jobs */
export const TIMES = rows(
  z.object({ job: z.string(), step: z.string(), kind: z.enum(ENTRY_KINDS), at: z.number(), reason: z.string() }),
  `
select l.job, l.step, l.kind, l.reason, extract(epoch from l.happened_at)::float8 as at
from floor_log l
where l.job = any($1)
  and l.kind in (${TIME_KINDS})
  and not exists (select 1 from floor_log c where c.kind = 'counter' and c.other = l.id)
order by l.happened_at, l.seq`,
);
/** Counts of jobs, added up. $1 uuid[] jobs */
export const SUMS = rows(
  z.object({
    job: z.string(),
    step: z.string().nullable(),
    pile: z.string().nullable(),
    kind: z.enum(ENTRY_KINDS),
    reason: z.string(),
    quantity: z.number(),
  }),
  `
select job, nullif(step, '') as step, nullif(pile, '') as pile, kind, reason, quantity
from floor_sums
where job = any($1)
  and quantity <> 0
order by job, step, pile, kind, reason`,
);
const PILE = `
select
  p.id, p.nr, p.code, p.job, j.number, p.step, p.flow, p.state, p.place,
  extract(epoch from p.laid_at)::float8 as "laidAt"
from piles p
  join jobs j on j.id = p.job`;
/** Piles of jobs. $1 uuid[] jobs */
export const PILES = rows(
  PileRow,
  `${PILE}
where p.job = any($1)
order by p.job, p.nr`,
);
/** $1 int job number, $2 text code */
export const PILE_BY_CODE = rows(
  PileRow,
  `${PILE}
where j.number = $1
  and p.code = $2
order by p.laid_at desc
limit 1`,
);
/** $1 uuid */
export const PILE_BY_ID = rows(
  PileRow,
  `${PILE}
where p.id = $1`,
);

/** Jobs that entries name. $1 uuid[] */
export const JOBS_NAMED = rows(
  z.object({ id: z.string(), state: z.string(), release: z.number() }),
  `
select j.id, j.state, coalesce((select max(r.nr) from releases r where r.job = j.id), 0)::int as release
from jobs j
where j.id = any($1)`,
);
/** Steps of jobs that were released at any time. $1 uuid[] jobs */
export const STEPS_KNOWN = rows(
  z.object({ job: z.string(), step: z.string(), gives: z.string().nullable(), orders: z.array(z.string()) }),
  `
select distinct
  job, step, machine, facts -> 'units' ->> 'gives' as gives,
  array(select o ->> 'flow' from jsonb_array_elements(coalesce(facts -> 'parted', '[]')) o) as orders
from released_steps
where job = any($1)`,
);
/** Those of the ids that are in the log already. $1 uuid[] */
export const ENTRIES_THERE = rows(z.object({ id: z.string() }), `select id from floor_log where id = any($1)`);
/** Piles that entries name. $1 uuid[] */
export const PILES_NAMED = rows(z.object({ id: z.string(), job: z.string() }), `select id, job from piles where id = any($1)`);
/** Entries that counter-entries name, and whether they were taken back. $1 uuid[] */
export const ENTRIES_NAMED = rows(
  EntryNamed,
  `
select
  l.id, l.kind, l.job, l.step, l.pile, l.other, l.quantity, l.reason,
  exists (select 1 from floor_log c where c.kind = 'counter' and c.other = l.id) as "takenBack"
from floor_log l
where l.id = any($1)`,
);
/**
 * Writes entries; those that are there already are left alone. Returns the ids that are new.
 * $1 json rows, $2 text device, $3 double skew in seconds, $4 double now
 */
export const ADD_ENTRIES = rows(
  z.object({ id: z.string() }),
  `
insert into floor_log (
  id, kind, job, step, machine, pile, other, quantity, reason, note, witness, release, marks, who, device, device_at, happened_at, at, skew_s, value
)
select
  e.id, e.kind, e.job, e.step, e.machine, e.pile, e.other, e.quantity, e.reason, e.note, e.witness, e.release, e.marks, e.who, $2,
  to_timestamp(e.at), to_timestamp(least(e.at - $3, $4)), to_timestamp($4), $3, e.value
from jsonb_to_recordset($1) as e (
  id uuid, kind text, job uuid, step text, machine text, pile uuid, other uuid, quantity int, reason text, note text, witness text, release int,
  marks text[], who uuid, at float8, nr int, value float8
)
order by e.nr
on conflict do nothing
returning id`,
);
/** The newest reading of each kind at each step, what was taken back left out. $1 uuid[] jobs */
export const MEASURED = rows(
  z.object({ job: z.string(), step: z.string(), key: z.string(), value: z.number(), by: z.string() }),
  `
select distinct on (l.job, l.step, l.reason) l.job, l.step, l.reason as key, l.value, u.full_name as by
from floor_log l
  join users u on u.id = l.who
where l.job = any($1)
  and l.kind = 'measure'
  and not exists (select 1 from floor_log c where c.kind = 'counter' and c.other = l.id)
order by l.job, l.step, l.reason, l.happened_at desc, l.seq desc`,
);
/** What a release was planned on. $1 uuid job, $2 int nr */
export const SNAPSHOT_OF = rows(
  z.object({ spec: z.unknown(), plant: z.string(), shelf: z.unknown() }),
  `
select r.snapshot -> 'spec' as spec, r.snapshot ->> 'plant' as plant, r.snapshot -> 'shelf' as shelf
from releases r
where r.job = $1
  and r.nr = $2`,
);
/** $1 uuid job, $2 int nr, $3 json rows {step, measures, sheet} */
export const SET_AS_MEASURED = `
insert into steps_as_measured (job, nr, step, measures, sheet)
select $1, $2, s.step, s.measures, s.sheet
from jsonb_to_recordset($3) as s (step text, measures jsonb, sheet jsonb)
on conflict (job, nr, step) do update set measures = excluded.measures, sheet = excluded.sheet`;
/** Who wrote that a step ran or was done. $1 uuid job */
export const SIGNED = rows(
  z.object({ step: z.string(), by: z.string() }),
  `
select distinct l.step, u.full_name as by
from floor_log l
  join users u on u.id = l.who
where l.job = $1
  and l.step is not null
  and l.kind in ('runStart', 'runEnd')
  and not exists (select 1 from floor_log c where c.kind = 'counter' and c.other = l.id)
order by 1, 2`,
);
/** Adds to the sums. $1 json rows {job, step, pile, kind, reason, quantity}, one a key, in the order of their keys */
export const ADD_SUMS = `
insert into floor_sums (job, step, pile, kind, reason, quantity)
select s.job, s.step, s.pile, s.kind, s.reason, s.quantity
from jsonb_to_recordset($1) as s (job uuid, step text, pile text, kind text, reason text, quantity bigint)
order by s.job, s.step, s.pile, s.kind, s.reason
on conflict (job, step, pile, kind, reason) do update set quantity = floor_sums.quantity + excluded.quantity`;
/** One writer at a time on the floor of a job: it numbers the piles and adds up. $1 uuid job */
export const LOCK_FLOOR = `select pg_advisory_xact_lock(hashtextextended('floor:' || $1::text, 0))`;
/** $1 uuid id, $2 uuid job, $3 text code, $4 text step, $5 text flow, $6 text state, $7 text place, $8 double at */
export const ADD_PILE = `
insert into piles (id, job, nr, code, step, flow, state, state_at, place, place_at, laid_at)
values (
  $1, $2, (select coalesce(max(nr), 0) + 1 from piles where job = $2), $3, $4, $5, $6, to_timestamp($8), $7, to_timestamp($8), to_timestamp($8)
)
on conflict (id) do nothing`;
/** First in a transaction: all it reads stands as of one moment. Source: PostgreSQL, transaction isolation (repeatable read). */
export const AS_OF_ONE_MOMENT = `set transaction isolation level repeatable read, read only`;
/** Lines cleared, by job and step. $1 uuid[] jobs */
export const CLEARED = rows(
  z.object({ job: z.string(), step: z.string() }),
  `
select l.job, l.step
from floor_log l
where l.kind = 'clear' and l.job = any($1)
  and not exists (select 1 from floor_log b where b.kind = 'counter' and b.other = l.id)`,
);
/** Of some jobs those that are not delivered yet. $1 text[] */
export const NOT_DELIVERED = rows(
  z.object({ id: z.string(), number: z.number() }),
  `select id, number from jobs where id::text = any($1) and state <> 'delivered'`,
);
/** The newest word counts, whenever it comes. $1 uuid, $2 text state, $3 double at */
export const SET_PILE_STATE = `update piles set state = $2, state_at = to_timestamp($3) where id = $1 and state_at <= to_timestamp($3)`;
/** $1 uuid, $2 text place, $3 double at */
export const SET_PILE_PLACE = `update piles set place = $2, place_at = to_timestamp($3) where id = $1 and place_at <= to_timestamp($3)`;
/** $1 uuid split off, $2 uuid it came from */
export const PILE_LIKE = rows(
  z.object({ job: z.string(), step: z.string(), flow: z.string(), state: z.string(), place: z.string() }),
  `select job, step, flow, state, place from piles where id = $2 and $1::uuid is not null`,
);

/** The log of a job, the newest first. $1 uuid job, $2 bigint before, $3 int rows */
export const LOG = rows(
  LogLine,
  `
select
  l.id, l.seq, l.kind, l.step, l.machine, p.code as pile, l.quantity, l.value, l.reason, l.note, l.witness, l.marks,
  u.full_name as by, l.device,
  extract(epoch from l.happened_at)::float8 as at, extract(epoch from l.at)::float8 as "receivedAt", l.skew_s as "skewS",
  exists (select 1 from floor_log c where c.kind = 'counter' and c.other = l.id) as "takenBack"
from floor_log l
  join users u on u.id = l.who
  left join piles p on p.id = l.pile
where l.job = $1
  and l.seq < $2
order by l.seq desc
limit $3`,
);
/** The whole log of a job as a file has it, oldest first. $1 uuid job, $2 int rows */
export const LOG_EXPORT = rows(
  z.record(z.string(), z.string()),
  `
select
  to_char(l.happened_at at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS"Z"') as happened,
  to_char(l.at at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS"Z"') as received,
  l.kind, coalesce(l.step, '') as step, l.machine, coalesce(p.code, '') as pile, coalesce(l.quantity::text, '') as quantity, coalesce(l.value::text, '') as value, l.reason, l.note,
  l.witness, array_to_string(l.marks, ' ') as marks, u.full_name as person, l.device, round(l.skew_s::numeric, 1)::text as "clock off by s", l.id::text as entry,
  coalesce(l.other::text, '') as about
from floor_log l
  join users u on u.id = l.who
  left join piles p on p.id = l.pile
where l.job = $1
order by l.seq
limit $2`,
);
/** What a machine said last of all, and what it said last of time: one row a machine. $1 text[] machines */
export const LAST_OF = rows(
  MachineNow.shape.last.unwrap().extend({ machine: z.string() }),
  `
select m.machine, l.kind, extract(epoch from l.happened_at)::float8 as at, u.full_name as by
from unnest($1::text[]) as m (machine)
  cross join lateral (select * from floor_log l where l.machine = m.machine order by l.seq desc limit 1) l
  join users u on u.id = l.who`,
);
/** The newest entries of a machine. $1 text machine, $2 int rows */
export const NEWEST = rows(z.object({ id: z.string() }), `select id from floor_log where machine = $1 order by seq desc limit $2`);
/** Handovers nobody has read, oldest first. $1 text[] machines, null for all */
export const UNREAD = rows(
  UnreadRow,
  `
select h.id, h.machine, h.note, u.full_name as by, extract(epoch from h.happened_at)::float8 as at
from floor_log h
  join users u on u.id = h.who
where h.kind = 'handover'
  and ($1::text[] is null or h.machine = any($1))
  and not exists (select 1 from floor_log r where r.kind = 'read' and r.other = h.id)
  and not exists (select 1 from floor_log c where c.kind = 'counter' and c.other = h.id)
order by h.happened_at`,
);

/** Those who may sign on by PIN. */
export const PEOPLE_WITH_PIN = rows(
  z.object({ id: z.string(), fullName: z.string(), initials: z.string() }),
  `select id, full_name as "fullName", initials from users where active and pin_hash is not null order by full_name`,
);
/** $1 uuid */
export const PIN_OF = rows(
  z.object({ name: z.string(), fullName: z.string(), initials: z.string(), pinHash: z.string() }),
  `select name, full_name as "fullName", initials, pin_hash as "pinHash" from users where id = $1 and active and pin_hash is not null`,
);
/** Those of the persons named who may still sign in, with the PIN they have now. $1 uuid[] */
export const ACTIVE_PEOPLE = rows(
  z.object({ id: z.string(), pinHash: z.string().nullable() }),
  `select id, pin_hash as "pinHash" from users where active and id = any($1)`,
);

/** A job that makes something for another: what it left short, or a tool; its customer is that one's. $1 uuid job, $2 uuid of which, $3 text the tool's use, or null */
export const SET_CHILD = `update jobs set child_of = $2, makes_tool = $3 where id = $1`;
/** Child jobs with the pieces they are to make; those that make tools make no pieces of the order. $1 uuid job */
export const CHILDREN = rows(
  JobFloor.shape.children.element,
  `select id as job, number, title, state, (summary ->> 'good')::float8 as pieces from jobs where child_of = $1 and makes_tool is null and alt = 0 order by number`,
);

/** $1 uuid job, $2 text step, $3 process, $4 machine, $5 expected setup, $6 setup, $7 cycles, $8 lost, $9 repeated, $10 setup s, $11 run s, $12 json stops, $13 planned cycles an hour */
export const ADD_FACT = `
insert into step_facts (job, step, process, machine, expected_setup, setup, cycles, lost, repeated, setup_s, run_s, stops, plan_per_hour)
values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11, $12, $13)
on conflict (job, step) do update set
  process = excluded.process, machine = excluded.machine, expected_setup = excluded.expected_setup, setup = excluded.setup, cycles = excluded.cycles,
  lost = excluded.lost, repeated = excluded.repeated, setup_s = excluded.setup_s, run_s = excluded.run_s, stops = excluded.stops, plan_per_hour = excluded.plan_per_hour, closed_at = now()`;
/** What tells whether anything was learned since. Jobs that were taken back from delivered teach nothing. */
export const FACTS_STAMP = rows(
  z.object({ stamp: z.string() }),
  `
select count(*)::text || ' ' || coalesce(max(f.closed_at), 'epoch')::text as stamp
from step_facts f
  join jobs j on j.id = f.job
where j.state = 'delivered'`,
);
/** The newest facts of closed jobs. $1 int rows */
export const FACTS = rows(
  FactRow,
  `
select
  f.job::text as job, j.number, f.process, f.machine, f.expected_setup as "expectedSetup", f.setup, f.cycles, f.lost, f.repeated as repeat,
  f.setup_s as "setupS", f.run_s as "runS", f.stops, f.plan_per_hour as "planPerHour"
from step_facts f
  join jobs j on j.id = f.job
where j.state = 'delivered'
order by f.closed_at desc
limit $1`,
);
