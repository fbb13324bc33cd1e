import * as z from 'zod';
import { rows } from '../db/rows';

/* Each takes its rows as one JSON list, so that a thousand orders are as many statements as one. */

/** Gives the numbers of those that are new. $1 json [{id, customer}], $2 uuid person */
export const ENTER_ORDERS = rows(
  z.object({ id: z.string(), number: z.number() }),
  `
insert into orders (id, customer, made_by)
select id, customer, $2
from jsonb_to_recordset($1) as x(id uuid, customer uuid)
on conflict (id) do nothing
returning id, number`,
);
/** $1 json [{id, number, title, summary, picture, customer, quantity, due}] */
export const ENTER_JOBS = `
insert into jobs (id, number, title, state, version, summary, picture, customer, quantity, due_at)
select id, number, title, 'draft', 1, summary, picture, customer, quantity, coalesce(to_timestamp(due), 'infinity')
from jsonb_to_recordset($1) as x(id uuid, number int, title text, summary jsonb, picture text, customer text, quantity bigint, due float8)`;
/** $1 json [{id, order, title, quantity}] */
export const ENTER_LINES = `
insert into order_lines (id, order_id, title, quantity)
select id, "order", title, quantity
from jsonb_to_recordset($1) as x(id uuid, "order" uuid, title text, quantity bigint)`;
/** $1 json [{job, item, line}] */
export const ENTER_ITEMS = `
insert into job_items (job, item, order_line)
select job, item, line
from jsonb_to_recordset($1) as x(job uuid, item text, line uuid)`;
/** $1 json [{line, nr, by, at, quantity, to}] */
export const ENTER_DELIVERIES = `
insert into deliveries (order_line, nr, due_local, due_at, quantity, address)
select line, nr, by, to_timestamp(at), quantity, "to"
from jsonb_to_recordset($1) as x(line uuid, nr int, by text, at float8, quantity bigint, "to" text)`;
/** $1 json [{job, spec, key}], $2 text plant, $3 uuid person */
export const ENTER_SPECS = `
insert into specs (job, version, spec, plant, edits, saved_by, save_key)
select job, 1, spec, $2, '[]', $3, key
from jsonb_to_recordset($1) as x(job uuid, spec jsonb, key uuid)`;
/** $1 json [{job, detail}], $2 uuid person */
export const ENTER_EVENTS = `
insert into events (who, what, job, detail)
select $2, 'order.entered', job, detail
from jsonb_to_recordset($1) as x(job uuid, detail jsonb)`;
