-- Who changed the plant's settings, from which version to which, and why; append-only by grant.
create table plant_changes (
  id     bigint generated always as identity primary key,
  plant  text not null references plants (hash),
  before text not null references plants (hash),
  reason text not null check (length(reason) between 3 and 300),
  who    uuid not null references users (id),
  at     timestamptz not null default now()
);

-- People leave; what they did stays theirs.
alter table users
  add column active boolean not null default true;
