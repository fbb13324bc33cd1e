-- What was measured at a step: which reading stands in the reason, its number here.
alter table floor_log add column value double precision;
alter table floor_log add constraint floor_log_value check ((kind = 'measure') = (value is not null));
create index floor_log_measures on floor_log (job, step, reason) where kind = 'measure';

-- Steps of a release as they are after what was measured: what is allowed at them, and their setup sheet (copper by the base that was measured). The release itself stays.
create table steps_as_measured (
  job      uuid not null,
  nr       integer not null,
  step     text not null,
  measures jsonb not null,
  sheet    jsonb not null,
  primary key (job, nr, step),
  foreign key (job, nr, step) references released_steps (job, nr, step)
);
