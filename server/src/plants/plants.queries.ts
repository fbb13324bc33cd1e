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
