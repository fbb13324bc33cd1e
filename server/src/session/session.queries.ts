import * as z from 'zod';
import { SignedIn } from '@druckerei/contract';
import type { SessionData } from 'express-session';
import { rows, written } from '../db/rows';

/** A person by sign-in name. $1 text name, lower case. */
export const USER_BY_NAME = rows(
  SignedIn.extend({ id: z.string(), passwordHash: z.string() }),
  `
select id, name, full_name as "fullName", initials, roles, units, must_change as "mustChange", password_hash as "passwordHash"
from users
where name = $1
  and active`,
);

/** A session that goes on, with its person as they are now; nobody where the person may no longer sign in. $1 text session id */
export const SESSION_WITH_PERSON = rows(
  z.object({ session: written<SessionData>(), person: SignedIn.extend({ id: z.string() }).nullable() }),
  `
select
  s.sess as session,
  case when u.id is not null then json_build_object(
    'id', u.id, 'name', u.name, 'fullName', u.full_name, 'initials', u.initials, 'roles', u.roles, 'units', u.units, 'mustChange', u.must_change
  ) end as person
from sessions s
  left join users u on u.id = (s.sess ->> 'userId')::uuid and u.active
where s.sid = $1
  and s.expire >= now()`,
);

/** Serialises attempts of one address, and of one key. $1 text which */
export const LOCK_ATTEMPTS = `select pg_advisory_xact_lock(hashtextextended('attempt ' || $1::text, 0))`;
/** Attempts of the last quarter of an hour, and whether the key was let in from this address before. $1 text key, $2 text address */
export const RECENT_ATTEMPTS = rows(
  z.object({ ofBoth: z.number(), lastS: z.number(), ofAddress: z.number(), ofName: z.number(), familiar: z.boolean() }),
  `
select
  count(*) filter (where name = $1 and address = $2)::int as "ofBoth",
  coalesce(extract(epoch from clock_timestamp() - max(at) filter (where name = $1 and address = $2)), 1e9)::float8 as "lastS",
  count(*) filter (where address = $2)::int as "ofAddress",
  count(*) filter (where name = $1)::int as "ofName",
  exists (
    select from access_log l
    where l.name = $1 and l.address = $2 and l.what in ('signedIn', 'signedOn') and l.at > now() - interval '90 days'
  ) as familiar
from sign_in_attempts
where (name = $1 or address = $2)
  and at > now() - interval '15 minutes'`,
);
/** $1 text key, $2 text address */
export const ADD_ATTEMPT = `insert into sign_in_attempts (name, address, at) values ($1, $2, clock_timestamp())`;
/** What was right forgets the wrong ones of its key at its address. $1 text key, $2 text address */
export const FORGET_ATTEMPTS = `delete from sign_in_attempts where (name = $1 and address = $2) or at < now() - interval '1 day'`;
/** $1 text what, $2 text key, $3 uuid person or null, $4 text address */
export const ADD_ACCESS = `insert into access_log (what, name, who, address) values ($1, $2, $3, $4)`;
/** That a key was turned away at an address: once a minute, or guessing would fill the record. $1 text key, $2 text address */
export const ADD_HELD = `
insert into access_log (what, name, address)
select 'held', $1, $2
where not exists (
  select from access_log l where l.what = 'held' and l.name = $1 and l.address = $2 and l.at > now() - interval '1 minute'
)`;
/** $1 uuid, $2 text hash, $3 boolean whether it must be changed at the next sign-in */
export const SET_PASSWORD = `update users set password_hash = $2, must_change = $3 where id = $1`;
/** Ends all sessions of a person but one. $1 uuid as text, $2 text session id */
export const END_OTHER_SESSIONS = `delete from sessions where sess ->> 'userId' = $1 and sid <> $2`;

/** $1 uuid, $2 text */
export const SET_UNITS = `update users set units = $2 where id = $1`;
/** Whether a session goes on, and its person may still sign in. $1 text session id */
export const STILL_IN = rows(
  z.object({ still: z.boolean() }),
  `
select exists (
  select from sessions s
    join users u on u.id::text = s.sess ->> 'userId'
  where s.sid = $1 and s.expire > now() and u.active
) as still`,
);
