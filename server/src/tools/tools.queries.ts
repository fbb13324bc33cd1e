import * as z from 'zod';
import { ToolCard, ToolEvent, ToolWithJobs, WedgeStep } from '@druckerei/contract';
import { rows } from '../db/rows';

/** A card with what the platesetter's queue and the steps it stands in need. */
const CardRow = ToolCard.extend({ steps: z.array(z.string()), imagingS: z.number(), wantedAt: z.number().nullable() });
export type CardRow = z.infer<typeof CardRow>;

const CARD = `
select
  t.id, t.kind, t.spec, t.state, t.place, t.owner, t.life, t.job, j.number, j.title, t.kept, t.stone, t.side, t.ink,
  t.art_version as version, t.width_mm as "widthMm", t.height_mm as "heightMm", t.register_holes as "registerHoles", t.press,
  extract(epoch from t.made_at)::float8 as "madeAt", t.made_how as "madeHow", t.checks, t.replaces, t.steps,
  t.imaging_s as "imagingS", extract(epoch from t.wanted_at)::float8 as "wantedAt",
  (t.used + case when t.state = 'onPress' then coalesce((
    select sum(s.quantity) from floor_sums s where s.job = t.job and s.step = any(t.steps) and s.kind in ('good', 'waste', 'samples')
  ), 0) else 0 end)::int as used
from tools t
  left join jobs j on j.id = t.job`;
/** Cards, those at work first, then the newest. $1 text find, $2 text[] states, $3 uuid job, $4 int rows */
export const CARDS = rows(
  CardRow,
  `${CARD}
where ($1::text is null or t.id ilike $1 or t.spec ilike $1 or t.ink ilike $1 or j.title ilike $1 or j.number::text = replace($1, '%', ''))
  and t.state = any($2)
  -- What was never made for a job that is delivered nobody wants any more.
  and (t.state <> 'planned' or j.state is distinct from 'delivered')
  and ($3::uuid is null or t.job = $3)
order by j.number desc nulls last, t.stone, t.side, t.id
limit $4`,
);
/** $1 text id */
export const CARD_BY_ID = rows(
  CardRow,
  `${CARD}
where t.id = $1`,
);
/** $1 text id */
export const LOCK_CARD = rows(z.object({ id: z.string() }), `select id from tools where id = $1 for update`);
/** Plates that wait for the platesetter. */
export const QUEUE = rows(
  CardRow,
  `${CARD}
where t.state = 'planned' and t.kind = 'plate' and t.job is not null and j.state <> 'delivered'
order by t.id`,
);
/** Kept forms of a job: those a repeat may take. $1 uuid job */
export const KEPT_OF = rows(
  CardRow,
  `${CARD}
where t.job = $1 and t.state in ('stored', 'checked', 'onPress')
order by t.id`,
);
export const NEXT_NUMBER = rows(z.object({ n: z.number() }), `select nextval('tool_numbers')::int as n`);
/** $1 text id, $2 text kind, $3 text spec, $4 text state, $5 text place, $6 int life, $7 uuid job, $8 text stone, $9 text side, $10 text ink, $11 text version,
 * $12 double width, $13 double height, $14 text press, $15 text[] steps, $16 real imaging s, $17 double wanted at, $18 text replaces, $19 text holes, $20 text owner,
 * $21 int used */
export const ADD_CARD = `
insert into tools (id, kind, spec, state, place, life, job, stone, side, ink, art_version, width_mm, height_mm, press, steps, imaging_s, wanted_at, replaces, register_holes, owner, used)
values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11, $12, $13, $14, $15, $16, to_timestamp($17), $18, $19, $20, $21)`;
/** $1 text id, $2 text state, $3 text place, null: as before, $4 int impressions more */
export const SET_STATE = `update tools set state = $2, place = coalesce($3, place), used = used + $4 where id = $1`;
/** $1 text id, $2 double made at, $3 text how */
export const SET_MADE = `update tools set state = 'imaged', made_at = to_timestamp($2), made_how = $3 where id = $1`;
/** $1 text id, $2 text state, $3 json checks, $4 text register holes, null: as before */
export const SET_CHECKS = `update tools set state = $2, checks = $3, register_holes = coalesce($4, register_holes) where id = $1`;
/** A kept form goes over to another job. $1 text id, $2 uuid job, $3 text stone, $4 text[] steps */
export const TAKE_OVER = `update tools set job = $2, stone = $3, steps = $4, kept = true, state = 'checked' where id = $1`;
/** What it was used for its job up to now. $1 text id */
export const COUNTED_OF = rows(
  z.object({ n: z.number() }),
  `
select coalesce(sum(s.quantity), 0)::int as n
from tools t
  join floor_sums s on s.job = t.job and s.step = any(t.steps) and s.kind in ('good', 'waste', 'samples')
where t.id = $1`,
);
/** $1 uuid, $2 text tool, $3 text what, $4 text reason, $5 double cost, $6 json facts, $7 uuid person */
export const ADD_TOOL_EVENT = `
insert into tool_log (id, tool, what, reason, cost, facts, who)
values ($1, $2, $3, $4, $5, $6, $7)
on conflict (id) do nothing
returning id`;
/** $1 text tool */
export const TOOL_EVENTS = rows(
  ToolEvent,
  `
select l.id, l.what, l.reason, l.cost, l.facts, u.full_name as by, extract(epoch from l.at)::float8 as at
from tool_log l
  join users u on u.id = l.who
where l.tool = $1
order by l.seq desc
limit 200`,
);
/** The card a remake made, by its key. $1 uuid */
export const REMADE_AS = rows(z.object({ card: z.string() }), `select facts ->> 'card' as card from tool_log where id = $1`);
/** $1 uuid */
export const EVENT_THERE = rows(z.object({ tool: z.string() }), `select tool from tool_log where id = $1`);
/** What was imaged under a key. $1 text key */
export const IMAGED_UNDER = rows(
  z.object({ tool: z.string(), facts: z.object({ bad: z.enum(['scratch', 'weak']).nullable(), steps: z.array(WedgeStep) }) }),
  `select tool, facts from tool_log where what = 'imaged' and facts ->> 'key' = $1 order by seq`,
);
/** Forms of a job that count: made or being made, not spoilt. $1 uuid job */
export const FORMS_OF_JOB = rows(
  CardRow,
  `${CARD}
where t.job = $1 and t.state not in ('spoilt', 'recycled')
order by t.id`,
);
/** The job a job makes a tool for, and the tool's use there. $1 uuid */
export const MADE_FOR = rows(
  z.object({ job: z.string(), tool: z.string() }),
  `select child_of as job, makes_tool as tool from jobs where id = $1 and makes_tool is not null and child_of is not null`,
);
/** The newest job of a number. $1 int */
export const JOB_NUMBERED = rows(z.object({ id: z.string() }), `select id from jobs where number = $1 and alt = 0`);

/** Tools with the newest jobs that used them. $1 text number, null: all but plates, which are no start of an order */
export const TOOLS_WITH_JOBS = rows(
  ToolWithJobs,
  `
select
  t.id, t.kind, t.spec, greatest(t.life - t.used, 0) as "lifeLeft", t.state, t.place,
  coalesce((
    select jsonb_agg(jsonb_build_object('job', u.id, 'number', u.number, 'title', u.title, 'quantity', u.quantity))
    from (
      select j.id, j.number, j.title, j.quantity
      from jobs j
      where j.alt = 0
        and j.summary -> 'tools' ? t.id
      order by j.number desc
      limit 5
    ) u
  ), '[]') as jobs
from tools t
where ($1::text is null and t.kind <> 'plate') or t.id = $1
order by t.id`,
);
