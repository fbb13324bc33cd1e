-- What lies in the store. Stock cards are part of the plant; lots are what is really there.
create table lots (
  id         text primary key,
  stock      text not null,
  quantity   integer not null check (quantity >= 0),
  owner      text not null check (owner in ('works', 'customer')),
  caliper_um double precision check (caliper_um > 0),
  place      text not null default ''
);
create index lots_stock on lots (stock);

create table tools (
  id        text primary key,
  kind      text not null,
  spec      text not null,
  life_left integer not null check (life_left >= 0),
  state     text not null check (state in ('store', 'out', 'customer')),
  place     text not null default ''
);
