import * as z from 'zod';
import { EditSchema, type JobSpec, type Plan } from '@druckerei/core';
import type { PlanSummary } from '@druckerei/core/planning';
import { Alternative, GateAnswer, JOB_STATES, Release } from '@druckerei/contract';
import { bytes, rows, written } from '../db/rows';

/** A job with its newest specification, which its own door reads. */
const JobRow = z.object({
  id: z.string(),
  number: z.number(),
  alt: z.number(),
  altName: z.string(),
  alternativeOf: z.string().nullable(),
  /** The job it makes a tool for. */
  madeFor: z.string().nullable(),
  state: z.enum(JOB_STATES),
  version: z.number(),
  summary: written<PlanSummary>(),
  spec: written<JobSpec>(),
  plant: z.string(),
  customer: z.string(),
  customerId: z.string().nullable(),
  customerAddress: z.string(),
  palletKg: z.number().nullable(),
  palletMm: z.number().nullable(),
});
export type JobRow = z.infer<typeof JobRow>;

/** $1 uuid, $2 int number, $3 text title, $4 json summary, $5 text picture, $6 uuid the job it is a plan of, $7 int which, $8 text its name */
export const ADD_JOB = `
insert into jobs (id, number, title, state, version, summary, picture, alternative_of, alt, alt_name)
values ($1, $2, $3, 'draft', 1, $4, $5, $6, $7, $8)`;
/** $1 uuid job, $2 text item, $3 uuid line */
export const ADD_ITEM = `insert into job_items (job, item, order_line) values ($1, $2, $3)`;
/** $1 uuid job, $2 int version, $3 json spec, $4 text plant, $5 json edits, $6 uuid person, $7 uuid key */
export const ADD_SPEC = `insert into specs (job, version, spec, plant, edits, saved_by, save_key) values ($1, $2, $3, $4, $5, $6, $7)`;
/** $1 uuid person, $2 text what, $3 uuid job, $4 json detail */
export const ADD_EVENT = `insert into events (who, what, job, detail) values ($1, $2, $3, $4)`;

const JOB = `
select
  j.id, j.number, j.alt, j.alt_name as "altName", j.alternative_of as "alternativeOf",
  case when j.makes_tool is not null then j.child_of end as "madeFor", j.state, j.version, j.summary,
  s.spec, s.plant,
  coalesce(c.name, '') as customer,
  c.id        as "customerId",
  coalesce(c.address, '') as "customerAddress",
  c.pallet_kg as "palletKg",
  c.pallet_mm as "palletMm"
from jobs j
  join specs s on s.job = j.id and s.version = j.version
  left join lateral (
    select c.*
    from job_items i
      join order_lines l on l.id = i.order_line
      join orders o on o.id = l.order_id
      join customers c on c.id = o.customer
    where i.job = coalesce((select h.child_of from jobs h where h.id = coalesce(j.alternative_of, j.id)), j.alternative_of, j.id)
    order by i.item
    limit 1
  ) c on true
where j.id = $1`;
/** A job with its newest specification. $1 uuid */
export const JOB_BY_ID = rows(JobRow, JOB);
/** Locks a job until the transaction ends. Alone: a join that waited for the lock would look for the specification of before. $1 uuid */
export const LOCK_JOB = `select id from jobs where id = $1 for update`;
/** The picture of the product as last saved. $1 uuid job */
export const PICTURE = rows(z.object({ version: z.number(), picture: z.string() }), `select version, picture from jobs where id = $1`);
/** Releases of a job, oldest first. $1 uuid */
export const RELEASES = rows(
  Release,
  `
select r.nr, extract(epoch from r.released_at)::float8 as at, u.full_name as by, r.scope, r.reason
from releases r
  join users u on u.id = r.released_by
where r.job = $1
order by r.nr`,
);
/** A save that was sent before. $1 uuid job, $2 uuid key */
export const SAVED_BEFORE = rows(z.object({ version: z.number() }), `select version from specs where job = $1 and save_key = $2`);
/** What others saved after a version: all but one save. $1 uuid job, $2 int version, $3 uuid key */
export const EDITS_SINCE = rows(
  z.object({ edits: z.array(EditSchema), by: z.string() }),
  `
select s.edits, u.full_name as by
from specs s
  join users u on u.id = s.saved_by
where s.job = $1
  and s.version > $2
  and s.save_key is distinct from $3
order by s.version`,
);
/**
 * The next version of a job, what lists show of it, and that it happened. $1 uuid job, $2 int version, $3 json spec, $4 text plant, $5 json edits, $6 uuid person,
 * $7 uuid key, $8 json summary, $9 text title, $10 text picture, $11 text state, $12 text what, $13 json detail
 */
export const SAVE_VERSION = `
with spec as (
  insert into specs (job, version, spec, plant, edits, saved_by, save_key) values ($1, $2, $3, $4, $5, $6, $7)
), event as (
  insert into events (who, what, job, detail) values ($6, $12, $1, $13)
)
update jobs
set version = $2, summary = $8, title = $9, picture = $10, state = $11, changed_at = now()
where id = $1`;
/** $1 uuid job, $2 text state, $3 float8 epoch seconds */
export const SET_STATE = `
update jobs
set state = $2, delivered_at = case when $2 = 'delivered' then to_timestamp($3) end, changed_at = now()
where id = $1`;
/** $1 text hash, $2 text mime, $3 bytea */
export const ADD_FILE = `insert into files (hash, mime, bytes) values ($1, $2, $3) on conflict (hash) do nothing`;
/** $1 uuid job, $2 int nr, $3 int version, $4 json snapshot, $5 text plan hash, $6 text file, $7 uuid person, $8 text[] scope, $9 json frozen, $10 text reason */
export const ADD_RELEASE = rows(
  z.object({ at: z.number() }),
  `
insert into releases (job, nr, version, snapshot, plan_hash, ticket, released_by, scope, frozen, reason)
values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10)
returning extract(epoch from released_at)::float8 as at`,
);
/** The ticket of the newest release. $1 uuid job */
export const TICKET_FILE = rows(
  z.object({ bytes: bytes, mime: z.string() }),
  `
select f.bytes, f.mime
from releases r
  join files f on f.hash = r.ticket
where r.job = $1
order by r.nr desc
limit 1`,
);

/** A release's snapshot. $1 uuid job, $2 int nr */
export const SNAPSHOT = rows(
  z.object({ snapshot: written<{ spec: unknown; plan: Plan }>() }),
  `select snapshot, plan_hash as "planHash" from releases where job = $1 and nr = $2`,
);
/** The newest release of the whole. $1 uuid job */
export const LAST_WHOLE = rows(
  z.object({ nr: z.number(), version: z.number() }),
  `
select nr, version
from releases
where job = $1
  and scope is null
order by nr desc
limit 1`,
);
/** A specification as it was in a version. $1 uuid job, $2 int version */
export const SPEC_OF = rows(
  z.object({ spec: z.unknown(), plant: z.string() }),
  `select spec, plant from specs where job = $1 and version = $2`,
);
/** Orders a job works for, item by item. $1 uuid job */
export const JOB_ORDERS = rows(
  z.object({ id: z.string(), number: z.number(), customer: z.string(), item: z.string() }),
  `
select o.id, o.number, c.name as customer, i.item
from job_items i
  join order_lines l on l.id = i.order_line
  join orders o on o.id = l.order_id
  join customers c on c.id = o.customer
where i.job = $1
order by o.number, i.item`,
);
/** Answers to the gates of a job, oldest first. $1 uuid job */
export const GATE_ANSWERS = rows(
  GateAnswer,
  `
select a.id::int, a.gate, a.version, a.answer, a.takes_back::int as "takesBack", a.note, u.full_name as by, extract(epoch from a.at)::float8 as at
from gate_answers a
  join users u on u.id = a.who
where a.job = $1
order by a.id`,
);
/** $1 uuid job, $2 text gate, $3 text version, $4 text answer, $5 bigint taken back, $6 text note, $7 uuid person */
export const ADD_GATE_ANSWER = `
insert into gate_answers (job, gate, version, answer, takes_back, note, who)
values ($1, $2, $3, $4, $5, $6, $7)`;

/** A job and its other plans, the job first. $1 uuid job */
export const ALTERNATIVES = rows(
  Alternative,
  `
select id as job, alt, alt_name as name, state, version, summary
from jobs
where id = $1
  or alternative_of = $1
order by alt`,
);
/** $1 uuid job */
export const NEXT_ALT = rows(
  z.object({ alt: z.number() }),
  `select coalesce(max(alt), 0)::int + 1 as alt from jobs where alternative_of = $1`,
);
/** $1 uuid job, $2 text item */
export const DROP_ITEM = `delete from job_items where job = $1 and item = $2`;
/** Makes a job another plan of one. $1 uuid job, $2 uuid of which, $3 int which, $4 text name */
export const SET_ALTERNATIVE = `
update jobs
set alternative_of = $2, alt = $3, alt_name = $4, number = (select number from jobs where id = $2), changed_at = now()
where id = $1`;
/** Versions of a job with who saved them. $1 uuid job */
export const VERSIONS = rows(
  z.object({ version: z.number(), edits: z.array(EditSchema), by: z.string(), at: z.number() }),
  `
select s.version, s.edits, u.full_name as by, extract(epoch from s.saved_at)::float8 as at
from specs s
  join users u on u.id = s.saved_by
where s.job = $1
order by s.version desc
limit 500`,
);
/** Events of a job, the newest first. $1 uuid job */
export const JOB_EVENTS = rows(
  z.object({ what: z.string(), detail: z.record(z.string(), z.unknown()), by: z.string(), at: z.number() }),
  `
select e.what, e.detail, coalesce(u.full_name, '') as by, extract(epoch from e.at)::float8 as at
from events e
  left join users u on u.id = e.who
where e.job = $1
order by e.id desc
limit 1000`,
);
/** What lists show, planned again where the shelf changed and the specification did not. $1 uuid job, $2 json summary */
export const SET_SUMMARY = `update jobs set summary = $2, changed_at = now() where id = $1`;
/** Drafts planned by another core, after a number. $1 text core, $2 int number, $3 int rows */
export const OUTDATED = rows(
  z.object({
    id: z.string(),
    number: z.number(),
    spec: z.unknown(),
    plant: z.string(),
    palletKg: z.number().nullable(),
    palletMm: z.number().nullable(),
  }),
  `
select j.id, j.number, s.spec, s.plant, c.pallet_kg as "palletKg", c.pallet_mm as "palletMm"
from jobs j
  join specs s on s.job = j.id and s.version = j.version
  left join customers c on c.name = j.customer
where j.state in ('draft', 'part')
  and j.alt = 0
  and j.summary -> 'of' ->> 'core' is distinct from $1
  and j.number > $2
order by j.number
limit $3`,
);
