-- The board as it was accepted, version by version; append-only by grant. The order is of work on machines: [{work, machine, start}, …], start in epoch seconds.
create table board_versions (
  nr      int primary key check (nr > 0),
  base    int not null check (base = nr - 1),
  made_by uuid not null references users (id),
  at      timestamptz not null default now(),
  why     text not null check (why in ('search', 'move', 'back')),
  bars    jsonb not null
);

alter table tasks drop constraint tasks_kind_check;
alter table tasks add constraint tasks_kind_check check (kind in ('layout', 'import', 'zones', 'board'));
