/** $1 uuid, $2 int number, $3 text title, $4 json summary, $5 text picture */
export const ADD_JOB = `insert into jobs (id, number, title, state, version, summary, picture) values ($1, $2, $3, 'draft', 1, $4, $5)`;
/** $1 uuid job, $2 text item, $3 uuid line */
export const ADD_ITEM = `insert into job_items (job, item, order_line) values ($1, $2, $3)`;
/** $1 uuid job, $2 int version, $3 json spec, $4 text plant, $5 json edits, $6 uuid person, $7 uuid key */
export const ADD_SPEC = `insert into specs (job, version, spec, plant, edits, saved_by, save_key) values ($1, $2, $3, $4, $5, $6, $7)`;
/** $1 uuid person, $2 text what, $3 uuid job, $4 json detail */
export const ADD_EVENT = `insert into events (who, what, job, detail) values ($1, $2, $3, $4)`;

const JOB = `
select
  j.id, j.number, j.state, j.version, j.summary,
  s.spec, s.plant,
  c.name      as customer,
  c.address   as "customerAddress",
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
    where i.job = j.id
    limit 1
  ) c on true
where j.id = $1`;
/** A job with its newest specification. $1 uuid */
export const JOB_BY_ID = JOB;
/** The same, locked until the transaction ends. $1 uuid */
export const JOB_LOCKED = `${JOB}\nfor update of j`;
/** The picture of the product as last saved. $1 uuid job */
export const PICTURE = `select version, picture from jobs where id = $1`;
/** Releases of a job, oldest first. $1 uuid */
export const RELEASES = `
select r.nr, extract(epoch from r.released_at)::float8 as at, u.full_name as by
from releases r
  join users u on u.id = r.released_by
where r.job = $1
order by r.nr`;
/** A save that was sent before. $1 uuid job, $2 uuid key */
export const SAVED_BEFORE = `select version from specs where job = $1 and save_key = $2`;
/** What others saved after a version. $1 uuid job, $2 int version */
export const EDITS_SINCE = `
select s.edits, u.full_name as by
from specs s
  join users u on u.id = s.saved_by
where s.job = $1
  and s.version > $2
order by s.version`;
/** $1 uuid job, $2 int version, $3 json summary, $4 text title, $5 text picture */
export const SET_VERSION = `update jobs set version = $2, summary = $3, title = $4, picture = $5, changed_at = now() where id = $1`;
/** $1 uuid job, $2 int version, $3 json summary */
export const SET_RELEASED = `update jobs set state = 'released', version = $2, summary = $3, changed_at = now() where id = $1`;
/** $1 text hash, $2 text mime, $3 bytea */
export const ADD_FILE = `insert into files (hash, mime, bytes) values ($1, $2, $3) on conflict (hash) do nothing`;
/** $1 uuid job, $2 int nr, $3 int version, $4 json snapshot, $5 text plan hash, $6 text file, $7 uuid person */
export const ADD_RELEASE = `
insert into releases (job, nr, version, snapshot, plan_hash, ticket, released_by)
values ($1, $2, $3, $4, $5, $6, $7)
returning extract(epoch from released_at)::float8 as at`;
/** The ticket of the newest release. $1 uuid job */
export const TICKET_FILE = `
select f.bytes, f.mime
from releases r
  join files f on f.hash = r.ticket
where r.job = $1
order by r.nr desc
limit 1`;
