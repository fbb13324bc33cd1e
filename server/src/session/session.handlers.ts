import { hash } from '@node-rs/argon2';
import type { Me, SignedIn, session } from '@druckerei/contract';
import { signedIn } from '../context';
import { type Db, inTransaction } from '../db/pool';
import { maybeOne, one } from '../db/rows';
import { invalid, Refused } from '../errors';
import type { Handlers } from '../implement';
import { PLANT_IN_FORCE } from '../plants/plants.queries';
import { readPlant } from '../plants/read-plant';
import { verified } from './attempts';
import { ADD_ACCESS, END_OTHER_SESSIONS, SET_PASSWORD, SET_UNITS, USER_BY_NAME } from './session.queries';
import { weakPassword } from './weak-password';

/** Verified for unknown names too, so that the time taken tells nothing. */
let dummy: Promise<string> | undefined;

/** What a screen is told of who is signed in; before there is a plant the works has no zone of its own. */
async function atWorks(db: Db, { name, fullName, initials, roles, units, mustChange }: SignedIn): Promise<Me> {
  const inForce = await maybeOne(db, PLANT_IN_FORCE);
  const timeZone = inForce ? (await readPlant(db, inForce.hash)).timeZone : 'UTC';
  return { name, fullName, initials, roles, units, mustChange, timeZone };
}

export const sessionHandlers: Handlers<typeof session> = {
  'session.signIn': async ({ body }, ctx) => {
    const name = body.name.toLowerCase();
    const { address } = ctx.session;
    const record = (what: string, who: string | null): Promise<unknown> => ctx.db.query(ADD_ACCESS, [what, name, who, address]);
    const user = await maybeOne(ctx.db, USER_BY_NAME, [name]);
    dummy ??= hash('nobody’s password');
    const hashed = user?.passwordHash ?? (await dummy);
    const right = await verified(ctx.db, { key: name, address }, { hash: hashed, given: body.password });
    if (!user || !right) {
      await record('refused', user?.id ?? null);
      throw new Refused(401, 'wrong-password', 'Name or password is wrong.');
    }
    await ctx.session.begin(user.id);
    await record('signedIn', user.id);
    return atWorks(ctx.db, user);
  },
  'session.me': (_asked, ctx) => atWorks(ctx.db, signedIn(ctx)),
  'session.units': async ({ body }, ctx) => {
    const me = signedIn(ctx);
    await ctx.db.query(SET_UNITS, [me.id, body.units]);
    return atWorks(ctx.db, { ...me, units: body.units });
  },
  'session.password': async ({ body }, ctx) => {
    const me = signedIn(ctx);
    const { address } = ctx.session;
    const { passwordHash } = await one(ctx.db, USER_BY_NAME, [me.name]);
    if (!(await verified(ctx.db, { key: me.name, address }, { hash: passwordHash, given: body.old })))
      throw invalid([{ path: 'old', says: 'is not your password' }]);
    const weak = body.password === body.old ? 'is the one you have' : weakPassword(body.password, me);
    if (weak !== null) throw invalid([{ path: 'password', says: weak }]);
    const made = await hash(body.password);
    await inTransaction(ctx.db, async (db) => {
      await db.query(SET_PASSWORD, [me.id, made, false]);
      await db.query(END_OTHER_SESSIONS, [me.id, ctx.session.id]);
      await db.query(ADD_ACCESS, ['ownPassword', me.name, me.id, address]);
    });
    return atWorks(ctx.db, { ...me, mustChange: false });
  },
  'session.signOut': async (_asked, ctx) => {
    const me = signedIn(ctx);
    await ctx.session.end();
    await ctx.db.query(ADD_ACCESS, ['signedOut', me.name, me.id, ctx.session.address]);
    return {};
  },
};
