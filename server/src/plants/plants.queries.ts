export const PLANT_IN_FORCE = `
select p.hash, p.plant
from plant_in_force f
  join plants p using (hash)`;
/** $1 text hash */
export const PLANT_BY_HASH = `select plant from plants where hash = $1`;
/** Lots of some stocks. $1 text[] ids of stocks; empty: all. */
export const LOTS = `
select id, stock, quantity, owner, caliper_um as "caliperUm", kg, diameter_mm as "diameterMm", core_mm as "coreMm"
from lots
where cardinality($1::text[]) = 0 or stock = any($1)
order by id`;
/** $1 text[] ids of tools; empty: all. */
export const TOOLS = `
select id, spec, life_left as "lifeLeft", state
from tools
where cardinality($1::text[]) = 0 or id = any($1)
order by id`;

/** The plant in force, locked until the transaction ends. */
export const PLANT_LOCKED = `select hash from plant_in_force for update`;
/** $1 text hash, $2 json plant */
export const ADD_PLANT = `insert into plants (hash, plant) values ($1, $2) on conflict (hash) do nothing`;
/** $1 text hash */
export const SET_PLANT = `update plant_in_force set hash = $1, since = now()`;
/** $1 text plant, $2 text the one before, $3 text reason, $4 uuid person */
export const ADD_PLANT_CHANGE = `insert into plant_changes (plant, before, reason, who) values ($1, $2, $3, $4)`;
/** The newest hundred changes. */
export const PLANT_CHANGES = `
select c.plant, c.before, c.reason, u.full_name as by, extract(epoch from c.at)::float8 as at
from plant_changes c
  join users u on u.id = c.who
order by c.id desc
limit 100`;
/** Drafts after a number, with what planning them needs. $1 int number, $2 int rows */
export const DRAFTS = `
select j.id, j.number, j.title, j.version, s.spec, s.plant
from jobs j
  join specs s on s.job = j.id and s.version = j.version
where j.state = 'draft'
  and j.number > $1
order by j.number
limit $2`;
export const COUNT_DRAFTS = `select count(*)::int as n from jobs where state = 'draft'`;
