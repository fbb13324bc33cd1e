-- Every movement of a lot, append-only by grant: the quantity of a lot is their sum, kept on the lot for reading.
create table lot_moves (
  id         uuid primary key,
  lot        text not null references lots (id),
  kind       text not null check (kind in ('in', 'issue', 'return', 'recount', 'back', 'trim', 'measure', 'counter')),
  -- Sheets or metres that came (above 0) or went (below 0).
  quantity   integer not null,
  caliper_um double precision check (caliper_um > 0),
  job        uuid references jobs (id),
  takes_back uuid references lot_moves (id),
  note       text not null default '' check (length(note) <= 300),
  who        uuid not null references users (id),
  at         timestamptz not null default now(),
  check ((kind = 'counter') = (takes_back is not null))
);
create unique index lot_moves_once_back on lot_moves (takes_back);
create index lot_moves_lot on lot_moves (lot, at);

-- What of a lot is promised to a job. Ended when it is issued, or given free with a reason.
create table reservations (
  id         uuid primary key,
  job        uuid not null references jobs (id),
  lot        text not null references lots (id),
  quantity   integer not null check (quantity > 0),
  who        uuid not null references users (id),
  at         timestamptz not null default now(),
  ended_at   timestamptz,
  end_reason text not null default '' check (length(end_reason) <= 300)
);
create index reservations_lot on reservations (lot) where ended_at is null;
create index reservations_job on reservations (job);

-- What was ordered of a stock, and when it is to come.
create table purchases (
  id          uuid primary key,
  stock       text not null,
  quantity    integer not null check (quantity > 0),
  comes_on    date not null,
  note        text not null default '' check (length(note) <= 300),
  state       text not null default 'ordered' check (state in ('ordered', 'received', 'cancelled')),
  lot         text references lots (id),
  who         uuid not null references users (id),
  at          timestamptz not null default now()
);
create index purchases_open on purchases (stock) where state = 'ordered';
