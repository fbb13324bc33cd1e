-- People, their sessions, and attempts to sign in.
create table users (
  id            uuid primary key,
  name          text not null unique check (name = lower(name) and length(name) between 1 and 60),
  full_name     text not null check (length(full_name) between 1 and 120),
  initials      text not null check (length(initials) between 1 and 4),
  password_hash text not null,
  roles         text[] not null check (roles <@ array['planner', 'press', 'finishing', 'ink', 'inspector', 'store', 'admin'] and cardinality(roles) > 0),
  made_at       timestamptz not null default now()
);

-- Columns as the session library writes them.
create table sessions (
  sid    text primary key,
  sess   json not null,
  expire timestamptz not null
);
create index sessions_expire on sessions (expire);

-- Failed attempts only; the limit lives here so that every server process counts the same ones.
create table sign_in_attempts (
  id      bigint generated always as identity primary key,
  name    text not null,
  address text not null,
  at      timestamptz not null default now()
);
create index sign_in_attempts_name on sign_in_attempts (name, at);
create index sign_in_attempts_address on sign_in_attempts (address, at);

-- Values every server process shares (the key that signs session cookies).
create table secrets (
  name  text primary key,
  value text not null
);
