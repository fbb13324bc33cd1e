-- Plants are documents named by their hash; a change of settings makes a new row, never an update.
create table plants (
  hash    text primary key check (hash ~ '^[0-9a-f]{64}$'),
  plant   jsonb not null,
  made_at timestamptz not null default now()
);
-- Which plant is in force: one row.
create table plant_in_force (
  one   boolean primary key default true check (one),
  hash  text not null references plants (hash),
  since timestamptz not null default now()
);
