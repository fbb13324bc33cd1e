-- How long a released step takes, for what stands before another job on its machine: read from the facts once, not with every plan.
alter table released_steps add column takes_s double precision generated always as
  (coalesce((facts ->> 'setupS')::double precision, 0) + coalesce((facts ->> 'runS')::double precision, 0)) stored;
