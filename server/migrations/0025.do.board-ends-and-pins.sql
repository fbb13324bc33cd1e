-- When what is on the board ends there, as last reckoned: written again and again, so that lists read it without laying the board.
create table board_ends (
  job    uuid primary key references jobs (id),
  end_at timestamptz not null
);

-- When a job is ready: as the board has it; where it is not on the board, as it was planned. Epoch seconds.
create function ready_of(of_job uuid, summary jsonb) returns double precision
  language sql stable
  as $$ select coalesce((select extract(epoch from b.end_at)::float8 from board_ends b where b.job = of_job), (summary ->> 'readyAt')::float8) $$;

-- What somebody decided by hand of a step on the board: it begins then, or not before. {work: {start?, notBefore?, by}}, carried from version to version.
alter table board_versions add column pins jsonb not null default '{}';
alter table board_versions drop constraint board_versions_why_check;
alter table board_versions add constraint board_versions_why_check check (why in ('search', 'move', 'back', 'pin', 'accept'));

-- Hours of a machine that are other than its calendar, by the minute: it stands for a repair, or is worked longer. What was taken back is kept, and says by whom.
create table machine_hours (
  id       uuid primary key,
  machine  text not null,
  from_at  timestamptz not null,
  until_at timestamptz not null check (until_at > from_at),
  opens    boolean not null,
  why      text not null,
  made_by  uuid not null references users (id),
  at       timestamptz not null default now(),
  ended_by uuid references users (id)
);
