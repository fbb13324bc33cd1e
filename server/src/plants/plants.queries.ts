import * as z from 'zod';
import { PlantChange } from '@druckerei/contract';
import type { JobSpec } from '@druckerei/core';
import { rows } from '../db/rows';

/** The name of the plant in force. */
export const PLANT_IN_FORCE = rows(z.object({ hash: z.string() }), `select hash from plant_in_force`);
/** $1 text hash */
export const PLANT_BY_HASH = rows(z.object({ plant: z.unknown() }), `select plant from plants where hash = $1`);
/** Lots as far as they are not promised to another job. $1 uuid job, null for none */
export const LOTS_FOR = rows(
  z.object({
    id: z.string(),
    stock: z.string(),
    quantity: z.number(),
    owner: z.enum(['works', 'customer']),
    caliperUm: z.number().nullable(),
    kg: z.number().nullable(),
    diameterMm: z.number().nullable(),
    coreMm: z.number().nullable(),
  }),
  `
select
  l.id,
  l.stock,
  greatest(l.quantity - coalesce(r.promised, 0), 0)::int as quantity,
  l.owner,
  l.caliper_um as "caliperUm", l.kg, l.diameter_mm as "diameterMm", l.core_mm as "coreMm"
from lots l
  left join (
    select lot, sum(quantity) as promised
    from reservations
    where ended_at is null
      and job is distinct from $1::uuid
    group by lot
  ) r on r.lot = l.id
where l.quantity > 0
order by l.id`,
);
/** What is on its way; it comes at the end of its day. */
export const COMING = rows(
  z.object({ stock: z.string(), at: z.number(), quantity: z.number() }),
  `
select stock, extract(epoch from comes_on + 1)::float8 as at, quantity
from purchases
where state = 'ordered'
order by comes_on`,
);
/**
 * Work of released jobs that are due before a job, by machine: all that is not done, in seconds, and the last of them. $1 uuid job, null for one that is not there yet
 */
export const BUSY = rows(
  z.object({ machine: z.string(), seconds: z.number(), job: z.number() }),
  `
select s.machine, sum(s.takes_s)::float8 as seconds, (array_agg(j.number order by j.due_at desc, j.number desc))[1] as job
from jobs j
  join released_steps s on s.job = j.id
where j.state in ('part', 'released', 'revising')
  and j.id is distinct from $1::uuid
  and (j.due_at, j.number) < (
    coalesce((select due_at from jobs where id = $1::uuid), 'infinity'),
    coalesce((select number from jobs where id = $1::uuid), 2147483647)
  )
  and s.nr = (select max(l.nr) from released_steps l where l.job = s.job and l.step = s.step)
  and not exists (select 1 from floor_log e where e.job = s.job and e.step = s.step and e.kind = 'runEnd'
    and not exists (select 1 from floor_log b where b.other = e.id and b.kind = 'counter'))
group by s.machine`,
);
const HoursEntry = z.object({
  id: z.string(),
  machine: z.string(),
  from: z.number(),
  until: z.number(),
  opens: z.boolean(),
  why: z.string(),
  by: z.string(),
});
export type HoursEntry = z.infer<typeof HoursEntry>;
/** Hours of machines that are other than their calendars and not over, in the order in which they were entered. $1 float8 epoch */
export const HOURS_CHANGED = rows(
  HoursEntry,
  `
select
  h.id, h.machine, extract(epoch from h.from_at)::float8 as from, extract(epoch from h.until_at)::float8 as until, h.opens, h.why,
  u.full_name as by
from machine_hours h
  join users u on u.id = h.made_by
where h.ended_by is null
  and h.until_at > to_timestamp($1)
order by h.at, h.id`,
);
/** $1 uuid, $2 text machine, $3 float8 from, $4 float8 until, $5 bool opens, $6 text why, $7 uuid person */
export const ADD_HOURS = `
insert into machine_hours (id, machine, from_at, until_at, opens, why, made_by)
values ($1, $2, to_timestamp($3), to_timestamp($4), $5, $6, $7)
on conflict (id) do nothing`;
/** $1 uuid, $2 uuid person */
export const END_HOURS = `update machine_hours set ended_by = $2 where id = $1 and ended_by is null`;
/** Jobs that make something for another, with the card of the tool they made. $1 text[] jobs */
export const MADE_ELSEWHERE = rows(
  z.object({
    id: z.string(),
    number: z.number(),
    name: z.string(),
    readyAt: z.number(),
    delivered: z.boolean(),
    money: z.number(),
    tool: z.string().nullable(),
    products: z.custom<JobSpec['products']>((read) => typeof read === 'object' && read !== null),
  }),
  `
select
  j.id, s.spec -> 'products' as products, j.number, j.title as name, ready_of(j.id, j.summary) as "readyAt", j.state = 'delivered' as delivered,
  (j.summary ->> 'money')::float8 as money,
  case when j.state = 'delivered' then (
    select t.id
    from tools t
    where t.job = j.child_of
      and (t.stone = j.makes_tool or starts_with(t.stone, j.makes_tool || '.'))
      and t.state in ('checked', 'onPress', 'stored')
    -- Of a set the one whose life ends first.
    order by t.life, t.id
    limit 1
  ) end as tool
from jobs j
  join specs s on s.job = j.id and s.version = j.version
where j.id::text = any($1)`,
);
/** The last answer to each gate and version that was not taken back. $1 uuid job */
export const GATES_ANSWERED = rows(
  z.object({ gate: z.string(), version: z.string(), answer: z.enum(['yes', 'no']) }),
  `
select distinct on (a.gate, a.version) a.gate, a.version, a.answer
from gate_answers a
where a.job = $1
  and a.answer <> 'back'
  and not exists (select 1 from gate_answers b where b.takes_back = a.id)
order by a.gate, a.version, a.id desc`,
);
/** What was released early, release by release, since the last release of the whole. $1 uuid job */
export const FROZEN = rows(
  z.object({ frozen: z.record(z.string(), z.string()) }),
  `
select frozen
from releases
where job = $1
  and scope is not null
  and nr > coalesce((select max(nr) from releases where job = $1 and scope is null), 0)
order by nr`,
);
/** $1 text[] ids of tools; empty: all. */
export const TOOLS = rows(
  z.object({ id: z.string(), spec: z.string(), lifeLeft: z.number(), state: z.enum(['store', 'out', 'customer']) }),
  `
select
  id, spec, greatest(life - used, 0) as "lifeLeft",
  case when state in ('out', 'customer') then state else 'store' end as state
from tools
where kind <> 'plate' and state not in ('planned', 'imaged', 'spoilt', 'recycled') and (cardinality($1::text[]) = 0 or id = any($1))
order by id`,
);

/** The plant in force, locked until the transaction ends. */
export const PLANT_LOCKED = rows(z.object({ hash: z.string() }), `select hash from plant_in_force for update`);
/** $1 text hash, $2 json plant */
export const ADD_PLANT = `insert into plants (hash, plant) values ($1, $2) on conflict (hash) do nothing`;
/** $1 text hash */
export const SET_PLANT = `update plant_in_force set hash = $1, since = now()`;
/** $1 text plant, $2 text the one before, $3 text reason, $4 uuid person */
export const ADD_PLANT_CHANGE = `insert into plant_changes (plant, before, reason, who) values ($1, $2, $3, $4)`;
/** The newest hundred changes. */
export const PLANT_CHANGES = rows(
  PlantChange,
  `
select c.plant, c.before, c.reason, u.full_name as by, extract(epoch from c.at)::float8 as at
from plant_changes c
  join users u on u.id = c.who
order by c.id desc
limit 100`,
);
/** Drafts after a number, with what planning them needs. $1 int number, $2 int rows */
export const DRAFTS = rows(
  z.object({ id: z.string(), number: z.number(), title: z.string(), version: z.number(), spec: z.unknown(), plant: z.string() }),
  `
select j.id, j.number, j.title, j.version, s.spec, s.plant
from jobs j
  join specs s on s.job = j.id and s.version = j.version
where j.state in ('draft', 'part')
  and j.alt = 0
  and j.number > $1
order by j.number
limit $2`,
);
export const COUNT_DRAFTS = rows(
  z.object({ n: z.number() }),
  `select count(*)::int as n from jobs where state in ('draft', 'part') and alt = 0`,
);
