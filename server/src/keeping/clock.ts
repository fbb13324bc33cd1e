import type { Logger } from 'pino';
import type { Db } from '../db/pool';
import { one } from '../db/rows';
import { BEGAN_AND_LAST } from './keeping.queries';

/** Clocks that are set a little do so every night. */
const NOTICED_S = 60;

/** How far the clock stands before what was last written down: it was set back. 0: it was not. */
export const setBackS = (lastAt: number, now: number): number => (lastAt - now > NOTICED_S ? lastAt - now : 0);

/** Says at the start that the clock was set back: what is written from now on stands before what is there. */
export async function noticeClock(db: Db, now: number, log: Logger): Promise<void> {
  const backS = setBackS((await one(db, BEGAN_AND_LAST)).lastAt, now);
  if (backS > 0) log.error({ backS }, 'the clock of this machine stands before the newest entry: it was set back');
}
