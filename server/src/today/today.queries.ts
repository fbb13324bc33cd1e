import * as z from 'zod';
import { GATE_KINDS } from '@druckerei/core';
import type { PlanSummary } from '@druckerei/core/planning';
import { rows, written } from '../db/rows';

const OpenJobRow = z.object({
  job: z.string(),
  number: z.number(),
  title: z.string(),
  drawn: z.number(),
  customer: z.string(),
  quantity: z.number(),
  state: z.enum(['draft', 'part', 'released', 'revising']),
  dueAt: z.number().nullable(),
  summary: written<Pick<PlanSummary, 'readyAt' | 'machineS' | 'worst' | 'blocking' | 'undecided' | 'pieces'>>(),
});
export type OpenJobRow = z.infer<typeof OpenJobRow>;
/** The open jobs a page of today looks at, the next due first. An alternative is no job. $1 int most */
export const OPEN_JOBS = rows(
  OpenJobRow,
  `
select
  j.id as job, j.number, j.title, j.version as drawn, j.customer, j.quantity::float8, j.state,
  case when j.due_at = 'infinity' then null else extract(epoch from j.due_at)::float8 end as "dueAt",
  j.summary - '{of,needs,tools,mixed,river}'::text[] || jsonb_build_object('readyAt', ready_of(j.id, j.summary)) as summary
from jobs j
where j.alt = 0
  and j.state <> 'delivered'
order by j.due_at, j.number
limit $1`,
);
/** Gates of these jobs that nobody has opened: without an answer to the version asked for, or refused. $1 uuid[] jobs */
export const GATES_SHUT = rows(
  z.object({
    job: z.string(),
    gate: z.enum(GATE_KINDS),
    version: z.string(),
    who: z.string(),
    by: z.string(),
    refused: z.boolean(),
  }),
  `
select j.id as job, g.value ->> 'kind' as gate, g.value ->> 'version' as version, g.value ->> 'who' as who, g.value ->> 'by' as by,
  a.answer is not distinct from 'no' as refused
from jobs j
  join specs s on s.job = j.id and s.version = j.version
  cross join lateral jsonb_each(coalesce(s.spec -> 'gates', '{}')) g
  left join lateral (
    select a.answer
    from gate_answers a
    where a.job = j.id
      and a.gate = g.key
      and a.version = g.value ->> 'version'
      and a.answer <> 'back'
      and not exists (select 1 from gate_answers b where b.takes_back = a.id)
    order by a.id desc
    limit 1
  ) a on true
where j.id = any($1)
  and a.answer is distinct from 'yes'`,
);
/** Children of these jobs that are not delivered. $1 uuid[] jobs */
export const OPEN_CHILDREN = rows(
  z.object({ parent: z.string(), job: z.string(), number: z.number(), title: z.string(), state: z.string() }),
  `
select j.child_of as parent, j.id as job, j.number, j.title, j.state
from jobs j
where j.child_of = any($1)
  and j.alt = 0
  and j.state <> 'delivered'
order by j.number`,
);
/** Who was refused since a moment. $1 float8 epoch */
export const REFUSED_SINCE = rows(
  z.object({ times: z.number(), names: z.array(z.string()) }),
  `
select count(*)::int as times, coalesce(array_agg(distinct name order by name), '{}') as names
from access_log
where what in ('refused', 'held', 'pinRefused')
  and at > to_timestamp($1)`,
);
