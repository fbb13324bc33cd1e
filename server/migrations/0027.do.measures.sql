-- What was measured at a step: which reading stands in the reason, its number here.
alter table floor_log add column value double precision;
alter table floor_log add constraint floor_log_value check ((kind = 'measure') = (value is not null));
create index floor_log_measures on floor_log (job, step, reason) where kind = 'measure';
