export const CUSTOMERS = `
select id, name, address, pallet_kg as "palletKg", pallet_mm as "palletMm"
from customers
order by name collate "und-x-icu"`;
/** $1 uuid id, $2 text name, $3 text address */
export const ADD_CUSTOMER = `insert into customers (id, name, address) values ($1, $2, $3) on conflict (id) do nothing`;
/** $1 uuid */
export const CUSTOMER_BY_ID = `select id, name, address, pallet_kg as "palletKg", pallet_mm as "palletMm" from customers where id = $1`;

const ROW = `
select
  j.id as job,
  j.number,
  j.title,
  j.customer,
  j.quantity,
  j.state,
  case when j.due_at = 'infinity' then null else extract(epoch from j.due_at)::float8 end as "dueAt",
  j.version,
  j.summary - 'of' as summary,
  j.due_at::text as "dueKey"
from jobs j`;
/** $1 text words of a query ('' for all), $2 text state ('' for all), $3 boolean blocked only */
const CHOSEN = `
  ($1 = '' or j.words @@ to_tsquery('simple', $1))
  and ($2 = '' or j.state = $2)
  and (not $3::boolean or j.blocking > 0)`;
/** A page of the list after a key, by each way to sort. $1 to $3 as above, $4 key, $5 int number, $6 int rows. */
export const ORDER_PAGES = {
  due: `${ROW}
where ${CHOSEN}
  and (j.due_at, j.number) > ($4::timestamptz, $5::int)
order by j.due_at, j.number
limit $6`,
  customer: `${ROW}
where ${CHOSEN}
  and (j.customer, j.number) > ($4::text, $5::int)
order by j.customer, j.number
limit $6`,
  newest: `${ROW}
where ${CHOSEN}
  and j.number < $5::int
  and $4::text is not null
order by j.number desc
limit $6`,
} as const;
/** Sums over all that is chosen, not over a page. $1 to $3 as above. */
export const ORDER_TOTALS = `
select
  count(*)::int as orders,
  coalesce(sum(j.machine_s), 0) as "machineS",
  coalesce(sum(j.pulled) filter (where j.pulled_unit = 'sheet'), 0) as sheets,
  coalesce(sum(j.pulled) filter (where j.pulled_unit = 'metre'), 0) as metres,
  coalesce(sum(j.undecided), 0)::int as undecided
from jobs j
where ${CHOSEN}`;
/** Writes what lists sort by, from the rows it comes from. $1 uuid job */
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
  ), ''),
  quantity = coalesce((
    select sum(l.quantity)
    from job_items i
      join order_lines l on l.id = i.order_line
    where i.job = j.id
  ), 0),
  due_at = coalesce((
    select min(d.due_at)
    from job_items i
      join deliveries d on d.order_line = i.order_line
    where i.job = j.id
  ), 'infinity')
where j.id = $1`;

/** $1 uuid order, $2 uuid customer, $3 uuid person; gives the number. Nothing where the order is there already. */
export const ADD_ORDER = `insert into orders (id, customer, made_by) values ($1, $2, $3) on conflict (id) do nothing returning number`;
/** $1 uuid order */
export const ORDER_JOB = `
select j.id as job, j.number
from order_lines l
  join job_items i on i.order_line = l.id
  join jobs j on j.id = i.job
where l.order_id = $1
limit 1`;
/** $1 uuid line, $2 uuid order, $3 text title, $4 bigint quantity */
export const ADD_LINE = `insert into order_lines (id, order_id, title, quantity) values ($1, $2, $3, $4)`;
/** $1 uuid line */
export const DROP_DELIVERIES = `delete from deliveries where order_line = $1`;
/** $1 uuid line, $2 int nr, $3 text local, $4 double epoch seconds, $5 bigint quantity, $6 text address */
export const ADD_DELIVERY = `insert into deliveries (order_line, nr, due_local, due_at, quantity, address) values ($1, $2, $3, to_timestamp($4), $5, $6)`;
/** $1 uuid line, $2 text title, $3 bigint quantity */
export const SET_LINE = `update order_lines set title = $2, quantity = $3 where id = $1`;
