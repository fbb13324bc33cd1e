import { z } from 'zod';
import { Person } from '@druckerei/contract';
import { rows } from '../db/rows';

const PERSON = `id, name, full_name as "fullName", initials, roles, active, pin_hash is not null as pin`;
/** Everybody, those who may sign in first. */
export const PEOPLE = rows(Person, `select ${PERSON} from users order by active desc, full_name`);
/** $1 uuid */
export const PERSON_BY_ID = rows(Person, `select ${PERSON} from users where id = $1`);
/** $1 uuid, $2 text name, $3 text full name, $4 text initials, $5 text[] roles, $6 text password hash, $7 text PIN hash or null. Nothing where the id is there already. */
export const ADD_PERSON = `
insert into users (id, name, full_name, initials, roles, password_hash, pin_hash)
values ($1, $2, $3, $4, $5, $6, $7)
on conflict (id) do nothing`;
/** $1 uuid, $2 text full name, $3 text initials, $4 text[] roles, $5 boolean active, $6 text password hash or null for the same, $7 text PIN hash or null for the same */
export const CHANGE_PERSON = `
update users
set
  full_name = $2,
  initials = $3,
  roles = $4,
  active = $5,
  password_hash = coalesce($6, password_hash),
  pin_hash = coalesce($7, pin_hash)
where id = $1`;
/** Those who may change settings, locked: two admins who take each other's role away at once must not both succeed. */
export const ADMINS_LOCKED = rows(
  z.object({ id: z.string() }),
  `select id from users where active and 'admin' = any(roles) order by id for update`,
);
/** Ends every session of a person. $1 uuid as text */
export const END_SESSIONS = `delete from sessions where sess ->> 'userId' = $1`;
