-- A roll keeps what was weighed and measured of it: its length is reckoned from either.
alter table lots
  add column kg double precision check (kg > 0),
  add column diameter_mm double precision check (diameter_mm > 0),
  add column core_mm double precision check (core_mm > 0);

-- What a list shows of a plan: sheets have become what is pulled, in sheets or metres.
update jobs
set summary = (summary - 'sheets') || jsonb_build_object('pulled', summary -> 'sheets', 'pulledUnit', 'sheet')
where summary ? 'sheets';
