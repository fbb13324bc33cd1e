import type { BOARD_WHY } from '@druckerei/contract';
import type { Problem } from '@druckerei/core/board';
import { type Ctx, signedIn } from '../context';
import type { Db } from '../db/pool';
import { Refused } from '../errors';
import { notifyChanged } from '../events/event-hub';
import { acceptedOrder, boardNow, type BoardNow, laidIn } from './board-now';
import { ADD_VERSION, type Pins, type Standing } from './board.queries';

/** Who was second. */
export const movedOn = (nr: number): Refused =>
  new Refused(409, 'moved-on', `Somebody changed the board meanwhile: it is at version ${nr}. Look at it, and do it again.`);

/** The board, when it is still the version somebody saw. */
export async function boardAt(ctx: Ctx, base: number): Promise<BoardNow> {
  const now = await boardNow(ctx.db, ctx.now());
  if (now.nr !== base) throw movedOn(now.nr);
  return now;
}

/** A version of the board as it is made. */
interface Made {
  why: (typeof BOARD_WHY)[number];
  bars: readonly Standing[];
  pins: Pins;
  /** The work as it then is. */
  problem: Problem;
}
export async function addVersion(ctx: Ctx, base: number, made: Made, db: Db = ctx.db): Promise<{ nr: number }> {
  const nr = base + 1;
  const by = signedIn(ctx);
  if (!(await addBoardVersion(db, nr, by.id, made))) throw movedOn(nr);
  await notifyChanged(db, { table: 'board', id: String(nr), version: nr, by: by.name });
  return { nr };
}
/** False: somebody made this version first, or the one before is not there. */
async function addBoardVersion(db: Db, nr: number, by: string, { why, bars, pins, problem }: Made): Promise<boolean> {
  const { order, on, was } = acceptedOrder(bars);
  const { money } = laidIn(problem, order, on, was);
  return (await db.query(ADD_VERSION, [nr, by, why, JSON.stringify(bars), JSON.stringify(pins), money.late])).rowCount === 1;
}
