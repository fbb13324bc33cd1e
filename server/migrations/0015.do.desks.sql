-- The desks before the press: tool store, ink kitchen, zones, register.

-- Tools get a card: whose form it is, what it carries, how far it was made, and how far it is used up.
alter table tools drop constraint tools_state_check;
update tools set state = 'stored' where state = 'store';
alter table tools add constraint tools_state_check
  check (state in ('planned', 'imaged', 'checked', 'onPress', 'stored', 'out', 'customer', 'spoilt', 'recycled'));
alter table tools
  add column life integer,
  add column used integer not null default 0 check (used >= 0),
  add column job uuid references jobs (id),
  -- Taken over from a job before: not made for this one.
  add column kept boolean not null default false,
  add column stone text,
  add column side text not null default '',
  add column ink text not null default '',
  add column art_version text not null default '',
  add column width_mm double precision,
  add column height_mm double precision,
  add column register_holes text not null default '',
  add column press text not null default '',
  -- Steps that print with it: their impressions wear it.
  add column steps text[] not null default '{}',
  add column imaging_s real not null default 0,
  add column wanted_at timestamptz,
  add column owner text not null default 'works',
  add column made_at timestamptz,
  add column made_how text not null default '',
  add column checks jsonb,
  add column replaces text references tools (id);
update tools set life = life_left, kind = 'foilDie' where true;
alter table tools alter column life set not null, add check (life >= 0);
alter table tools drop column life_left;
create index tools_job on tools (job, stone);
create index tools_queue on tools (state) where state = 'planned';
create sequence tool_numbers start 1001;

-- What happened to a tool; nothing is taken back, the next entry says how it is now.
create table tool_log (
  id     uuid primary key,
  seq    bigint generated always as identity,
  tool   text not null references tools (id),
  what   text not null,
  reason text not null default '' check (length(reason) <= 300),
  cost   double precision,
  facts  jsonb not null default '{}',
  who    uuid not null references users (id),
  at     timestamptz not null default now()
);
create index tool_log_tool on tool_log (tool, seq);

-- Base inks and house recipes.
create table ink_bases (
  id   text primary key,
  base jsonb not null
);
create table ink_recipes (
  id      text primary key,
  recipe  jsonb not null,
  -- On the reference white, to find it by its colour.
  lab     double precision[] not null,
  who     uuid references users (id),
  at      timestamptz not null default now()
);

-- The customer's sample of an ink of a job; the newest counts.
create table ink_samples (
  id        uuid primary key,
  seq       bigint generated always as identity,
  job       uuid not null references jobs (id),
  ink       text not null,
  sample    jsonb not null,
  tolerance double precision not null check (tolerance > 0),
  who       uuid not null references users (id),
  at        timestamptz not null default now()
);
create index ink_samples_of on ink_samples (job, ink, seq);

-- A batch: what was weighed into it, with the lot of every base; additions come as further rows.
create table ink_batches (
  id       uuid primary key,
  number   integer generated always as identity,
  job      uuid not null references jobs (id),
  ink      text not null,
  recipe   jsonb not null,
  film_gsm double precision not null,
  stock    text not null,
  place    text not null default '',
  who      uuid not null references users (id),
  at       timestamptz not null default now()
);
create index ink_batches_of on ink_batches (job, ink, number);
create table ink_weighings (
  id      uuid not null,
  line    integer not null,
  batch   uuid not null references ink_batches (id),
  base    text not null,
  -- A left-over that went in as a base.
  pail    uuid,
  kg      double precision not null check (kg > 0),
  lot     text not null default '',
  reason  text not null default '',
  who     uuid not null references users (id),
  at      timestamptz not null default now(),
  primary key (id, line)
);
create index ink_weighings_batch on ink_weighings (batch, at);
create index ink_weighings_lot on ink_weighings (lot) where lot <> '';
-- Pails of a batch: what is left in each. What is left when its job is done is a left-over.
create table ink_pails (
  id    uuid primary key,
  code  text not null unique,
  batch uuid not null references ink_batches (id),
  kg    double precision not null check (kg >= 0),
  place text not null default '',
  -- Free for other jobs.
  free  boolean not null default false
);
create index ink_pails_batch on ink_pails (batch);

create table draw_downs (
  id       uuid primary key,
  seq      bigint generated always as identity,
  job      uuid not null references jobs (id),
  ink      text not null,
  batch    uuid not null references ink_batches (id),
  measured jsonb not null,
  verdict  jsonb not null,
  who      uuid not null references users (id),
  at       timestamptz not null default now()
);
create index draw_downs_of on draw_downs (job, ink, seq);
-- One answer to a draw-down.
create table draw_down_answers (
  draw_down uuid primary key references draw_downs (id),
  answer    text not null check (answer in ('accept', 'adjust', 'decide')),
  reason    text not null default '' check (length(reason) <= 300),
  who       uuid not null references users (id),
  at        timestamptz not null default now()
);

-- Coverage of a separation: its sums along both edges, by the name of the file.
create table separations (
  hash    text primary key,
  name    text not null,
  width   integer not null,
  height  integer not null,
  profile jsonb not null,
  at      timestamptz not null default now()
);
-- A separation on its way to be read, in pieces; gone when it is read.
create table separation_parts (
  hash  text not null,
  nr    integer not null,
  bytes bytea not null,
  at    timestamptz not null default now(),
  primary key (hash, nr)
);
create table zone_sets (
  id       uuid primary key,
  seq      bigint generated always as identity,
  job      uuid not null references jobs (id),
  step     text not null,
  ink      text not null,
  hash     text not null references separations (hash),
  percent  double precision[] not null,
  who      uuid not null references users (id),
  at       timestamptz not null default now()
);
create index zone_sets_of on zone_sets (job, step, seq);
-- Openings that printed well: what a press's curve is fitted to.
create table duct_settings (
  id       uuid not null,
  line     integer not null,
  machine  text not null,
  job      uuid not null references jobs (id),
  ink      text not null,
  coverage double precision not null,
  opening  double precision not null,
  who      uuid not null references users (id),
  at       timestamptz not null default now(),
  primary key (id, line)
);
create index duct_settings_machine on duct_settings (machine, at);

-- Readings and settings of a make-ready and a run, turn by turn.
create table register_log (
  id        uuid primary key,
  seq       bigint generated always as identity,
  job       uuid not null references jobs (id),
  step      text not null,
  machine   text not null,
  what      text not null check (what in ('read', 'set')),
  -- Read: reference, marks, readings by ink, sheet, source. Set: what was turned at each unit.
  facts     jsonb not null,
  waste     integer not null default 0 check (waste >= 0),
  who       uuid not null references users (id),
  at        timestamptz not null default now()
);
create index register_log_of on register_log (job, step, seq);
create index register_log_machine on register_log (machine, seq);

create table practice_scores (
  id          uuid primary key,
  who         uuid not null references users (id),
  seed        integer not null,
  level       text not null,
  turns       integer not null,
  waste       integer not null,
  inside      boolean not null,
  ideal_turns integer not null,
  ideal_waste integer not null,
  score       integer not null,
  at          timestamptz not null default now()
);
create index practice_scores_who on practice_scores (who, at);

alter table tasks drop constraint tasks_kind_check;
alter table tasks add constraint tasks_kind_check check (kind in ('layout', 'import', 'zones'));
