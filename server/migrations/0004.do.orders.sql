-- Commercial side: customers, orders, their lines and deliveries.
create table customers (
  id        uuid primary key,
  name      text not null unique check (length(name) between 1 and 120),
  address   text not null,
  pallet_kg double precision check (pallet_kg > 0),
  pallet_mm double precision check (pallet_mm > 0)
);

create sequence order_numbers start 2401;
create table orders (
  id       uuid primary key,
  number   integer not null unique default nextval('order_numbers'),
  customer uuid not null references customers (id),
  made_by  uuid not null references users (id),
  made_at  timestamptz not null default now()
);

create table order_lines (
  id       uuid primary key,
  order_id uuid not null references orders (id),
  title    text not null check (length(title) between 1 and 120),
  quantity bigint not null check (quantity > 0)
);
create index order_lines_order on order_lines (order_id);

-- due_local is what was promised (plant-local); due_at is the same moment, for sorting.
create table deliveries (
  order_line uuid not null references order_lines (id),
  nr         integer not null,
  due_local  text not null,
  due_at     timestamptz not null,
  quantity   bigint not null check (quantity >= 0),
  address    text not null,
  primary key (order_line, nr)
);
create index deliveries_due on deliveries (due_at);
