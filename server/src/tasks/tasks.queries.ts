import * as z from 'zod';
import { Task } from '@druckerei/contract';
import { rows } from '../db/rows';

const TASK = `select id, kind, state, done::float8 as done, "of"::float8 as "of", progress, result, says, attempt from tasks`;
/** $1 uuid */
export const TASK_BY_ID = rows(Task, `${TASK}\nwhere id = $1`);
/** Notes a task and puts it on the queue, in one transaction. $1 uuid, $2 text kind, $3 json ask, $4 uuid person */
export const ADD_TASK = `insert into tasks (id, kind, ask, made_by) values ($1, $2, $3, $4) on conflict (id) do nothing returning id`;
/** $1 text kind, $2 uuid, $3 int attempts at most */
export const ENQUEUE = rows(
  z.object({ id: z.string() }),
  `select (queue.add_job($1, json_build_object('id', $2::text), max_attempts := $3::int)).id::text as id`,
);
/** $1 uuid, $2 bigint */
export const SET_QUEUE_ID = `update tasks set queue_id = $2 where id = $1`;
/** Who asked for a task. $1 uuid */
export const TASK_OWNER = rows(z.object({ by: z.string(), state: z.string() }), `select made_by as by, state from tasks where id = $1`);
/** A waiting task is over at once; a running one is told. $1 uuid */
export const CANCEL_TASK = `
update tasks
set cancel = true, state = case when state = 'waiting' then 'cancelled' else state end, changed_at = now()
where id = $1
  and state in ('waiting', 'running')`;
/** A worker takes a task; nothing where it is over. $1 uuid, $2 int attempt */
export const BEGIN_TASK = rows(
  z.object({ ask: z.unknown(), madeBy: z.string() }),
  `
update tasks
set state = 'running', attempt = $2, changed_at = now()
where id = $1
  and state in ('waiting', 'running')
  and not cancel
returning ask, made_by as "madeBy"`,
);
/** How far it is. No row: cancelled, or another worker has taken over. $1 uuid, $2 int attempt, $3 int done, $4 int of, $5 json progress */
export const TELL_TASK = `
update tasks
set done = $3, "of" = $4, progress = $5, changed_at = now()
where id = $1
  and attempt = $2
  and state = 'running'
  and not cancel
returning id`;
/** $1 uuid, $2 int attempt */
export const IS_WANTED = `select 1 from tasks where id = $1 and attempt = $2 and state = 'running' and not cancel`;
/** $1 uuid, $2 int attempt, $3 text state, $4 json result, $5 text says */
export const END_TASK = `
update tasks
set state = $3, result = $4, says = $5, changed_at = now()
where id = $1
  and attempt = $2
  and state = 'running'`;
/** $1 text worker */
export const BEAT = `insert into workers (id, beat) values ($1, clock_timestamp()) on conflict (id) do update set beat = excluded.beat`;
/** Workers that hold work and have not been heard for some seconds. $1 double seconds */
export const SILENT = rows(
  z.object({ id: z.string() }),
  `
select distinct j.locked_by as id
from queue.jobs j
  left join workers w on w.id = j.locked_by
where j.locked_by is not null
  and j.locked_at < now() - make_interval(secs => $1)
  and (w.id is null or w.beat < clock_timestamp() - make_interval(secs => $1))`,
);
/** Workers that hold a job for some seconds already. $1 text[] workers */
export const HELD = rows(
  z.object({ by: z.string() }),
  `select distinct locked_by as by from queue.jobs where locked_by = any($1) and locked_at < now() - interval '3 seconds'`,
);
/** Workers long gone. */
export const FORGET_WORKERS = `delete from workers where beat < now() - interval '1 day'`;
/** Tasks that no queue will do any more (their attempts are used up, by servers that ended) are over. $1 text says */
export const SWEEP = rows(
  z.object({ id: z.string() }),
  `
update tasks t
set state = 'failed', says = $1, changed_at = now()
where t.state in ('waiting', 'running')
  and t.queue_id is not null
  and t.changed_at < now() - interval '5 seconds'
  and not exists (select 1 from queue.jobs j where j.id = t.queue_id and (j.locked_by is not null or j.attempts < j.max_attempts))
returning t.id`,
);
