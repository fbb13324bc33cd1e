import * as z from 'zod';
import { rows } from '../db/rows';

/** Deliveries of open jobs, the next due first. $1 int rows */
export const DELIVERIES_DUE = rows(
  z.object({
    job: z.string(),
    number: z.number(),
    title: z.string(),
    customer: z.string(),
    item: z.string(),
    nr: z.number(),
    due: z.number(),
    quantity: z.number(),
    address: z.string(),
    readyAt: z.number(),
    state: z.string(),
  }),
  `
select
  j.id as job, j.number, j.title, j.customer, i.item, d.nr,
  extract(epoch from d.due_at)::float8 as due, d.quantity::float8, d.address,
  ready_of(j.id, j.summary) as "readyAt", j.state
from jobs j
  join job_items i on i.job = j.id
  join deliveries d on d.order_line = i.order_line
where j.alt = 0
  and j.state <> 'delivered'
order by d.due_at, j.number, d.nr
limit $1`,
);

/**
 * Lots of paper and goods that went into a job: issued by the store (less what came back), and named where they were taken in at a machine. $1 uuid job
 */
export const LOTS_OF_JOB = rows(
  z.object({ lot: z.string(), stock: z.string().nullable(), owner: z.string().nullable(), issued: z.number(), taken: z.number() }),
  `
with used as (
  select lot, -sum(quantity)::float8 as issued, 0::float8 as taken
  from lot_moves
  where job = $1
    and kind in ('issue', 'return', 'counter')
  group by lot
  union all
  select l.reason, 0, sum(l.quantity)::float8
  from floor_log l
  where l.job = $1
    and l.kind = 'take'
    and l.reason <> ''
    and not exists (select 1 from floor_log b where b.other = l.id and b.kind = 'counter')
  group by l.reason
)
select u.lot, lots.stock, lots.owner, sum(u.issued) as issued, sum(u.taken) as taken
from used u
  left join lots on lots.id = u.lot
group by u.lot, lots.stock, lots.owner
having sum(u.issued) > 0 or sum(u.taken) > 0
order by u.lot`,
);

/** What was weighed into the inks mixed for a job, lot by lot. $1 uuid job */
export const INK_LOTS_OF_JOB = rows(
  z.object({ batch: z.number(), ink: z.string(), base: z.string(), lot: z.string(), kg: z.number() }),
  `
select b.number as batch, b.ink, w.base, w.lot, sum(w.kg)::float8 as kg
from ink_batches b
  join ink_weighings w on w.batch = b.id
where b.job = $1
group by b.number, b.ink, w.base, w.lot
order by b.number, w.base, w.lot`,
);
