-- The floor's log, piles, and what is kept of them added up.

-- A terminal's person is switched by PIN; without one a person cannot sign on there.
alter table users add column pin_hash text;

-- A job that makes what another left short.
alter table jobs add column child_of uuid references jobs (id);
create index jobs_children on jobs (child_of) where child_of is not null;

-- Steps as released, for everything that joins on them: the floor never plans again.
create table released_steps (
  job     uuid not null references jobs (id),
  nr      integer not null,
  step    text not null,
  machine text not null,
  facts   jsonb not null,
  sheet   jsonb not null,
  primary key (job, nr, step),
  foreign key (job, nr) references releases (job, nr)
);
create index released_steps_machine on released_steps (machine, job);

-- Append-only by grant: a mistake is taken back by a counter-entry. The id is made on the device, so what is sent twice is one entry.
create table floor_log (
  id          uuid primary key,
  seq         bigint generated always as identity,
  kind        text not null,
  job         uuid references jobs (id),
  step        text,
  machine     text not null,
  pile        uuid,
  -- The pile split off or merged into, the entry taken back, the handover read.
  other       uuid,
  quantity    integer,
  reason      text not null default '',
  note        text not null default '' check (length(note) <= 500),
  witness     text not null default '',
  release     integer,
  -- How it came: late, skewed, revised, unreleased, afterClose.
  marks       text[] not null default '{}',
  who         uuid not null references users (id),
  device      text not null,
  -- The device's own clock; ours when it came; when it happened, the device's clock set right.
  device_at   timestamptz not null,
  at          timestamptz not null default now(),
  happened_at timestamptz not null,
  skew_s      real not null,
  check ((kind = 'counter') <= (other is not null)),
  check (quantity is null or quantity > 0 or kind = 'recount')
);
create index floor_log_job on floor_log (job, seq);
create index floor_log_times on floor_log (job, step) where kind in ('setupStart', 'setupEnd', 'runStart', 'runEnd', 'stop', 'go');
create index floor_log_now on floor_log (machine, happened_at) where kind in ('setupStart', 'setupEnd', 'runStart', 'runEnd', 'stop', 'go');
create index floor_log_machine on floor_log (machine, seq);
create unique index floor_log_once_back on floor_log (other) where kind = 'counter';
create index floor_log_handovers on floor_log (machine) where kind = 'handover';
create index floor_log_reads on floor_log (other) where kind = 'read';

-- Entries that count, added up as they come; counter-entries are taken off.
create table floor_sums (
  job      uuid not null references jobs (id),
  step     text not null,
  pile     text not null,
  kind     text not null,
  reason   text not null,
  quantity bigint not null,
  primary key (job, step, pile, kind, reason)
);

-- A pile: made by an entry, its place and state by the newest entry that tells of them.
create table piles (
  id       uuid primary key,
  job      uuid not null references jobs (id),
  nr       integer not null,
  code     text not null,
  step     text not null,
  flow     text not null,
  state    text not null default 'good' check (state in ('makeReady', 'good', 'hold')),
  state_at timestamptz not null,
  place    text not null default '',
  place_at timestamptz not null,
  laid_at  timestamptz not null,
  unique (job, nr)
);
create index piles_code on piles (code);

-- What a closed job teaches, step by step: what the plan expected beside what was counted.
create table step_facts (
  job            uuid not null references jobs (id),
  step           text not null,
  process        text not null,
  machine        text not null,
  expected_setup double precision not null,
  setup          double precision not null,
  cycles         double precision not null,
  lost           double precision not null,
  repeated       boolean not null,
  setup_s        double precision not null,
  run_s          double precision not null,
  -- Cycles an hour as planned: what a machine's card says is not always cycles (lifts, cartons).
  plan_per_hour  double precision not null,
  stops          jsonb not null,
  closed_at      timestamptz not null default now(),
  primary key (job, step)
);
