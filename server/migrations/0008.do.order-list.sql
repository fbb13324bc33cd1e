-- A list of a hundred thousand jobs: what it sorts, filters, finds and sums by stands on the job itself, so that a page needs one index and no join.
alter table jobs
  add column due_at timestamptz not null default 'infinity',
  add column customer text not null default '',
  add column quantity bigint not null default 0,
  -- The picture of the product stands apart: with it a summary is too long to be kept within its row, and every page would read it.
  add column picture text not null default '',
  -- Title, customer and number as words: found by how they begin.
  add column words tsvector generated always as (to_tsvector('simple', title || ' ' || customer || ' ' || number)) stored,
  add column blocking integer generated always as ((summary ->> 'blocking')::integer) stored,
  add column undecided integer generated always as ((summary ->> 'undecided')::integer) stored,
  add column machine_s double precision generated always as ((summary ->> 'machineS')::double precision) stored,
  add column pulled double precision generated always as ((summary ->> 'pulled')::double precision) stored,
  add column pulled_unit text generated always as (summary ->> 'pulledUnit') stored;

update jobs j
set
  picture = coalesce(summary ->> 'thumbnail', ''),
  summary = summary - 'thumbnail',
  customer = coalesce((
    select c.name
    from job_items i
      join order_lines l on l.id = i.order_line
      join orders o on o.id = l.order_id
      join customers c on c.id = o.customer
    where i.job = j.id
    order by i.item
    limit 1
  ), ''),
  quantity = coalesce((
    select sum(l.quantity)
    from job_items i
      join order_lines l on l.id = i.order_line
    where i.job = j.id
  ), 0),
  due_at = coalesce((
    select min(d.due_at)
    from job_items i
      join deliveries d on d.order_line = i.order_line
    where i.job = j.id
  ), 'infinity');

create index jobs_by_due on jobs (due_at, number);
create index jobs_by_customer on jobs (customer, number);
create index jobs_by_words on jobs using gin (words);
create index jobs_blocked on jobs (due_at, number) where blocking > 0;
