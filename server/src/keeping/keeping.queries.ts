import { Backup } from '@druckerei/contract';
import * as z from 'zod';
import { rows } from '../db/rows';

/** The newest backups. */
export const BACKUPS = rows(
  Backup,
  `select extract(epoch from at)::float8 as at, file, bytes, says from backups order by id desc limit 50`,
);
/** When the house began, and when anything was last written down, by the clocks of then. */
export const BEGAN_AND_LAST = rows(
  z.object({ beganAt: z.number(), lastAt: z.number() }),
  `
select
  coalesce(extract(epoch from (select min(made_at) from users)), 0)::float8 as "beganAt",
  coalesce(extract(epoch from greatest(
    (select at from events order by id desc limit 1),
    (select at from floor_log order by seq desc limit 1),
    (select at from access_log order by id desc limit 1)
  )), 0)::float8 as "lastAt"`,
);
