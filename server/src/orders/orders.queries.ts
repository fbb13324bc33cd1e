export const CUSTOMERS = `
select id, name, address, pallet_kg as "palletKg", pallet_mm as "palletMm"
from customers
order by name collate "und-x-icu"`;
/** $1 uuid id, $2 text name, $3 text address */
export const ADD_CUSTOMER = `insert into customers (id, name, address) values ($1, $2, $3) on conflict (id) do nothing`;
/** $1 uuid */
export const CUSTOMER_BY_ID = `select id, name, address, pallet_kg as "palletKg", pallet_mm as "palletMm" from customers where id = $1`;

/** Orders in hand, the next due first. $1 text to find in title, customer or number; '' for all. */
export const ORDER_ROWS = `
select
  j.id                            as job,
  j.number,
  j.title,
  c.name                          as customer,
  l.quantity,
  j.state,
  extract(epoch from d.due)::float8 as "dueAt",
  j.version,
  j.summary
from jobs j
  join job_items i on i.job = j.id
  join order_lines l on l.id = i.order_line
  join orders o on o.id = l.order_id
  join customers c on c.id = o.customer
  left join lateral (select min(due_at) as due from deliveries where order_line = l.id) d on true
where $1 = ''
  or position(lower($1) in lower(j.title || ' ' || c.name || ' ' || j.number)) > 0
order by
  d.due nulls last,
  j.number
limit 500`;

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
