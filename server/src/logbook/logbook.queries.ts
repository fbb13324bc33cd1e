import * as z from 'zod';
import { LogbookPage } from '@druckerei/contract';
import { rows } from '../db/rows';

/**
 * Steps of jobs delivered since a moment, the newest first: what the release they ran by set aside, and what was counted. A step's time is that of its last end.
 *   $1 float8 epoch seconds, $2 int rows
 */
export const LOGGED = rows(
  LogbookPage.shape.rows.element,
  `
select
  j.number as job, j.title, j.customer,
  array(select distinct n ->> 'stock' from jsonb_array_elements(j.summary -> 'needs') n) as stocks,
  f.process, f.machine,
  extract(epoch from coalesce(ended.at, j.delivered_at))::float8 as at,
  coalesce((r.facts ->> 'setupCycles')::float8, f.expected_setup) as "allowedSetup", f.setup,
  coalesce((r.facts ->> 'runningPpm')::float8, 0) as "allowedPpm", f.cycles, f.lost,
  f.setup_s as "setupS", f.run_s as "runS", f.plan_per_hour as "planPerHour", f.stops,
  coalesce(sums.waste, '{}') as waste, coalesce(sums.samples, 0)::float8 as samples, coalesce(sums.destroyed, 0)::float8 as destroyed,
  coalesce((r.facts ->> 'pieceKg')::float8, 0) as "pieceKg"
from step_facts f
  join jobs j on j.id = f.job
  left join lateral (
    select r.facts from released_steps r where r.job = f.job and r.step = f.step order by r.nr desc limit 1
  ) r on true
  left join lateral (
    select max(l.happened_at) as at from floor_log l where l.job = f.job and l.step = f.step and l.kind = 'runEnd'
  ) ended on true
  left join lateral (
    select
      jsonb_object_agg(s.reason, s.quantity) filter (where s.kind = 'waste') as waste,
      sum(s.quantity) filter (where s.kind = 'samples') as samples,
      sum(s.quantity) filter (where s.kind = 'destroyed') as destroyed
    from (
      select kind, reason, sum(quantity) as quantity
      from floor_sums
      where job = f.job
        and step = f.step
        and kind in ('waste', 'samples', 'destroyed')
      group by kind, reason
    ) s
  ) sums on true
where j.state = 'delivered'
  and j.delivered_at >= to_timestamp($1)
order by j.delivered_at desc, f.job, f.step
limit $2`,
);

/** Jobs delivered since a moment that had been promised for a day. $1 float8 epoch seconds, $2 int rows */
export const PROMISED = rows(
  LogbookPage.shape.promises.element,
  `
select
  j.number as job, j.title, j.customer,
  array(select distinct n ->> 'stock' from jsonb_array_elements(j.summary -> 'needs') n) as stocks,
  extract(epoch from j.due_at)::float8 as due, extract(epoch from j.delivered_at)::float8 as delivered
from jobs j
where j.state = 'delivered'
  and j.alt = 0
  and j.delivered_at >= to_timestamp($1)
  and j.due_at <> 'infinity'
order by j.delivered_at desc
limit $2`,
);

/** Changes of the plant's settings since a moment, oldest first. $1 float8 epoch seconds */
export const CHANGED_SINCE = rows(
  z.object({ at: z.number(), by: z.string(), reason: z.string() }),
  `
select extract(epoch from c.at)::float8 as at, u.full_name as by, c.reason
from plant_changes c
  join users u on u.id = c.who
where c.at >= to_timestamp($1)
order by c.id
limit 100`,
);
