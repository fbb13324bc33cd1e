import * as z from 'zod';
import { bytes, rows } from '../db/rows';

/** $1 text key, $2 text name, $3 int width, $4 int height, $5 json profile, $6 int blocks across, $7 bytea blocks */
export const ADD_SEPARATION = `
insert into separations (hash, name, width, height, profile, raster_across, raster)
values ($1, $2, $3, $4, $5, $6, $7) on conflict (hash) do nothing`;
/** $1 uuid, $2 uuid job, $3 text step, $4 text ink, $5 text key, $6 double[] percent, $7 uuid person, $8 double total ink of the pass */
export const ADD_ZONE_SET = `
insert into zone_sets (id, job, step, ink, hash, percent, who, total_ink)
values ($1, $2, $3, $4, $5, $6, $7, $8) on conflict (id) do nothing`;
/** Blocks of the newest separation of each ink. $1 uuid job, $2 text step */
export const RASTERS = rows(
  z.object({ ink: z.string(), width: z.number(), height: z.number(), across: z.number(), values: bytes.nullable() }),
  `
select distinct on (z.ink) z.ink, s.width, s.height, s.raster_across as across, s.raster as values
from zone_sets z
  join separations s on s.hash = z.hash
where z.job = $1 and z.step = $2
order by z.ink, z.seq desc`,
);
/** Total ink of each step as its newest separation left it. $1 uuid job */
export const TOTAL_INK = rows(
  z.object({ step: z.string(), percent: z.number().nullable() }),
  `
select distinct on (step) step, total_ink as percent
from zone_sets
where job = $1
order by step, seq desc`,
);
/** The newest of each ink. $1 uuid job, $2 text step */
export const ZONE_SETS = rows(
  z.object({ ink: z.string(), percent: z.array(z.number()), file: z.string() }),
  `
select distinct on (z.ink) z.ink, z.percent, s.name as file, s.width, s.height
from zone_sets z
  join separations s on s.hash = z.hash
where z.job = $1 and z.step = $2
order by z.ink, z.seq desc`,
);
/** $1 uuid, $2 int line, $3 text machine, $4 uuid job, $5 text ink, $6 double coverage, $7 double opening, $8 uuid person */
export const ADD_DUCT_SETTING = `
insert into duct_settings (id, line, machine, job, ink, coverage, opening, who) values ($1, $2, $3, $4, $5, $6, $7, $8) on conflict (id, line) do nothing`;
/** The newest thousand of a press. $1 text machine */
export const DUCT_SETTINGS = rows(
  z.object({ coveragePercent: z.number(), openingPercent: z.number() }),
  `
select coverage as "coveragePercent", opening as "openingPercent"
from duct_settings
where machine = $1
order by at desc, line
limit 1000`,
);
