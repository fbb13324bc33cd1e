import {
  type BOARD_WHY,
  BoardFound,
  type HoursAsked,
  type board,
  type BoardEffect,
  type BoardMove,
  type BoardPage,
} from '@druckerei/contract';
import { practiceValue } from '@druckerei/core';
import {
  type Bar,
  jobFirst,
  type Judged,
  type Laying,
  leastMoney,
  moneyOf,
  moveWithFollowers,
  overtimeHelp,
  soonerHelp,
  splitHelp,
  type Problem,
  whatHelps,
  whyThen,
  workId,
} from '@druckerei/core/board';
import { type Ctx, signedIn } from '../context';
import { type Db, inTransaction } from '../db/pool';
import { maybeOne, stored } from '../db/rows';
import { invalid, notFound, Refused } from '../errors';
import { notifyChanged } from '../events/event-hub';
import type { Handlers } from '../implement';
import { releaseChanged } from '../jobs/release.handlers';
import { begin } from '../tasks/tasks.handlers';
import { csvFile } from '../files/csv-file';
import { calendarOf } from '../out/calendar';
import { type HoursChange, momentOf } from '../plants/calendar';
import { ADD_HOURS, END_HOURS } from '../plants/plants.queries';
import { plantInForce } from '../plants/read-plant';
import { datesOf, rowsOf } from './board-out';
import {
  acceptedOrder,
  boardNow,
  type BoardNow,
  endsOf,
  type Laid,
  laid,
  laidIn,
  layingFrom,
  judgedFrom,
  standing,
  tightest,
  toldWhy,
} from './board-now';
import { type Elsewhere, elsewhere, everywhereElse, helpsElsewhere, layingElsewhere } from './other-machine';
import { hoursInFile } from './hours-file';
import { promiseOf, withQuoted } from './promise-of';
import { ADD_VERSION, BOARD_VERSION, FOUND, type Pins, type Standing } from './board.queries';

export const boardHandlers: Handlers<typeof board> = {
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
    const now = await at(ctx, body.base);
    const before = await laid(now, ctx);
    return effectOf(now, before, (await moved(ctx, now, before, body)).then);
  },
  'board.move': async ({ body }, ctx) => {
    const now = await at(ctx, body.base);
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
    const now = await at(ctx, body.base);
    const before = await maybeOne(ctx.db, BOARD_VERSION, [body.base - 1]);
    if (!before) throw new Refused(409, 'first', 'This is the first board that was accepted: there is none before it.');
    return inTransaction(ctx.db, async (db) => {
      await ontoMachinesOf(db, ctx, now, before.bars);
      const { problem } = await boardNow(db, ctx.now());
      return addVersion(ctx, body.base, { why: 'back', bars: before.bars, pins: before.pins, problem }, db);
    });
  },
  'board.accept': async ({ body }, ctx) => {
    const now = await at(ctx, body.base);
    const { bars, problem } = await laid(now, ctx);
    return addVersion(ctx, body.base, { why: 'accept', bars: standing(bars), pins: now.pins, problem });
  },
  'board.tryCopy': async ({ body }, ctx) => {
    const now = await at(ctx, body.base);
    const before = await laid(now, ctx);
    const { then } = await copied(ctx.db, now, before, { hours: hoursOfAll(now, body.hours), first: body.first });
    return effectOf(now, before, then);
  },
  'board.takeCopy': async ({ body }, ctx) => {
    const now = await at(ctx, body.base);
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
  'board.pin': async ({ body }, ctx) => {
    const now = await at(ctx, body.base);
    const { bars, problem } = await laid(now, ctx);
    return addVersion(ctx, body.base, {
      why: 'pin',
      bars: standing(bars),
      pins: pinned(now, bars, body, signedIn(ctx).fullName),
      problem,
    });
  },
};

type Why = (typeof BOARD_WHY)[number];
const movedOn = (nr: number): Refused =>
  new Refused(409, 'moved-on', `Somebody changed the board meanwhile: it is at version ${nr}. Look at it, and do it again.`);

/** The board, when it is still the version somebody saw. */
async function at(ctx: Ctx, base: number): Promise<BoardNow> {
  const now = await boardNow(ctx.db, ctx.now());
  if (now.nr !== base) throw movedOn(now.nr);
  return now;
}

/** A version of the board as it is made. */
interface Made {
  why: Why;
  bars: readonly Standing[];
  pins: Pins;
  /** The work as it then is. */
  problem: Problem;
}
async function addVersion(ctx: Ctx, base: number, made: Made, db: Db = ctx.db): Promise<{ nr: number }> {
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

/** What a move comes to: the board as it then lies, and what has to be released again for it. */
interface Moved {
  then: Laid;
  again: Elsewhere | null;
}
/** The board with a step before or behind another, on another machine, or a job before everything. */
async function moved(ctx: Ctx, now: BoardNow, before: Laid, move: BoardMove): Promise<Moved> {
  if ('first' in move) {
    if (!(move.first in now.problem.jobs)) throw notFound('This job on the board');
    const laying = layingFrom(now.problem, before.bars);
    laying.layAll(jobFirst(laying, move.first));
    return { then: judgedFrom(now.problem, laying, wasIn(now, before)), again: null };
  }
  const machine = 'on' in move ? move.on : (before.bars.find((b) => b.work === move.beside)?.machine ?? '');
  if (now.problem.work[move.work]?.ways.some((w) => w.machine === machine)) {
    const laying = layingFrom(now.problem, before.bars);
    if ('beside' in move) moveBeside(laying, move);
    return { then: judgedFrom(now.problem, laying, wasIn(now, before)), again: null };
  }
  const again = await elsewhere(ctx.db, now, move.work, machine);
  if (again.against !== null) throw new Refused(422, 'against', `Not on ${again.name}: ${again.against}`);
  const { problem, laying } = await layingElsewhere(ctx.db, now, before, again);
  if ('beside' in move) moveBeside(laying, move);
  return { then: judgedFrom(problem, laying, wasIn(now, before)), again };
}
const wasIn = ({ accepted }: BoardNow, { bars }: Judged): Bar[] | undefined =>
  accepted.length > 0 ? acceptedOrder(standing(bars)).was : undefined;
function moveBeside(laying: Laying, { work, beside, side }: Extract<BoardMove, { beside: string }>): void {
  const [piece, other] = [laying.list.find((x) => x.id === work), laying.list.find((x) => x.id === beside)];
  if (!piece || !other) throw notFound('This step on the board');
  const way = piece.ways.find((w) => w.machine === other.way.machine);
  if (!way) throw new Refused(422, 'other-machine', 'This step cannot be done on that machine.');
  if (piece.running || other.running) throw new Refused(409, 'runs', 'What runs already stays where it is.');
  if (!moveWithFollowers(laying, piece, other, side, way))
    throw new Refused(409, 'circle', 'It cannot stand there: one of the two needs the other first.');
}
/** The job released again with its work on another machine. */
const releaseOn = (db: Db, ctx: Ctx, { job, edit, name }: Elsewhere): Promise<void> =>
  releaseChanged(db, ctx, job.id, job.version, [edit], `moved to ${name} on the board`);
/** Work that another version of the board has on other machines goes back to them. */
async function ontoMachinesOf(db: Db, ctx: Ctx, now: BoardNow, bars: readonly Standing[]): Promise<void> {
  const moved = new Set<string>();
  for (const { work, machine } of bars) {
    const mine = now.problem.work[work];
    if (mine?.state !== 'free' || mine.ways.some((w) => w.machine === machine) || moved.has(work)) continue;
    const again = await elsewhere(db, now, work, machine);
    if (again.against !== null) throw new Refused(422, 'against', `Not back on ${again.name}: ${again.against}`);
    await releaseOn(db, ctx, again);
    // Both sides of a form went along.
    for (const step of again.steps) if (step.machine === machine) moved.add(workId(mine.job, step.step));
  }
}

const changeS = ({ bars }: Judged): number => bars.reduce((sum, b) => sum + b.changes.reduce((s, c) => s + c.s, 0), 0);

function effectOf(now: BoardNow, before: Laid, after: Laid): BoardEffect {
  const [was, is] = [endsOf(before.bars, before), endsOf(after.bars, after)];
  const dues = tightest(after);
  const jobs = [...is].flatMap(([job, end]) => {
    const byS = end - (was.get(job) ?? end);
    const { dueAt = 0, readyAt = 0 } = dues.get(job) ?? {};
    return byS === 0 ? [] : [{ job, number: now.jobs.get(job)?.number ?? 0, byS, lateS: Math.max(0, readyAt - dueAt) }];
  });
  return {
    // What was moved is no cost of the plan itself.
    money: moneyOf({ ...after.money, moved: 0 }) - moneyOf({ ...before.money, moved: 0 }),
    changeS: changeS(after) - changeS(before),
    jobs: jobs.sort((a, b) => b.lateS - a.lateS || b.byS - a.byS),
  };
}

function pageOf(now: BoardNow, judged: Laid): BoardPage {
  const { problem, nr, by, at: when, why, accepted, pins, late, hours, jobs, timeZone, currency, reserveS } = now;
  const stood = new Map(accepted.map((a) => [a.work, a]));
  const ends = endsOf(judged.bars, judged);
  const dues = tightest(judged);
  return {
    nr,
    asOf: problem.asOf,
    timeZone,
    currency,
    by,
    at: when,
    why,
    lanes: Object.entries(problem.lanes).map(([machine, { name, open }]) => ({
      machine,
      name,
      open: open.map(([a, b]) => [a, b] as [number, number]),
    })),
    hours: [...hours],
    bars: judged.bars.map((bar) => {
      const work = problem.work[bar.work];
      const was = stood.get(bar.work);
      const isOff = was !== undefined && (was.machine !== bar.machine || Math.abs(was.start - bar.start) > OFF_PLAN_S);
      return {
        ...{ work: bar.work, job: work?.job ?? '', step: work?.step ?? '', name: work?.name ?? '', machine: bar.machine },
        ...{ start: bar.start, makeReadyAt: bar.makeReadyAt, runAt: bar.runAt, end: bar.end, changes: [...bar.changes] },
        runs: work?.state === 'running',
        fresh: nr > 0 && was === undefined && work?.state !== 'quoted',
        quoted: work?.state === 'quoted',
        pin: work?.pin ? (pins[bar.work] ?? null) : null,
        off: isOff ? { machine: was.machine, start: was.start } : null,
      };
    }),
    jobs: [...ends].map(([job, endAt]) => {
      const { number = 0, title = '', customer = '' } = jobs.get(job) ?? {};
      const { dueAt = null, readyAt = endAt, money = 0 } = dues.get(job) ?? {};
      return {
        ...{ job, number, title, customer, dueAt, readyAt, endAt },
        lateMoney: money,
        because: toldWhy(now, whyThen(judged.laying, job)),
      };
    }),
    money: judged.money,
    grown: nr === 0 || late === null ? 0 : Math.max(0, judged.money.late - late),
    least: leastMoney(problem),
    // A start that was pinned to this minute passes while it is read.
    breaches: judged.breaches
      .filter(({ code, byS }) => code !== 'pin' || byS === 0 || byS > OFF_PLAN_S)
      .map(({ code, work, byS }) => ({ code, work, byS })),
    reserveS,
    growthMoney: practiceValue(now.plant, 'board.growthMoney'),
  };
}
/** A bar that begins by more than this another time than accepted is off the plan, s. House rule. */
const OFF_PLAN_S = 300;
