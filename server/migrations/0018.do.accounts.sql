-- What this installation holds: the demo's people, and the demo's orders once they are entered.
create table marks (
  name text primary key check (name in ('demo', 'demoLoaded')),
  at   timestamptz not null default now()
);
-- Before this file every database was filled with the demo's people.
insert into marks (name) select 'demo' where exists (select from users);
insert into marks (name) select 'demoLoaded' where exists (select from orders);

-- Somebody else set the password: it opens nothing but the form for an own one.
alter table users add column must_change boolean not null default false;

-- Who signed in, who was refused, who changed a password; append-only by grant. Changes of rights stand in events.
create table access_log (
  id      bigint generated always as identity primary key,
  at      timestamptz not null default now(),
  what    text not null check (what in ('signedIn', 'refused', 'held', 'signedOut', 'ownPassword', 'signedOn', 'pinRefused')),
  name    text not null,
  who     uuid references users (id),
  address text not null
);
create index access_log_name on access_log (name, address, at);

-- Attempts are reserved before anything is verified, and forgotten when it was right.
drop index sign_in_attempts_name;
drop index sign_in_attempts_address;
create index sign_in_attempts_name on sign_in_attempts (name, address, at);
create index sign_in_attempts_address on sign_in_attempts (address, at);

-- Backups that were made, and those that failed with why; written by the command that makes them.
create table backups (
  id    bigint generated always as identity primary key,
  at    timestamptz not null default now(),
  file  text not null,
  bytes bigint,
  says  text not null default '' check ((bytes is null) = (says <> ''))
);
