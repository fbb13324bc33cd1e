import { z } from 'zod';
import { Me } from '@druckerei/contract';
import { rows } from '../db/rows';

/** A person by sign-in name. $1 text name, lower case. */
export const USER_BY_NAME = rows(
  Me.extend({ id: z.string(), passwordHash: z.string() }),
  `
select id, name, full_name as "fullName", initials, roles, units, password_hash as "passwordHash"
from users
where name = $1
  and active`,
);

/** A person by id. $1 uuid. */
export const USER_BY_ID = rows(
  Me.extend({ id: z.string() }),
  `
select id, name, full_name as "fullName", initials, roles, units
from users
where id = $1
  and active`,
);

/** Failed attempts of the last quarter of an hour. $1 text name, $2 text address. */
export const FAILED_ATTEMPTS = rows(
  z.object({ ofName: z.number(), ofAddress: z.number() }),
  `
select
  count(*) filter (where name = $1)::int    as "ofName",
  count(*) filter (where address = $2)::int as "ofAddress"
from sign_in_attempts
where (name = $1 or address = $2)
  and at > now() - interval '15 minutes'`,
);

export const ADD_ATTEMPT = `insert into sign_in_attempts (name, address) values ($1, $2)`;
/** A successful sign-in forgets the failed ones of that name. $1 text name. */
export const FORGET_ATTEMPTS = `delete from sign_in_attempts where name = $1 or at < now() - interval '1 day'`;

/** $1 uuid, $2 text */
export const SET_UNITS = `update users set units = $2 where id = $1`;
