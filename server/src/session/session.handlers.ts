import { hash, verify } from '@node-rs/argon2';
import type { session } from '@druckerei/contract';
import { signedIn } from '../context';
import { Refused } from '../errors';
import type { Handlers } from '../implement';
import { ADD_ATTEMPT, FAILED_ATTEMPTS, FORGET_ATTEMPTS, SET_UNITS, USER_BY_NAME } from './session.queries';
import { maybeOne } from '../db/rows';

const MOST_OF_NAME = 8;
const MOST_OF_ADDRESS = 40;
/** Verified for unknown names too, so that the time taken tells nothing. */
let dummy: Promise<string> | undefined;

export const sessionHandlers: Handlers<typeof session> = {
  'session.signIn': async ({ body }, ctx) => {
    const name = body.name.toLowerCase();
    const failed = await maybeOne(ctx.db, FAILED_ATTEMPTS, [name, ctx.session.address]);
    if ((failed?.ofName ?? 0) >= MOST_OF_NAME || (failed?.ofAddress ?? 0) >= MOST_OF_ADDRESS)
      throw new Refused(429, 'too-many', 'Too many wrong passwords. Try again in a quarter of an hour.');
    const user = await maybeOne(ctx.db, USER_BY_NAME, [name]);
    dummy ??= hash('nobody’s password');
    const right = await verify(user?.passwordHash ?? (await dummy), body.password);
    if (!user || !right) {
      await ctx.db.query(ADD_ATTEMPT, [name, ctx.session.address]);
      throw new Refused(401, 'wrong-password', 'Name or password is wrong.');
    }
    await ctx.db.query(FORGET_ATTEMPTS, [name]);
    await ctx.session.begin(user.id);
    const { fullName, initials, roles, units } = user;
    return { name: user.name, fullName, initials, roles, units };
  },
  'session.me': (_asked, ctx) => Promise.resolve(signedIn(ctx)),
  'session.units': async ({ body }, ctx) => {
    const me = signedIn(ctx);
    await ctx.db.query(SET_UNITS, [me.id, body.units]);
    return { ...me, units: body.units };
  },
  'session.signOut': async (_asked, ctx) => {
    await ctx.session.end();
    return {};
  },
};
