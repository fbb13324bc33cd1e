import * as z from 'zod';
import { AccountEvent, Person } from '@druckerei/contract';
import { rows } from '../db/rows';

const PERSON = `id, name, full_name as "fullName", initials, roles, active, pin_hash is not null as pin`;
/** Everybody, those who may sign in first. */
export const PEOPLE = rows(Person, `select ${PERSON} from users order by active desc, full_name`);
/** $1 uuid */
export const PERSON_BY_ID = rows(Person, `select ${PERSON} from users where id = $1`);
/** $1 uuid, $2 text name, $3 text full name, $4 text initials, $5 text[] roles, $6 text password hash, $7 text PIN hash or null. The password is to be changed at the first sign-in. Nothing where the id is there already. */
export const ADD_PERSON = `
insert into users (id, name, full_name, initials, roles, password_hash, pin_hash, must_change)
values ($1, $2, $3, $4, $5, $6, $7, true)
on conflict (id) do nothing`;
/** $1 uuid, $2 text full name, $3 text initials, $4 text[] roles, $5 boolean active, $6 text PIN hash or null for the same */
export const CHANGE_PERSON = `
update users
set
  full_name = $2,
  initials = $3,
  roles = $4,
  active = $5,
  pin_hash = coalesce($6, pin_hash)
where id = $1`;
/** Those who may change settings, locked: two admins who take each other's role away at once must not both succeed. */
export const ADMINS_LOCKED = rows(
  z.object({ id: z.string() }),
  `select id from users where active and 'admin' = any(roles) order by id for update`,
);
/** Ends every session of a person. $1 uuid as text */
export const END_SESSIONS = `delete from sessions where sess ->> 'userId' = $1`;

/** What happened to accounts, the newest first: the access log, and changes of people from the events. */
export const ACCOUNT_EVENTS = rows(
  AccountEvent,
  `
select * from (
  select
    'a' || l.id as id, l.what, coalesce(u.full_name, l.name) as name, '' as by, l.address, array[]::text[] as roles,
    extract(epoch from l.at)::float8 as at
  from access_log l
    left join users u on u.id = l.who
  union all
  select
    'e' || e.id, e.what, coalesce(p.full_name, ''), coalesce(u.full_name, ''), '',
    array(select jsonb_array_elements_text(coalesce(e.detail -> 'roles', '[]'))),
    extract(epoch from e.at)::float8
  from events e
    left join users u on u.id = e.who
    left join users p on p.id::text = e.detail ->> 'person'
  where e.what like 'person.%'
) x
order by at desc
limit 500`,
);
