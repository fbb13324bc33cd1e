import { BOARD_WHY, BoardPin } from '@druckerei/contract';
import * as z from 'zod';
import { rows } from '../db/rows';

const Standing = z.object({ work: z.string(), machine: z.string(), start: z.number().int() });
export type Standing = z.infer<typeof Standing>;
const Pins = z.record(z.string(), BoardPin);
export type Pins = z.infer<typeof Pins>;
const Version = z.object({
  nr: z.number(),
  by: z.string(),
  at: z.number(),
  why: z.enum(BOARD_WHY),
  bars: z.array(Standing),
  pins: Pins,
  late: z.number().nullable(),
});

const VERSION = `
select v.nr, u.full_name as by, extract(epoch from v.at)::int as at, v.why, v.bars, v.pins, v.late
from board_versions v
  join users u on u.id = v.made_by`;
/** The newest version of the board. */
export const BOARD_NOW = rows(Version, `${VERSION}\norder by v.nr desc\nlimit 1`);
/** $1 int nr */
export const BOARD_VERSION = rows(Version, `${VERSION}\nwhere v.nr = $1`);
/** Nothing where somebody else made this version first. $1 int nr, $2 uuid person, $3 text why, $4 json bars, $5 json pins, $6 float8 money of its lateness */
export const ADD_VERSION = `
insert into board_versions (nr, base, made_by, why, bars, pins, late)
values ($1, $1 - 1, $2, $3, $4, $5, $6)
on conflict (nr) do nothing`;
/** What a search of the board found. $1 uuid task */
export const FOUND = rows(
  z.object({ state: z.string(), result: z.unknown() }),
  `select state, result from tasks where id = $1 and kind = 'board'`,
);
/** Orders that are neither released nor delivered, the next due first; alternatives are none. $1 int most, $2 uuid[] jobs on the board */
export const NOT_RELEASED = rows(
  z.object({ id: z.string() }),
  `
select id
from jobs
where alt = 0
  and state not in ('released', 'delivered')
  and id <> all($2)
order by due_at, number
limit $1`,
);
/** When jobs were released last. $1 uuid[] jobs */
export const RELEASED_AT = rows(
  z.object({ job: z.string(), at: z.number() }),
  `select job, extract(epoch from max(released_at))::float8 as at from releases where job = any($1) group by job`,
);
/** What open jobs deliver by when, product by product. $1 uuid[] jobs */
export const DELIVERIES_OF = rows(
  z.object({ job: z.string(), product: z.string().nullable(), quantity: z.number(), at: z.number() }),
  `
select i.job, s.spec -> 'items' -> i.item ->> 'product' as product, d.quantity::float8, extract(epoch from d.due_at)::float8 as at
from job_items i
  join jobs j on j.id = i.job
  join specs s on s.job = j.id and s.version = j.version
  join deliveries d on d.order_line = i.order_line
where i.job = any($1)
order by d.due_at, i.item`,
);
/** Ends as they are now; what is not on the board any more goes. $1 uuid[] jobs, $2 float8[] ends */
export const TELL_ENDS = `
with told as (select * from unnest($1::uuid[], $2::float8[]) as t (job, at)),
gone as (delete from board_ends e where not exists (select 1 from told t where t.job = e.job))
insert into board_ends (job, end_at)
select job, to_timestamp(at) from told
on conflict (job) do update set end_at = excluded.end_at where board_ends.end_at <> excluded.end_at`;
