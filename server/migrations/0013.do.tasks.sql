-- Long work: what was asked, how far it is, what came out. The queue itself is the library's own schema; this is what people see of it.
create table tasks (
  id         uuid primary key,
  kind       text not null check (kind in ('layout', 'import')),
  ask        jsonb not null,
  state      text not null default 'waiting' check (state in ('waiting', 'running', 'done', 'failed', 'cancelled')),
  -- Steps done, of how many; null while nobody knows.
  done       integer not null default 0,
  of         integer,
  progress   jsonb,
  result     jsonb,
  says       text not null default '',
  -- The attempt that may write: a worker that was taken for dead writes nothing more.
  attempt    integer not null default 0,
  cancel     boolean not null default false,
  queue_id   bigint,
  made_by    uuid not null references users (id),
  made_at    timestamptz not null default now(),
  changed_at timestamptz not null default now()
);
create index tasks_by on tasks (made_by, made_at);

-- Worker processes say each second that they live; what a dead one held is taken over.
create table workers (
  id   text primary key,
  beat timestamptz not null
);
