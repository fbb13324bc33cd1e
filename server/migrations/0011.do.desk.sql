-- Alternatives: a job's other plans are jobs of their own beside it, under its number.
alter table jobs
  add column alternative_of uuid references jobs (id),
  add column alt smallint not null default 0 check ((alt = 0) = (alternative_of is null)),
  add column alt_name text not null default '' check (length(alt_name) <= 80),
  add column delivered_at timestamptz,
  drop constraint jobs_number_key,
  add constraint jobs_number_alt_key unique (number, alt),
  drop constraint jobs_state_check,
  add constraint jobs_state_check check (state in ('draft', 'part', 'released', 'revising', 'delivered'));
create index jobs_alternatives on jobs (alternative_of) where alternative_of is not null;
create index jobs_tools on jobs using gin ((summary -> 'tools'));

-- Plans saved before this know nothing of what they need of the store.
update jobs
set summary = summary || '{"needs": [], "tools": []}'
where not summary ? 'needs';

-- A release of parts names what it sets free, with the name of each as it was; a revision says why.
alter table releases
  add column scope  text[],
  add column frozen jsonb not null default '{}',
  add column reason text not null default '' check (length(reason) <= 300);

-- Answers to gates: who said yes or no to which version. A mistake is taken back by a counter-entry, never changed.
create table gate_answers (
  id         bigint generated always as identity primary key,
  job        uuid not null references jobs (id),
  gate       text not null,
  version    text not null,
  answer     text not null check (answer in ('yes', 'no', 'back')),
  takes_back bigint references gate_answers (id),
  note       text not null default '' check (length(note) <= 300),
  who        uuid not null references users (id),
  at         timestamptz not null default now(),
  check ((answer = 'back') = (takes_back is not null))
);
create unique index gate_answers_once_back on gate_answers (takes_back);
create index gate_answers_job on gate_answers (job, gate, id);
