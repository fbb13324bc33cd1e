import { availableParallelism } from 'node:os';
import { verify } from '@node-rs/argon2';
import pLimit from 'p-limit';
import type { Pool } from 'pg';
import { inTransaction } from '../db/pool';
import { one } from '../db/rows';
import { Refused } from '../errors';
import { ADD_ATTEMPT, ADD_HELD, FORGET_ATTEMPTS, LOCK_ATTEMPTS, RECENT_ATTEMPTS } from './session.queries';

/** So many wrong ones cost no waiting; from then on each doubles it, up to the longest. */
const FREE = 3;
const LONGEST_S = 300;
/** Attempts of a quarter of an hour that one address has for all names, and one name from all addresses it never signed in from. */
const OF_ADDRESS = 120;
const OF_NAME = 100;
/** Passwords checked at once: each takes a core and its memory for some hundredths of a second. */
const checking = pLimit(availableParallelism());
const MOST_WAITING = 200;

/** How long after the last attempt the next one is taken, seconds. @example 3 → 0, 4 → 2, 12 → 300 */
export const delayAfter = (wrong: number): number => (wrong < FREE ? 0 : Math.min(2 ** (wrong - FREE), LONGEST_S));

/** Somebody who wants to be let in: the key is a sign-in name, or a person's PIN. Wrong ones of one key and address never hold another key or address up. */
export interface Knock {
  key: string;
  address: string;
}

/**
 * Lets a secret be verified, or refuses to try. The attempt is written down first, under a lock of its address and key, so that a thousand at once are counted
 * like one after the other; what was right is forgotten again.
 * Delays hang on the pair of key and address: from outside nobody can lock out a person at his usual desk.
 * @throws Refused 429 with the seconds to wait; 503 where too many wait already
 */
export async function verified(db: Pool, knock: Knock, secret: { hash: string; given: string }): Promise<boolean> {
  if (checking.pendingCount > MOST_WAITING) throw new Refused(503, 'busy', 'Too many sign in at once. Try again in a moment.');
  await reserve(db, knock).catch(async (held: unknown) => {
    if (held instanceof Refused) await db.query(ADD_HELD, [knock.key, knock.address]);
    throw held;
  });
  const right = await checking(() => verify(secret.hash, secret.given));
  if (right) await db.query(FORGET_ATTEMPTS, [knock.key, knock.address]);
  return right;
}

const reserve = (db: Pool, { key, address }: Knock): Promise<void> =>
  inTransaction(db, async (tx) => {
    // Always the address first, so that two never wait for each other.
    await tx.query(LOCK_ATTEMPTS, [`address ${address}`]);
    await tx.query(LOCK_ATTEMPTS, [`key ${key}`]);
    const { ofBoth, lastS, ofAddress, ofName, familiar } = await one(tx, RECENT_ATTEMPTS, [key, address]);
    const waitS = Math.ceil(delayAfter(ofBoth) - lastS);
    if (waitS > 0) throw tooMany(waitS);
    if (ofAddress >= OF_ADDRESS || (!familiar && ofName >= OF_NAME)) throw tooMany(LONGEST_S);
    await tx.query(ADD_ATTEMPT, [key, address]);
  });

const tooMany = (waitS: number): Refused =>
  new Refused(429, 'too-many', `Too many wrong attempts. Try again in ${waitS < 90 ? `${waitS} s` : `${Math.ceil(waitS / 60)} minutes`}.`);
