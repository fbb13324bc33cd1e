import type { HoursAsked, board } from '@druckerei/contract';
import { jobFirst, type Problem } from '@druckerei/core/board';
import { signedIn } from '../context';
import { type Db, inTransaction } from '../db/pool';
import { invalid, notFound, Refused } from '../errors';
import { notifyChanged } from '../events/event-hub';
import type { Handlers } from '../implement';
import { type HoursChange, momentOf } from '../plants/calendar';
import { ADD_HOURS, END_HOURS } from '../plants/plants.queries';
import { plantInForce } from '../plants/read-plant';
import { acceptedOrder, boardNow, type BoardNow, type Laid, laid, laidIn, layingFrom, judgedFrom, standing } from './board-now';
import { hoursInFile } from './hours-file';
import { effectOf } from './board-page';
import { boardAt, addVersion } from './board-versions';
import { wasIn } from './moved';

/** A copy of the board to play with: hours that are other than the calendars, a job before everything. */
export const copyHandlers: Pick<Handlers<typeof board>, 'board.tryCopy' | 'board.takeCopy' | 'board.readHours' | 'board.endHours'> = {
  'board.tryCopy': async ({ body }, ctx) => {
    const now = await boardAt(ctx, body.base);
    const before = await laid(now, ctx);
    const { then } = await copied(ctx.db, now, before, { hours: hoursOfAll(now, body.hours), first: body.first });
    return effectOf(now, before, then);
  },
  'board.takeCopy': async ({ body }, ctx) => {
    const now = await boardAt(ctx, body.base);
    const by = signedIn(ctx);
    const hours = hoursOfAll(now, body.hours);
    const { then, problem } = await copied(ctx.db, now, await laid(now, ctx), { hours, first: body.first });
    return inTransaction(ctx.db, async (db) => {
      for (const { id, machine, from, until, opens, why } of hours) {
        await db.query(ADD_HOURS, [id, machine, from, until, opens, why, by.id]);
        await notifyChanged(db, { table: 'board', id, version: 1, by: by.name });
      }
      if (body.first === null) return { nr: now.nr };
      return addVersion(ctx, body.base, { why: 'move', bars: standing(then.bars), pins: now.pins, problem }, db);
    });
  },
  'board.readHours': async ({ query, file }, ctx) => {
    const { plant } = await plantInForce(ctx.db);
    if (!Object.hasOwn(plant.machines, query.machine)) throw invalid([{ path: 'machine', says: 'is no machine of the works' }]);
    const { hours, left } = hoursInFile(Buffer.from(file).toString('utf8'), plant.timeZone, ctx.now());
    return { hours: hours.map((h) => ({ ...h, machine: query.machine, opens: query.opens === 'true' })), left };
  },
  'board.endHours': async ({ params }, ctx) => {
    const by = signedIn(ctx);
    if ((await ctx.db.query(END_HOURS, [params.id, by.id])).rowCount !== 1) throw notFound('An entry of hours that still counts');
    await notifyChanged(ctx.db, { table: 'board', id: params.id, version: 2, by: by.name });
    return { id: params.id };
  },
};

/** Hours that are asked for, as moments; refused by their place where they are none, run backwards, or are of no machine of the works. */
function hoursOfAll<H extends HoursAsked>({ timeZone, plant }: BoardNow, asked: readonly H[]): (Omit<H, 'from' | 'until'> & HoursChange)[] {
  return asked.map((hours, i) => {
    const [from, until] = [momentOf(hours.from, timeZone), momentOf(hours.until, timeZone)];
    const wrong = (field: string, says: string): Refused => invalid([{ path: `hours.${i}.${field}`, says }]);
    if (from === null) throw wrong('from', 'is not a day of the calendar');
    if (until === null) throw wrong('until', 'is not a day of the calendar');
    if (until <= from) throw wrong('until', 'comes before its beginning');
    if (!Object.hasOwn(plant.machines, hours.machine)) throw wrong('machine', 'is no machine of the works');
    return { ...hours, from, until };
  });
}

/** The board as it would lie in a copy: with other hours, and a job before everything that does not run. */
async function copied(
  db: Db,
  now: BoardNow,
  before: Laid,
  { hours, first }: { hours: readonly HoursChange[]; first: string | null },
): Promise<{ then: Laid; problem: Problem }> {
  const { problem } = await boardNow(db, now.problem.asOf, { hours });
  const { order, on, was } = acceptedOrder(standing(before.bars));
  if (first === null) return { then: laidIn(problem, order, on, was), problem };
  if (!(first in problem.jobs)) throw notFound('This job on the board');
  const laying = layingFrom(problem, before.bars);
  laying.layAll(jobFirst(laying, first));
  return { then: judgedFrom(problem, laying, wasIn(now, before)), problem };
}
