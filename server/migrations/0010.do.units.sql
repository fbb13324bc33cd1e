-- Sizes, masses and calipers as a person reads them; stored and computed in metric either way.
alter table users
  add column units text not null default 'metric' check (units in ('metric', 'imperial'));
