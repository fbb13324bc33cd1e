import * as z from 'zod';
import { Customer, type JobState, OrderPage, OrderTotals } from '@druckerei/contract';
import { type Rows, rows } from '../db/rows';

const OrderEntered = z.object({ job: z.string(), number: z.number() });

export const CUSTOMERS = rows(
  Customer,
  `
select id, name, address, pallet_kg as "palletKg", pallet_mm as "palletMm"
from customers
order by name collate "und-x-icu"`,
);
/** $1 uuid id, $2 text name, $3 text address */
export const ADD_CUSTOMER = `insert into customers (id, name, address) values ($1, $2, $3) on conflict (id) do nothing`;
/** $1 uuid */
export const CUSTOMER_BY_ID = rows(
  Customer,
  `select id, name, address, pallet_kg as "palletKg", pallet_mm as "palletMm" from customers where id = $1`,
);

/**
 * What is chosen of the list: $1 words of a query as text ('' for all), $2 states as text[], $3 as text which of them (any, those that block a release, those that
 * are or will be late), $4 now as float8. An alternative is no order.
 */
export type Chosen = readonly [words: string, states: readonly JobState[], only: 'any' | 'blocked' | 'late', now: number];
/** Which of them, as a condition; each names $4, or its type would not be known. Late as core says it of Today: ready, or now, behind due. */
const ONLY = {
  any: `$4::float8 is not null`,
  blocked: `$4::float8 is not null and j.blocking > 0`,
  late: `extract(epoch from j.due_at) < greatest(ready_of(j.id, j.summary), $4::float8)`,
} as const;
/** A statement over what is chosen, written for each way to choose: one that had every way in it could be planned for none. */
function overChosen<T>(row: z.ZodType<T>, sql: (chosen: string) => string): (of: Chosen) => Rows<T> {
  const written = new Map<string, Rows<T>>();
  return ([words, , only]) => {
    const chosen = `
  j.alt = 0
  and ${words === '' ? `$1 = ''` : `j.words @@ to_tsquery('simple', $1)`}
  and j.state = any($2::text[])
  and $3::text = '${only}'
  and ${ONLY[only]}`;
    const known = written.get(chosen) ?? rows(row, sql(chosen));
    written.set(chosen, known);
    return known;
  };
}
const Page = z.object({ rows: z.string(), key: z.string().nullable(), number: z.number().nullable() });
/**
 * A page of the list, written as the rows of its reply; and the key of its last row where more follow. Which rows they are is found first: a word that stands in
 * every title would have every row carried along.
 * $1 to $4 as above, $5 key, $6 int number, $7 int rows
 */
const page = (key: string, after: string, order: string): ((of: Chosen) => Rows<z.infer<typeof Page>>) =>
  overChosen(
    Page,
    (chosen) => `
with found as (
  select j.id, ${key} as key, row_number() over (order by ${order}) as nr
  from jobs j
  where ${chosen}
    and ${after}
  order by ${order}
  limit $7::int + 1
)
select
  '[' || coalesce(string_agg(
    json_build_object(
      'job', j.id, 'number', j.number, 'title', j.title, 'customer', j.customer, 'quantity', j.quantity, 'state', j.state,
      'dueAt', case when j.due_at = 'infinity' then null else extract(epoch from j.due_at)::float8 end,
      'version', j.version, 'summary', j.summary - '{of,needs,tools,mixed}'::text[] || jsonb_build_object('readyAt', ready_of(j.id, j.summary))
    )::text, ',' order by f.nr
  ) filter (where f.nr <= $7), '') || ']' as rows,
  case when max(f.nr) > $7 then max(f.key) filter (where f.nr = $7) end as key,
  case when max(f.nr) > $7 then max(j.number) filter (where f.nr = $7) end as number
from found f
  join jobs j on j.id = f.id`,
  );
/** A page of the list after a key, by each way to sort. */
export const ORDER_PAGES = {
  due: page('j.due_at::text', '(j.due_at, j.number) > ($5::timestamptz, $6::int)', 'j.due_at, j.number'),
  customer: page('j.customer', '(j.customer, j.number) > ($5::text, $6::int)', 'j.customer, j.number'),
  newest: page(`''`, `j.number < $6::int and $5::text is not null`, 'j.number desc'),
} as const;
/** Sums over all that is chosen, not over a page. $1 to $4 as above. */
export const ORDER_TOTALS = overChosen(
  OrderTotals,
  (chosen) => `
select
  count(*)::int as orders,
  coalesce(sum(j.machine_s), 0) as "machineS",
  coalesce(sum(j.pulled) filter (where j.pulled_unit = 'sheet'), 0) as sheets,
  coalesce(sum(j.pulled) filter (where j.pulled_unit = 'metre'), 0) as metres,
  coalesce(sum(j.undecided), 0)::int as undecided
from jobs j
where ${chosen}`,
);
/** Writes what lists sort by, from the rows it comes from; of a child job from the job it makes pieces for. $1 uuid job */
export const SET_LIST_KEYS = `
update jobs j
set
  customer = coalesce((
    select c.name
    from job_items i
      join order_lines l on l.id = i.order_line
      join orders o on o.id = l.order_id
      join customers c on c.id = o.customer
    where i.job = j.id
    order by i.item
    limit 1
  ), (select p.customer from jobs p where p.id = j.child_of), ''),
  quantity = coalesce((
    select sum(l.quantity)
    from job_items i
      join order_lines l on l.id = i.order_line
    where i.job = j.id
  ), (j.summary ->> 'good')::numeric, 0),
  due_at = coalesce((
    select min(d.due_at)
    from job_items i
      join deliveries d on d.order_line = i.order_line
    where i.job = j.id
  ), (select p.due_at from jobs p where p.id = j.child_of), 'infinity')
where j.id = $1`;

/** The next number of an order or job: both count in one sequence. */
export const NEXT_NUMBER = rows(z.object({ number: z.number() }), `select nextval('order_numbers')::int as number`);
/** $1 uuid order */
export const ORDER_JOB = rows(
  OrderEntered,
  `
select j.id as job, j.number
from order_lines l
  join job_items i on i.order_line = l.id
  join jobs j on j.id = i.job
where l.order_id = $1
limit 1`,
);
/** Lines of orders with their deliveries as they are now. $1 json [{line, title, quantity, most deliveries}], $2 json [{line, nr, by, at, quantity, to}] */
export const SET_LINES = `
with titled as (
  update order_lines l
  set title = x.title, quantity = x.quantity
  from jsonb_to_recordset($1) as x(line uuid, title text, quantity bigint)
  where l.id = x.line
), gone as (
  delete from deliveries d
  using jsonb_to_recordset($1) as x(line uuid, most int)
  where d.order_line = x.line and d.nr > x.most
)
insert into deliveries (order_line, nr, due_local, due_at, quantity, address)
select line, nr, by, to_timestamp(at), quantity, "to"
from jsonb_to_recordset($2) as x(line uuid, nr int, by text, at float8, quantity bigint, "to" text)
on conflict (order_line, nr) do update
set due_local = excluded.due_local, due_at = excluded.due_at, quantity = excluded.quantity, address = excluded.address`;

/** $1 uuid order */
export const ORDER_BY_ID = rows(
  OrderPage.omit({ lines: true }),
  `
select o.id, o.number, c.name as customer, extract(epoch from o.made_at)::float8 as "madeAt", u.full_name as by
from orders o
  join customers c on c.id = o.customer
  join users u on u.id = o.made_by
where o.id = $1`,
);
/** $1 uuid order */
export const ORDER_LINES = rows(
  OrderPage.shape.lines.element.omit({ deliveries: true, jobs: true }),
  `select id, title, quantity from order_lines where order_id = $1 order by title, id`,
);
/** $1 uuid order */
export const ORDER_DELIVERIES = rows(
  OrderPage.shape.lines.element.shape.deliveries.element.extend({ line: z.string() }),
  `
select d.order_line as line, d.nr, d.due_local as by, extract(epoch from d.due_at)::float8 as "dueAt", d.quantity, d.address as to
from deliveries d
  join order_lines l on l.id = d.order_line
where l.order_id = $1
order by d.due_at, d.nr`,
);
/** The jobs that make the lines of an order, and how many orders each works for. $1 uuid order */
export const LINE_JOBS = rows(
  OrderPage.shape.lines.element.shape.jobs.element.extend({ line: z.string() }),
  `
select
  i.order_line as line,
  j.id as job, j.number, j.title, i.item, j.state,
  ready_of(j.id, j.summary) as "readyAt",
  (j.summary ->> 'money')::float8 as money,
  (j.summary ->> 'good')::float8 as good,
  (
    select count(distinct l2.order_id)::int
    from job_items i2
      join order_lines l2 on l2.id = i2.order_line
    where i2.job = j.id
  ) as orders
from job_items i
  join order_lines l on l.id = i.order_line
  join jobs j on j.id = i.job
where l.order_id = $1
order by j.number`,
);
/** The newest jobs of a customer. $1 uuid customer */
export const CUSTOMER_JOBS = rows(
  z.object({ job: z.string(), number: z.number(), title: z.string(), quantity: z.number() }),
  `
select distinct on (j.number) j.id as job, j.number, j.title, j.quantity
from jobs j
  join job_items i on i.job = j.id
  join order_lines l on l.id = i.order_line
  join orders o on o.id = l.order_id
where o.customer = $1
order by j.number desc
limit 10`,
);
/** The chosen orders as a file has them. $1 to $4 as above, $5 int rows */
export const ORDER_EXPORT = overChosen(
  z.record(z.string(), z.union([z.string(), z.number()])),
  (chosen) => `
select
  j.number,
  j.title as product,
  j.customer,
  j.quantity,
  j.state,
  case when j.due_at = 'infinity' then '' else to_char(j.due_at at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI"Z"') end as due,
  to_char(to_timestamp(ready_of(j.id, j.summary)) at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI"Z"') as ready,
  j.pulled as "to pull",
  j.pulled_unit as unit,
  (j.summary ->> 'plates')::float8 as plates,
  round((j.machine_s / 3600)::numeric, 2)::float8 as "machine hours",
  round((j.summary ->> 'money')::numeric, 2)::float8 as "planning cost",
  j.blocking as "findings that block",
  j.undecided as "to decide"
from jobs j
where ${chosen}
order by j.due_at, j.number
limit $5`,
);
