import * as z from 'zod';
import { Lot, LotMove, Purchase, Reservation } from '@druckerei/contract';
import { rows } from '../db/rows';

/** What an open job wants of a stock. */
const Need = z.object({ job: z.string(), number: z.number(), stock: z.string(), quantity: z.number(), byS: z.number() });
export type Need = z.infer<typeof Need>;

const LOT = `
select
  l.id, l.stock, l.quantity, l.owner, l.caliper_um as "caliperUm", l.place,
  coalesce((select sum(r.quantity) from reservations r where r.lot = l.id and r.ended_at is null), 0)::int as reserved
from lots l`;
/** Every lot that holds something, or is promised to somebody. */
export const LOTS = rows(
  Lot,
  `${LOT}
where l.quantity > 0
order by l.stock, l.id`,
);
/** $1 text lot */
export const LOT_BY_ID = rows(
  Lot,
  `${LOT}
where l.id = $1`,
);
/** $1 text lot */
export const LOCK_LOT = `select id from lots where id = $1 for update`;
/** $1 text id, $2 text stock, $3 text owner, $4 double caliper µm, $5 text place, $6 double kg, $7 double diameter mm, $8 double core mm */
export const ADD_LOT = `
insert into lots (id, stock, quantity, owner, caliper_um, place, kg, diameter_mm, core_mm)
values ($1, $2, 0, $3, $4, $5, $6, $7, $8)
on conflict (id) do nothing
returning id`;
/** $1 uuid, $2 text lot, $3 text kind, $4 int quantity, $5 double caliper µm, $6 uuid job, $7 uuid taken back, $8 text note, $9 uuid person */
export const ADD_MOVE = `
insert into lot_moves (id, lot, kind, quantity, caliper_um, job, takes_back, note, who)
values ($1, $2, $3, $4, $5, $6, $7, $8, $9)
on conflict (id) do nothing
returning id`;
/** $1 text lot, $2 int more or less, $3 double caliper µm, null: as before */
export const SET_LOT = `update lots set quantity = quantity + $2, caliper_um = coalesce($3, caliper_um) where id = $1`;
/** $1 uuid */
export const MOVE_BY_ID = rows(
  z.object({ id: z.string(), lot: z.string(), quantity: z.number(), takenBack: z.boolean() }),
  `
select m.id, m.lot, m.kind, m.quantity, exists (select 1 from lot_moves b where b.takes_back = m.id) as "takenBack"
from lot_moves m
where m.id = $1`,
);
/** What happened to a lot, the newest first. $1 text lot */
export const MOVES = rows(
  LotMove,
  `
select
  m.id, m.kind, m.quantity, m.caliper_um as "caliperUm", j.number, m.note, u.full_name as by,
  extract(epoch from m.at)::float8 as at,
  exists (select 1 from lot_moves b where b.takes_back = m.id) as "takenBack"
from lot_moves m
  join users u on u.id = m.who
  left join jobs j on j.id = m.job
where m.lot = $1
order by m.at desc, m.id
limit 500`,
);

const RESERVATION = `
select r.id, r.job, j.number, r.lot, l.stock, r.quantity, u.full_name as by
from reservations r
  join jobs j on j.id = r.job
  join lots l on l.id = r.lot
  join users u on u.id = r.who`;
/** Promises that stand. */
export const RESERVATIONS = rows(
  Reservation,
  `${RESERVATION}
where r.ended_at is null
order by j.number, r.lot`,
);
/** $1 uuid */
export const RESERVATION_BY_ID = rows(
  Reservation,
  `${RESERVATION}
where r.id = $1`,
);
/** $1 uuid, $2 uuid job, $3 text lot, $4 int quantity, $5 uuid person */
export const ADD_RESERVATION = `insert into reservations (id, job, lot, quantity, who) values ($1, $2, $3, $4, $5) on conflict (id) do nothing`;
/** $1 uuid, $2 text why */
export const END_RESERVATION = rows(
  z.object({ lot: z.string() }),
  `update reservations set ended_at = now(), end_reason = $2 where id = $1 and ended_at is null returning lot`,
);
/** Ends every promise to a job. $1 uuid job, $2 text why */
export const END_RESERVATIONS_OF_JOB = rows(
  z.object({ lot: z.string() }),
  `update reservations set ended_at = now(), end_reason = $2 where job = $1 and ended_at is null returning lot`,
);
/** Lots of a stock with what of each the works is free to promise, held until the promise is written. $1 text stock */
export const FREE_LOTS = rows(
  z.object({ lot: z.string(), free: z.number() }),
  `
with held as (
  select id, quantity from lots where stock = $1 and owner = 'works' and quantity > 0 order by id for update
), free as (
  select h.id as lot, h.quantity - coalesce((select sum(r.quantity) from reservations r where r.lot = h.id and r.ended_at is null), 0)::int as free
  from held h
)
select lot, free from free where free > 0 order by lot`,
);
/** What was issued to a job is no longer only promised: its promises on this lot end. $1 text lot, $2 uuid job */
export const END_ISSUED = `update reservations set ended_at = now(), end_reason = 'issued' where lot = $1 and job = $2 and ended_at is null`;

const PURCHASE = `
select p.id, p.stock, p.quantity, to_char(p.comes_on, 'YYYY-MM-DD') as "comesOn", p.note, u.full_name as by
from purchases p
  join users u on u.id = p.who`;
/** What is on its way. */
export const PURCHASES = rows(
  Purchase,
  `${PURCHASE}
where p.state = 'ordered'
order by p.comes_on, p.stock`,
);
/** $1 uuid */
export const PURCHASE_BY_ID = rows(
  Purchase,
  `${PURCHASE}
where p.id = $1`,
);
/** $1 uuid, $2 text stock, $3 int quantity, $4 date, $5 text note, $6 uuid person */
export const ADD_PURCHASE = `insert into purchases (id, stock, quantity, comes_on, note, who) values ($1, $2, $3, $4, $5, $6) on conflict (id) do nothing`;
/** $1 uuid, $2 text state, $3 text lot */
export const END_PURCHASE = `update purchases set state = $2, lot = $3 where id = $1 and state = 'ordered' returning id`;

/** What delivered jobs used of the works' stock since a moment, and when the first of it was taken: what was logged first of the job, else its delivery. $1 float8 epoch seconds */
export const USED = rows(
  z.object({ stock: z.string(), used: z.number(), firstS: z.number() }),
  `
select
  n ->> 'stock' as stock,
  sum((n ->> 'quantity')::float8)::float8 as used,
  extract(epoch from min(taken.at))::float8 as "firstS"
from jobs j
  cross join lateral jsonb_array_elements(j.summary -> 'needs') n
  cross join lateral (
    select coalesce((select min(l.happened_at) from floor_log l where l.job = j.id), j.delivered_at) as at
  ) taken
where j.alt = 0
  and j.state = 'delivered'
  and j.delivered_at >= to_timestamp($1)
  and taken.at >= to_timestamp($1)
group by 1`,
);

/** What open jobs want of the works' stock. What was issued to a job is no longer wanted: it lies at the machine. */
export const NEEDS = rows(
  Need,
  `
select
  j.id as job, j.number,
  n ->> 'stock' as stock,
  greatest((n ->> 'quantity')::float8 - coalesce((
    select -sum(m.quantity)
    from lot_moves m
      join lots l on l.id = m.lot
    where m.job = j.id
      and l.stock = n ->> 'stock'
      and m.kind in ('issue', 'return', 'counter')
  ), 0), 0)::float8 as quantity,
  (n ->> 'byS')::float8 as "byS"
from jobs j
  cross join lateral jsonb_array_elements(j.summary -> 'needs') n
where j.alt = 0
  and j.state <> 'delivered'
order by "byS", j.number`,
);
