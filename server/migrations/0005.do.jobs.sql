-- What is planned and released. A job's items point to order lines, n to m: a gang is one job for several orders.
create table jobs (
  id         uuid primary key,
  number     integer not null unique,
  title      text not null,
  state      text not null check (state in ('draft', 'released')),
  version    integer not null check (version >= 1),
  -- Summary of the plan of this version: what lists show without planning again.
  summary    jsonb not null,
  changed_at timestamptz not null default now()
);

create table job_items (
  job        uuid not null references jobs (id),
  item       text not null,
  order_line uuid references order_lines (id),
  primary key (job, item)
);
create index job_items_line on job_items (order_line);

-- Every version of the specification, with the edits that made it: the job's history, never changed.
create table specs (
  job      uuid not null references jobs (id),
  version  integer not null check (version >= 1),
  spec     jsonb not null,
  plant    text not null references plants (hash),
  edits    jsonb not null,
  saved_by uuid not null references users (id),
  saved_at timestamptz not null default now(),
  -- Made by the browser: the same save sent twice is one version.
  save_key uuid not null,
  primary key (job, version),
  unique (job, save_key)
);

create table files (
  hash    text primary key check (hash ~ '^[0-9a-f]{64}$'),
  mime    text not null,
  bytes   bytea not null,
  made_at timestamptz not null default now()
);

-- A release is an immutable snapshot: spec, plant, shelf and plan with all figures.
create table releases (
  job         uuid not null references jobs (id),
  nr          integer not null check (nr >= 1),
  version     integer not null,
  snapshot    jsonb not null,
  plan_hash   text not null,
  ticket      text not null references files (hash),
  released_by uuid not null references users (id),
  released_at timestamptz not null default now(),
  primary key (job, nr)
);
