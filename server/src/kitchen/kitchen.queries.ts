import * as z from 'zod';
import { type BaseInk, MeasurementSchema } from '@druckerei/core';
import { Batch, DrawDown, InkRow, LotTrace, Pail, RecipeRow } from '@druckerei/contract';
import { rows, written } from '../db/rows';

const BatchRow = z.object({ id: z.string(), number: z.number(), job: z.string(), ink: z.string(), filmGsm: z.number(), stock: z.string() });
export type BatchRow = z.infer<typeof BatchRow>;
const DrawDownRow = DrawDown.extend({ job: z.string(), ink: z.string() });
export type DrawDownRow = z.infer<typeof DrawDownRow>;

/** Inks that open jobs want mixed, with where each stands: in the order in which the board's presses want them, then the newest jobs. */
export const INKS_WANTED = rows(
  InkRow.extend({ deltaE: z.string().nullable() }),
  `
with starts as materialized (
  select b.work, b.start
  from (select bars from board_versions order by nr desc limit 1) v
    cross join lateral jsonb_to_recordset(v.bars) as b(work text, start int)
)
select
  j.id as job, j.number, j.title, coalesce(j.customer, '') as customer, j.state, m.ink, m.stone, m.kg,
  s.sample -> 'lab' as lab,
  d.verdict ->> 'deltaE' as "deltaE",
  case
    when s.id is null then 'noSample'
    when b.id is null then 'sample'
    when d.id is null then 'mixed'
    when a.answer is null then 'drawn'
    when a.answer = 'adjust' then 'adjust'
    else 'accepted'
  end as stands,
  w.at::float8 as "wantedAt"
from jobs j
  cross join lateral jsonb_to_recordset(coalesce(j.summary -> 'mixed', '[]')) as m(ink text, stone text, kg double precision)
  left join lateral (select id, sample from ink_samples where job = j.id and ink = m.ink order by seq desc limit 1) s on true
  left join lateral (select id from ink_batches where job = j.id and ink = m.ink order by number desc limit 1) b on true
  left join lateral (select id, verdict from draw_downs where job = j.id and ink = m.ink order by seq desc limit 1) d on true
  left join draw_down_answers a on a.draw_down = d.id
  left join lateral (
    select min(t.start) as at
    from released_steps r
      join starts t on t.work = r.job || ' ' || r.step
    where r.job = j.id and r.facts -> 'mixed' ? m.ink
  ) w on true
where j.alt = 0 and j.state <> 'delivered'
order by w.at nulls last, j.number desc, m.ink`,
);
export const BASES = rows(z.object({ base: written<BaseInk>() }), `select base from ink_bases order by base ->> 'name'`);
export const RECIPES = rows(
  RecipeRow,
  `select id, recipe ->> 'name' as name, recipe -> 'parts' as parts, (recipe ->> 'filmGsm')::float8 as "filmGsm", lab from ink_recipes order by id`,
);
/** $1 text id, $2 json recipe, $3 double[] lab, $4 uuid person */
export const ADD_RECIPE = `insert into ink_recipes (id, recipe, lab, who) values ($1, $2, $3, $4) on conflict (id) do nothing returning id`;
/** $1 text id, $2 json */
export const ADD_BASE = `insert into ink_bases (id, base) values ($1, $2) on conflict (id) do nothing`;

const PAIL = `
select p.id, p.code, p.batch, b.ink, b.number, p.kg, p.place, p.free, d.measured -> 'lab' as lab
from ink_pails p
  join ink_batches b on b.id = p.batch
  left join lateral (select measured from draw_downs where batch = b.id order by seq desc limit 1) d on true`;
/** Pails that hold something. */
export const PAILS = rows(
  Pail,
  `${PAIL}
where p.kg > 0
order by b.number desc, p.code`,
);
/** $1 uuid */
export const PAIL_BY_ID = rows(
  Pail,
  `${PAIL}
where p.id = $1`,
);
/** $1 uuid batch */
export const PAILS_OF = rows(
  Pail,
  `${PAIL}
where p.batch = $1
order by p.code`,
);
/** $1 uuid, $2 text code, $3 uuid batch, $4 double kg, $5 text place */
export const ADD_PAIL = `insert into ink_pails (id, code, batch, kg, place) values ($1, $2, $3, $4, $5)`;
/** $1 uuid, $2 double kg, $3 text place, $4 boolean free */
export const SET_PAIL = `update ink_pails set kg = $2, place = $3, free = $4 where id = $1 returning id`;
/** Takes ink out of a pail. $1 uuid, $2 double kg */
export const TAKE_FROM_PAIL = `update ink_pails set kg = greatest(kg - $2, 0) where id = $1 and kg >= $2 - 0.0005 returning batch`;
/** What was added goes into the first pail of the batch. $1 uuid batch, $2 double kg */
export const FILL_PAIL = `update ink_pails set kg = kg + $2 where id = (select id from ink_pails where batch = $1 order by code limit 1)`;

/** $1 uuid, $2 uuid job, $3 text ink, $4 json measured, $5 double tolerance, $6 uuid person */
export const ADD_SAMPLE = `
insert into ink_samples (id, job, ink, sample, tolerance, who) values ($1, $2, $3, $4, $5, $6) on conflict (id) do nothing`;
/** The newest. $1 uuid job, $2 text ink */
export const SAMPLE_OF = rows(
  z.object({ measured: MeasurementSchema, tolerance: z.number(), by: z.string(), at: z.number() }),
  `
select s.sample as measured, s.tolerance, u.full_name as by, extract(epoch from s.at)::float8 as at
from ink_samples s
  join users u on u.id = s.who
where s.job = $1 and s.ink = $2
order by s.seq desc
limit 1`,
);
/** $1 uuid, $2 uuid job, $3 text ink, $4 json recipe, $5 double film, $6 text stock, $7 text place, $8 uuid person */
export const ADD_BATCH = rows(
  z.object({ number: z.number() }),
  `
insert into ink_batches (id, job, ink, recipe, film_gsm, stock, place, who)
values ($1, $2, $3, $4, $5, $6, $7, $8)
on conflict (id) do nothing
returning number`,
);
/** The newest first. $1 uuid job, $2 text ink */
export const BATCHES_OF = rows(
  Batch.omit({ weighings: true, pails: true }),
  `
select b.id, b.number, b.recipe, b.film_gsm as "filmGsm", b.stock, b.place, u.full_name as by, extract(epoch from b.at)::float8 as at
from ink_batches b
  join users u on u.id = b.who
where b.job = $1 and b.ink = $2
order by b.number desc`,
);
/** $1 uuid */
export const BATCH_BY_ID = rows(BatchRow, `select id, number, job, ink, film_gsm as "filmGsm", stock from ink_batches where id = $1`);
/** $1 uuid, $2 int line, $3 uuid batch, $4 text base, $5 uuid pail, $6 double kg, $7 text lot, $8 text reason, $9 uuid person */
export const ADD_WEIGHING = `
insert into ink_weighings (id, line, batch, base, pail, kg, lot, reason, who)
values ($1, $2, $3, $4, $5, $6, $7, $8, $9)
on conflict (id, line) do nothing
returning id`;
/** $1 uuid batch */
export const WEIGHINGS_OF = rows(
  Batch.shape.weighings.element.extend({ pailId: z.string().nullable() }),
  `
select w.base, p.code as pail, w.pail as "pailId", w.kg, w.lot, w.reason, u.full_name as by, extract(epoch from w.at)::float8 as at
from ink_weighings w
  join users u on u.id = w.who
  left join ink_pails p on p.id = w.pail
where w.batch = $1
order by w.at, w.id, w.line`,
);

const DRAW_DOWN = `
select
  d.id, d.job, d.ink, d.batch, d.measured, d.verdict, u.full_name as by, extract(epoch from d.at)::float8 as at,
  case when a.draw_down is null then null else jsonb_build_object(
    'answer', a.answer, 'reason', a.reason, 'by', v.full_name, 'at', extract(epoch from a.at)::float8) end as answer
from draw_downs d
  join users u on u.id = d.who
  left join draw_down_answers a on a.draw_down = d.id
  left join users v on v.id = a.who`;
/** The newest first. $1 uuid job, $2 text ink */
export const DRAW_DOWNS_OF = rows(
  DrawDown,
  `${DRAW_DOWN}
where d.job = $1 and d.ink = $2
order by d.seq desc
limit 100`,
);
/** $1 uuid */
export const DRAW_DOWN_BY_ID = rows(
  DrawDownRow,
  `${DRAW_DOWN}
where d.id = $1`,
);
/** $1 uuid, $2 uuid job, $3 text ink, $4 uuid batch, $5 json measured, $6 json verdict, $7 uuid person */
export const ADD_DRAW_DOWN = `
insert into draw_downs (id, job, ink, batch, measured, verdict, who) values ($1, $2, $3, $4, $5, $6, $7) on conflict (id) do nothing`;
/** $1 uuid draw-down, $2 text answer, $3 text reason, $4 uuid person */
export const ADD_ANSWER = `
insert into draw_down_answers (draw_down, answer, reason, who) values ($1, $2, $3, $4) on conflict (draw_down) do nothing returning draw_down`;
/** The newest draw-down of each ink of jobs, and whether it opens the press. $1 uuid[] jobs */
export const ACCEPTED = rows(
  z.object({ job: z.string(), ink: z.string(), batch: z.string(), accepted: z.boolean() }),
  `
select distinct on (d.job, d.ink) d.job, d.ink, d.batch, coalesce(a.answer in ('accept', 'decide'), false) as accepted
from draw_downs d
  left join draw_down_answers a on a.draw_down = d.id
where d.job = any($1)
order by d.job, d.ink, d.seq desc`,
);

/** Batches with a lot in them, newest first, with all their lots. $1 text lot */
export const TRACE = rows(
  LotTrace,
  `
select
  b.id as batch, b.number, b.ink, b.job, j.number as "jobNumber", j.title,
  sum(w.kg) filter (where w.lot = $1) as kg,
  jsonb_agg(jsonb_build_object('base', w.base, 'lot', w.lot, 'kg', w.kg) order by w.at, w.line) as lots
from ink_batches b
  join ink_weighings w on w.batch = b.id
  join jobs j on j.id = b.job
where b.id in (select batch from ink_weighings where lot = $1)
group by b.id, b.number, b.ink, b.job, j.number, j.title
order by b.number desc
limit 200`,
);
