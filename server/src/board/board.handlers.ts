import { BoardFound, type board, type BoardEffect } from '@druckerei/contract';
import { type Bar, overtimeHelp, soonerHelp, splitHelp, whatHelps } from '@druckerei/core/board';
import { signedIn } from '../context';
import { inTransaction } from '../db/pool';
import { maybeOne, stored } from '../db/rows';
import { invalid, notFound, Refused } from '../errors';
import type { Handlers } from '../implement';
import { begin } from '../tasks/tasks.handlers';
import { csvFile } from '../files/csv-file';
import { calendarOf } from '../out/calendar';
import { momentOf } from '../plants/calendar';
import { datesOf, rowsOf } from './board-out';
import { acceptedOrder, boardNow, type BoardNow, laid, layingFrom, standing } from './board-now';
import { everywhereElse, helpsElsewhere } from './other-machine';
import { promiseOf, withQuoted } from './promise-of';
import { BOARD_VERSION, FOUND, type Pins } from './board.queries';
import { copyHandlers } from './board-copy.handlers';
import { effectOf, pageOf } from './board-page';
import { addVersion, boardAt, movedOn } from './board-versions';
import { moved, ontoMachinesOf, releaseOn } from './moved';

export const boardHandlers: Handlers<typeof board> = {
  ...copyHandlers,

  'board.read': async ({ query }, ctx) => {
    const quoted = query.quoted === undefined ? null : await withQuoted(ctx, query.quoted);
    // What nobody released is no reason to look for another order.
    if (quoted) return { ...pageOf(quoted.now, quoted.laid), grown: 0 };
    const now = await boardNow(ctx.db, ctx.now());
    return pageOf(now, await laid(now, ctx));
  },
  'board.csv': async (_asked, ctx) => {
    const now = await boardNow(ctx.db, ctx.now());
    return csvFile('board.csv', rowsOf(pageOf(now, await laid(now, ctx))));
  },
  'board.ics': async ({ query }, ctx) => {
    const now = await boardNow(ctx.db, ctx.now());
    const page = pageOf(now, await laid(now, ctx));
    if (query.machine !== undefined && !page.lanes.some((l) => l.machine === query.machine)) throw notFound('This machine on the board');
    return {
      mime: 'text/calendar; charset=utf-8',
      name: 'board.ics',
      attached: true,
      bytes: Buffer.from(calendarOf('Board', datesOf(page, query.machine), ctx.now())),
    };
  },
  'board.search': async ({ body }, ctx) => {
    const { nr } = await boardNow(ctx.db, ctx.now());
    if (body.base !== nr) throw movedOn(nr);
    return begin(ctx, body.id, 'board', { base: body.base });
  },
  'board.take': async ({ body }, ctx) => {
    const task = await maybeOne(ctx.db, FOUND, [body.task]);
    if (task?.state !== 'done') throw notFound('This proposal');
    const found = stored(BoardFound, task.result, `what task ${body.task} found`);
    // A proposal is one beside the version it was found on.
    if (found.base !== body.base) throw movedOn(body.base);
    const { pins, problem } = await boardNow(ctx.db, ctx.now());
    return addVersion(ctx, body.base, { why: 'search', bars: found.bars, pins, problem });
  },
  'board.help': async ({ params }, ctx) => {
    const now = await boardNow(ctx.db, ctx.now());
    if (!(params.id in now.problem.jobs)) throw notFound('This job on the board');
    const stands = await laid(now, ctx);
    const accepted = acceptedOrder(standing(stands.bars));
    const asked = [overtimeHelp, soonerHelp, splitHelp].flatMap((help) => help(now.problem, accepted, params.id) ?? []);
    return [
      ...whatHelps(layingFrom(now.problem, stands.bars), params.id),
      ...(await helpsElsewhere(ctx.db, now, stands, params.id)),
      ...asked,
    ];
  },
  'board.promise': ({ body }, ctx) => promiseOf(ctx, body),
  'board.try': async ({ body }, ctx): Promise<BoardEffect> => {
    const now = await boardAt(ctx, body.base);
    const before = await laid(now, ctx);
    return effectOf(now, before, (await moved(ctx, now, before, body)).then);
  },
  'board.move': async ({ body }, ctx) => {
    const now = await boardAt(ctx, body.base);
    const { then, again } = await moved(ctx, now, await laid(now, ctx), body);
    return inTransaction(ctx.db, async (db) => {
      if (again) await releaseOn(db, ctx, again);
      return addVersion(ctx, body.base, { why: 'move', bars: standing(then.bars), pins: now.pins, problem: then.problem }, db);
    });
  },
  'board.machines': async ({ query }, ctx) => {
    const ways = await everywhereElse(ctx.db, await boardNow(ctx.db, ctx.now()), query.work);
    if (ways instanceof Refused) throw ways;
    return ways.map(({ machine, name, against }) => ({ machine, name, against }));
  },
  'board.back': async ({ body }, ctx) => {
    const now = await boardAt(ctx, body.base);
    const before = await maybeOne(ctx.db, BOARD_VERSION, [body.base - 1]);
    if (!before) throw new Refused(409, 'first', 'This is the first board that was accepted: there is none before it.');
    return inTransaction(ctx.db, async (db) => {
      await ontoMachinesOf(db, ctx, now, before.bars);
      const { problem } = await boardNow(db, ctx.now());
      return addVersion(ctx, body.base, { why: 'back', bars: before.bars, pins: before.pins, problem }, db);
    });
  },
  'board.accept': async ({ body }, ctx) => {
    const now = await boardAt(ctx, body.base);
    const { bars, problem } = await laid(now, ctx);
    return addVersion(ctx, body.base, { why: 'accept', bars: standing(bars), pins: now.pins, problem });
  },
  'board.pin': async ({ body }, ctx) => {
    const now = await boardAt(ctx, body.base);
    const { bars, problem } = await laid(now, ctx);
    return addVersion(ctx, body.base, {
      why: 'pin',
      bars: standing(bars),
      pins: pinned(now, bars, body, signedIn(ctx).fullName),
      problem,
    });
  },
};

/** Pins with one more, or one less; those of steps that are gone from the board are dropped. */
function pinned(
  { problem, pins, timeZone }: BoardNow,
  bars: readonly Bar[],
  { work, pin }: { work: string; pin: { kind: 'here' } | { kind: 'notBefore'; by: string } | null },
  by: string,
): Pins {
  const bar = bars.find((b) => b.work === work);
  if (!bar) throw notFound('This step on the board');
  if (problem.work[work]?.state === 'running') throw new Refused(409, 'runs', 'What runs already stays where it is.');
  const kept = Object.fromEntries(Object.entries(pins).filter(([id]) => id !== work && problem.work[id]?.state === 'free'));
  if (pin === null) return kept;
  if (pin.kind === 'here') return { ...kept, [work]: { start: bar.start, by } };
  const notBefore = momentOf(pin.by, timeZone);
  if (notBefore === null) throw invalid([{ path: 'pin.by', says: 'is not a day of the calendar' }]);
  return { ...kept, [work]: { notBefore, by } };
}
