import { hash } from '@node-rs/argon2';
import type { people, Person } from '@druckerei/contract';
import { signedIn } from '../context';
import { type Db, inTransaction } from '../db/pool';
import { many, maybeOne } from '../db/rows';
import { invalid, notFound, Refused } from '../errors';
import type { Handlers } from '../implement';
import { ADD_EVENT } from '../jobs/jobs.queries';
import { SET_PASSWORD } from '../session/session.queries';
import { weakPassword } from '../session/weak-password';
import { ACCOUNT_EVENTS, ADD_PERSON, ADMINS_LOCKED, CHANGE_PERSON, END_SESSIONS, PEOPLE, PERSON_BY_ID } from './people.queries';

async function findPerson(db: Db, id: string): Promise<Person> {
  const row = await maybeOne(db, PERSON_BY_ID, [id]);
  if (!row) throw notFound('This person');
  return row;
}

function refuseWeak(password: string, person: { name: string; fullName: string }): void {
  const weak = weakPassword(password, person);
  if (weak !== null) throw invalid([{ path: 'password', says: weak }]);
}

export const peopleHandlers: Handlers<typeof people> = {
  'people.list': async (_asked, ctx) => await many(ctx.db, PEOPLE),

  'people.record': (_asked, ctx) => many(ctx.db, ACCOUNT_EVENTS),

  'people.create': async ({ body }, ctx) => {
    refuseWeak(body.password, body);
    const password = await hash(body.password);
    const pin = body.pin === undefined ? null : await hash(body.pin);
    await ctx.db.query(ADD_PERSON, [body.id, body.name, body.fullName, body.initials, body.roles, password, pin]).catch((e: unknown) => {
      if ((e as { code?: string }).code !== '23505') throw e;
      throw new Refused(409, 'name-taken', 'This sign-in name is taken.', {
        fields: [{ path: 'name', says: 'is taken by somebody else' }],
      });
    });
    await ctx.db.query(ADD_EVENT, [signedIn(ctx).id, 'person.entered', null, JSON.stringify({ person: body.id, roles: body.roles })]);
    return findPerson(ctx.db, body.id);
  },

  'people.change': async ({ params, body }, ctx) => {
    const password = body.password === undefined ? null : await hash(body.password);
    const pin = body.pin === undefined ? null : await hash(body.pin);
    return inTransaction(ctx.db, async (db) => {
      const admins = (await many(db, ADMINS_LOCKED)).map((r) => r.id);
      const before = await findPerson(db, params.id);
      if (body.password !== undefined) refuseWeak(body.password, { name: before.name, fullName: body.fullName });
      const stays = body.active && body.roles.includes('admin');
      if (!stays && admins.every((id) => id === params.id))
        throw new Refused(422, 'last-admin', 'Somebody must be able to change the settings.', {
          fields: [{ path: 'roles', says: 'is the last person who may change settings: give somebody else that role first' }],
        });
      await db.query(CHANGE_PERSON, [params.id, body.fullName, body.initials, body.roles, body.active, pin]);
      // Whoever sets the own password here needs no other one afterwards.
      if (password !== null) await db.query(SET_PASSWORD, [params.id, password, params.id !== signedIn(ctx).id]);
      if (password !== null || !body.active) await db.query(END_SESSIONS, [params.id]);
      const { roles, active } = body;
      await db.query(ADD_EVENT, [
        signedIn(ctx).id,
        'person.changed',
        null,
        JSON.stringify({
          person: params.id,
          before: { roles: before.roles, active: before.active },
          roles,
          active,
          password: password !== null,
        }),
      ]);
      return findPerson(db, params.id);
    });
  },
};
