import * as z from 'zod';
import type { Mark, Setting } from '@druckerei/core';
import { type ColourFit, RegisterRow, Score } from '@druckerei/contract';
import { rows, written } from '../db/rows';

/** What a reading keeps: all that its fit was made from, and the fit. */
export interface ReadFacts {
  reference: string;
  marks: Mark[];
  toleranceMm: number;
  colours: ColourFit[];
  sheet: number | null;
  from: string;
}
const LogRow = z.object({
  id: z.string(),
  what: z.enum(['read', 'set']),
  facts: written<Partial<ReadFacts> & { settings?: Record<string, Setting[]> }>(),
  waste: z.number(),
  by: z.string(),
  at: z.number(),
});
export type LogRow = z.infer<typeof LogRow>;

/** Readings and settings of a step, in order. $1 uuid job, $2 text step */
export const REGISTER_LOG = rows(
  LogRow,
  `
select l.id, l.what, l.facts, l.waste, u.full_name as by, extract(epoch from l.at)::float8 as at
from register_log l
  join users u on u.id = l.who
where l.job = $1 and l.step = $2
order by l.seq`,
);
/** The newest reading of each step of a job. $1 uuid job */
export const LAST_READINGS = rows(
  z.object({ step: z.string(), facts: written<ReadFacts>() }),
  `
select distinct on (step) step, facts
from register_log
where job = $1 and what = 'read'
order by step, seq desc`,
);
/** $1 uuid, $2 uuid job, $3 text step, $4 text machine, $5 text what, $6 json facts, $7 int waste, $8 uuid person */
export const ADD_REGISTER = `
insert into register_log (id, job, step, machine, what, facts, waste, who)
values ($1, $2, $3, $4, $5, $6, $7, $8)
on conflict (id) do nothing
returning id`;
/** First readings of a machine, job by job, the oldest first: what its units were off before anything was set. $1 text machine */
export const FIRST_READINGS = rows(
  z.object({ job: z.string(), facts: written<ReadFacts>() }),
  `
select f.job, f.facts
from (
  select distinct on (job, step) job, step, seq, facts
  from register_log
  where machine = $1 and what = 'read'
  order by job, step, seq
) f
order by f.seq desc
limit 40`,
);
/** Released steps that print, strike or cut, with how far their register is: read last first, then the newest jobs. */
export const STEPS_WITH_REGISTER = rows(
  RegisterRow,
  `
select
  s.job, j.number, j.title, s.step, s.facts ->> 'name' as "stepName", s.facts ->> 'machineName' as "machineName", j.state,
  (select count(*)::int from register_log l where l.job = s.job and l.step = s.step and l.what = 'read') as turns,
  (select bool_and((c -> 'advice' ->> 'inside')::boolean)
   from (select facts from register_log l where l.job = s.job and l.step = s.step and l.what = 'read' order by seq desc limit 1) r
     cross join lateral jsonb_array_elements(r.facts -> 'colours') c) as inside
from released_steps s
  join jobs j on j.id = s.job
where j.state <> 'delivered'
  and s.nr = (select max(n.nr) from released_steps n where n.job = s.job and n.step = s.step)
  and jsonb_typeof(s.facts -> 'register') = 'object'
order by
  (select max(l.seq) from register_log l where l.job = s.job and l.step = s.step and l.what = 'read') desc nulls last,
  j.number desc, (s.facts ->> 'seq')::int
limit 300`,
);
/** $1 uuid, $2 uuid person, $3 int seed, $4 text level, $5 int turns, $6 int waste, $7 boolean inside, $8 int ideal turns, $9 int ideal waste, $10 int score */
export const ADD_SCORE = `
insert into practice_scores (id, who, seed, level, turns, waste, inside, ideal_turns, ideal_waste, score)
values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10)
on conflict (id) do nothing`;
export const SCORES = rows(
  Score,
  `
select
  s.id, u.full_name as by, s.level, s.turns, s.waste, s.inside, s.ideal_turns as "idealTurns", s.ideal_waste as "idealWaste", s.score,
  extract(epoch from s.at)::float8 as at
from practice_scores s
  join users u on u.id = s.who
order by s.at desc
limit 100`,
);
/** What a step has lost while setting up, by the log of the floor, whoever wrote it: this desk, a terminal. What was taken back does not count. $1 uuid job, $2 text step */
export const SETUP_WASTE = rows(
  z.object({ sheets: z.number() }),
  `
select coalesce(sum(l.quantity), 0)::int as sheets
from floor_log l
where l.job = $1
  and l.step = $2
  and l.kind = 'waste'
  and l.reason = 'setup'
  and not exists (select 1 from floor_log c where c.kind = 'counter' and c.other = l.id)`,
);
