-- Who did what, in the order it happened; append-only by grant.
create table events (
  id     bigint generated always as identity primary key,
  at     timestamptz not null default now(),
  who    uuid references users (id),
  what   text not null,
  job    uuid references jobs (id),
  detail jsonb not null default '{}'
);
create index events_job on events (job, id);
