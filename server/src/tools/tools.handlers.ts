import { randomUUID } from 'node:crypto';
import type { FormOffer, ToolCard, tools } from '@druckerei/contract';
import {
  type FormName,
  fitWedge,
  isSameForm,
  KEPT_STATES,
  nextStates,
  OutOfRange,
  passes,
  platesetterQueue,
  type PracticeKey,
  practiceValue,
  simulatedPlate,
  TOOL_STATES,
  type ToolState,
} from '@druckerei/core';
import { formWork } from '@druckerei/core/planning';
import { type Ctx, signedIn } from '../context';
import { type Db, inTransaction } from '../db/pool';
import { many, maybeOne } from '../db/rows';
import { invalid, notFound, Refused } from '../errors';
import { notifyChanged } from '../events/event-hub';
import { BOARD_STARTS } from '../floor/floor.queries';
import { stepKey } from '../floor/steps-now';
import type { Handlers } from '../implement';
import { findJob, planOf } from '../jobs/find-job';
import { plantInForce } from '../plants/read-plant';
import {
  ADD_TOOL_EVENT,
  CARD_BY_ID,
  CARDS,
  COUNTED_OF,
  EVENT_THERE,
  IMAGED_UNDER,
  JOB_NUMBERED,
  KEPT_OF,
  LOCK_CARD,
  QUEUE,
  REMADE_AS,
  SET_CHECKS,
  SET_MADE,
  SET_STATE,
  TAKE_OVER,
  TOOL_EVENTS,
  TOOLS_WITH_JOBS,
  type CardRow,
} from './tools.queries';
import { addCard, formsOfJob } from './forms-of-job';

const ROWS = 400;
const WORK: readonly ToolState[] = ['planned', 'imaged', 'checked', 'onPress'];
const STATES: Record<'work' | 'kept' | 'gone' | 'all', readonly ToolState[]> = {
  work: WORK,
  kept: ['stored', 'out', 'customer'],
  gone: ['spoilt', 'recycled'],
  all: TOOL_STATES,
};

export const toolsHandlers: Handlers<typeof tools> = {
  'tools.list': async ({ query }, ctx) => await many(ctx.db, TOOLS_WITH_JOBS, [query.id ?? null]),

  'tools.cards': async ({ query }, ctx) => {
    const find = query.find?.trim() ? `%${query.find.trim()}%` : null;
    const rows = await many(ctx.db, CARDS, [find, STATES[query.state ?? 'work'], query.job ?? null, ROWS + 1]);
    const { plant } = await plantInForce(ctx.db);
    const waiting = await platesWaiting(ctx.db);
    const queue = platesetterQueue(waiting.map(queued), ctx.now(), practiceValue(plant, 'plate.wedgeS'));
    return {
      cards: rows.slice(0, ROWS),
      queue: queue.flatMap((place) => {
        const card = waiting.find((w) => w.id === place.id);
        return card ? [{ ...place, title: card.title ?? '', ink: card.ink, side: card.side }] : [];
      }),
      more: rows.length > ROWS,
      asOf: ctx.now(),
      timeZone: plant.timeZone,
    };
  },
  'tools.read': async ({ params }, ctx) => ({
    card: await readCard(ctx.db, params.id),
    log: await many(ctx.db, TOOL_EVENTS, [params.id]),
  }),

  'tools.enter': ({ body: { key, number, ...tool } }, ctx) =>
    inTransaction(ctx.db, async (db) => {
      const [twice] = await many(db, EVENT_THERE, [key]);
      if (twice) return readCard(db, twice.tool);
      const job = number === null ? null : (await maybeOne(db, JOB_NUMBERED, [number]))?.id;
      if (job === undefined) throw invalid([{ path: 'number', says: `${number} is no job of the house` }]);
      const id = await addCard(db, { ...ENTERED, ...tool, job });
      await db.query(ADD_TOOL_EVENT, [key, id, 'entered', '', null, JSON.stringify({ used: tool.used }), signedIn(ctx).id]);
      await told(db, ctx, id);
      return readCard(db, id);
    }),
  'tools.move': ({ params, body }, ctx) =>
    change(ctx, params.id, body.key, async (db, card) => {
      if (card.state !== body.was)
        throw new Refused(409, 'moved', `This form moved meanwhile: it is ${card.state} now.`, {
          stale: { version: 0, by: '', edits: [] },
        });
      if (!nextStates(card.state).includes(body.to)) throw invalid([{ path: 'to', says: `does not follow on ${card.state}` }]);
      if ((body.to === 'spoilt' || body.to === 'recycled') && body.reason.length < 3)
        throw invalid([{ path: 'reason', says: 'says in a few words why' }]);
      if (body.to === 'imaged') await db.query(SET_MADE, [card.id, ctx.now(), 'by hand']);
      else if (body.to === 'checked' && card.state === 'imaged')
        throw invalid([{ path: 'to', says: 'is reached by a check: say what was seen on it' }]);
      else await db.query(SET_STATE, [card.id, body.to, body.place ?? null, card.state === 'onPress' ? await impressions(db, card.id) : 0]);
      return { what: body.to, reason: body.reason, facts: { from: card.state, ...(body.place !== undefined && { place: body.place }) } };
    }),

  'tools.check': ({ params, body }, ctx) =>
    change(ctx, params.id, body.key, async (db, card) => {
      if (!['imaged', 'checked', 'stored'].includes(card.state))
        throw new Refused(409, 'not-there', 'Only a form that was made, and is not on a press, can be checked.');
      const fit = body.steps.length > 0 ? wedge(body.steps) : null;
      const checks = {
        scratches: body.scratches,
        smallestUm: body.smallestUm,
        wedge: fit === null ? 'none' : fit.inside ? 'in' : 'out',
      } as const;
      const good = passes(checks);
      const state = good ? (card.state === 'stored' ? 'stored' : 'checked') : 'spoilt';
      await db.query(SET_CHECKS, [card.id, state, JSON.stringify(checks), body.registerHoles ?? null]);
      return { what: good ? 'checked' : 'spoilt', reason: '', facts: { ...checks, steps: body.steps, ...(fit && { fit }) } };
    }),

  'tools.remake': async ({ params, body }, ctx) => {
    let made = '';
    await change(ctx, params.id, body.key, async (db, card) => {
      if (!nextStates(card.state).includes('spoilt') && card.state !== 'spoilt')
        throw new Refused(409, 'not-there', 'Only a form that was made can be made again.');
      const { plant } = await plantInForce(db);
      const price = PRICES[card.kind];
      const cost = price && practiceValue(plant, price);
      if (card.state !== 'spoilt')
        await db.query(SET_STATE, [card.id, 'spoilt', null, card.state === 'onPress' ? await impressions(db, card.id) : 0]);
      made = await addCard(db, {
        ...card,
        version: body.version ?? card.version,
        state: 'planned',
        place: '',
        replaces: card.id,
        checks: null,
        used: 0,
      });
      return { what: 'remake', reason: body.reason, ...(cost !== undefined && { cost }), facts: { card: made } };
    });
    const again = made || (await maybeOne(ctx.db, REMADE_AS, [body.key]))?.card;
    return readCard(ctx.db, again ?? params.id);
  },

  'tools.image': ({ body }, ctx) =>
    inTransaction(ctx.db, async (db) => {
      const before = await many(db, IMAGED_UNDER, [body.key]);
      if (before.length > 0) return { imaged: before.map((b) => ({ id: b.tool, bad: b.facts.bad, steps: b.facts.steps })) };
      const { plant } = await plantInForce(db);
      const waiting = await platesWaiting(db);
      const next = platesetterQueue(waiting.map(queued), ctx.now(), practiceValue(plant, 'plate.wedgeS')).slice(0, body.plates);
      if (next.length === 0) throw new Refused(422, 'empty', 'No plate waits for the platesetter.');
      const imaged = [];
      for (const { id } of next) {
        if (!(await maybeOne(db, LOCK_CARD, [id]))) continue;
        const { bad, wedge: steps } = simulatedPlate(Number(id.replace(/\D/g, '')));
        await db.query(SET_MADE, [id, ctx.now(), 'simulated platesetter']);
        await db.query(ADD_TOOL_EVENT, [
          randomUUID(),
          id,
          'imaged',
          '',
          null,
          JSON.stringify({ key: body.key, bad, steps }),
          signedIn(ctx).id,
        ]);
        await told(db, ctx, id);
        imaged.push({ id, bad, steps });
      }
      return { imaged };
    }),

  'tools.offers': ({ params }, ctx) => offersFor(ctx, ctx.db, params.id),

  'tools.take': ({ params, body }, ctx) =>
    inTransaction(ctx.db, async (db) => {
      const offers = await offersFor(ctx, db, params.id);
      for (const [i, id] of body.tools.entries()) {
        if (await maybeOne(db, EVENT_THERE, [keyOf(body.key, i)])) continue; // sent twice
        const place = offers.find((o) => o.offers.some((c) => c.id === id));
        if (!place) throw invalid([{ path: `tools.${i}`, says: 'is no kept form that would do for this job' }]);
        if (place.card) await db.query(SET_STATE, [place.card.id, 'recycled', null, 0]);
        const work = formWork((await planOf(db, await findJob(db, params.id), ctx.now())).planned).find((w) => sameSlot(w, place));
        const card = await readCard(db, id);
        if (card.state === 'onPress') await db.query(SET_STATE, [id, 'stored', null, await impressions(db, id)]);
        await db.query(TAKE_OVER, [id, params.id, place.stone, work?.steps ?? []]);
        await db.query(ADD_TOOL_EVENT, [
          keyOf(body.key, i),
          id,
          'taken',
          '',
          null,
          JSON.stringify({ job: params.id, from: card.number }),
          signedIn(ctx).id,
        ]);
        await told(db, ctx, id);
      }
      await notifyChanged(db, { table: 'jobs', id: params.id, version: 0, by: signedIn(ctx).name });
      return offersFor(ctx, db, params.id);
    }),
};

/** What making a form again costs, where the works has a price for it; other tools are bought at the price of the day. */
const PRICES: Partial<Record<ToolCard['kind'], PracticeKey>> = { plate: 'plate.price', foilDie: 'foilDie.priceEach' };

/** A tool that comes from outside: it lies in the store, and no stone of a plan made it. */
const ENTERED = {
  state: 'stored' as const,
  stone: null,
  side: '',
  ink: '',
  press: '',
  steps: [],
  imagingS: 0,
  wantedAt: null,
  replaces: null,
  registerHoles: '',
  checks: null,
};

/** Plates that wait for the platesetter; wanted when their press is set up for them on the accepted board, else when their plan says. */
async function platesWaiting(db: Db): Promise<CardRow[]> {
  const waiting = await many(db, QUEUE);
  const jobs = [...new Set(waiting.flatMap((c) => c.job ?? []))];
  const starts = new Map((await many(db, BOARD_STARTS, [jobs])).map((s) => [s.work, s.start]));
  return waiting.map((card) => {
    const wanted = card.steps.flatMap((step) => starts.get(stepKey(card.job ?? '', step)) ?? []);
    return wanted.length > 0 ? { ...card, wantedAt: Math.min(...wanted) } : card;
  });
}
const queued = (c: CardRow) => ({
  id: c.id,
  job: c.job ?? '',
  number: c.number ?? 0,
  press: c.press,
  wantedAt: c.wantedAt,
  imagingS: c.imagingS,
});
/** One key for many: its first digits, counted on, and the rest as it is. */
const keyOf = (key: string, i: number): string =>
  `${((parseInt(key.slice(0, 8), 16) + i) % 2 ** 32).toString(16).padStart(8, '0')}${key.slice(8)}`;

async function readCard(db: Db, id: string): Promise<CardRow> {
  const card = await maybeOne(db, CARD_BY_ID, [id]);
  if (!card) throw notFound('This form');
  return card;
}
const impressions = async (db: Db, id: string): Promise<number> => (await maybeOne(db, COUNTED_OF, [id]))?.n ?? 0;
const told = (db: Db, ctx: Ctx, id: string): Promise<void> => notifyChanged(db, { table: 'tools', id, version: 0, by: signedIn(ctx).name });

/** A wedge as it was measured; what it cannot be is named. */
function wedge(steps: { file: number; plate: number }[]): ReturnType<typeof fitWedge> {
  try {
    return fitWedge(steps);
  } catch (error) {
    if (error instanceof OutOfRange) throw invalid([{ path: 'steps', says: `${error.field} must be ${error.allowed}` }]);
    throw error;
  }
}

interface Happened {
  what: string;
  reason: string;
  cost?: number;
  facts: object;
}
/** Changes a card under lock and writes down what happened; the same key twice changes nothing more. */
const change = (ctx: Ctx, id: string, key: string, work: (db: Db, card: CardRow) => Promise<Happened>): Promise<ToolCard> =>
  inTransaction(ctx.db, async (db) => {
    if (!(await maybeOne(db, LOCK_CARD, [id]))) throw notFound('This form');
    if (await maybeOne(db, EVENT_THERE, [key])) return readCard(db, id);
    const card = await readCard(db, id);
    const { what, reason, cost, facts } = await work(db, card);
    await db.query(ADD_TOOL_EVENT, [key, id, what, reason, cost ?? null, JSON.stringify(facts), signedIn(ctx).id]);
    await told(db, ctx, id);
    if (card.job !== null) await notifyChanged(db, { table: 'jobs', id: card.job, version: 0, by: signedIn(ctx).name });
    return readCard(db, id);
  });

interface Slot {
  stone: string;
  side: string;
  ink: string;
}
const sameSlot = (a: Slot, b: Slot): boolean => a.stone === b.stone && a.side === b.side && a.ink === b.ink;

/** Forms the job wants, with the card of each, and what is kept of the job it repeats that would do. */
async function offersFor(ctx: Ctx, db: Db, id: string): Promise<FormOffer[]> {
  const job = await findJob(db, id);
  const work = formWork((await planOf(db, job, ctx.now())).planned);
  const cards = await formsOfJob(db, id);
  const before = job.spec.again === undefined ? undefined : (await maybeOne(db, JOB_NUMBERED, [job.spec.again]))?.id;
  const kept = before === undefined ? [] : await many(db, KEPT_OF, [before]);
  const nameOf = (c: CardRow): FormName => ({ kind: c.kind, side: c.side, ink: c.ink, sizeMm: [c.widthMm ?? 0, c.heightMm ?? 0] });
  return work.map((w) => {
    const card = cards.find((c) => c.stone !== null && sameSlot(w, { stone: c.stone, side: c.side, ink: c.ink })) ?? null;
    const wanted: FormName = { kind: 'plate', side: w.side, ink: w.ink, sizeMm: w.sizeMm };
    const offers = card?.kept ? [] : kept.filter((k) => KEPT_STATES.includes(k.state) && isSameForm(nameOf(k), wanted));
    return { stone: w.stone, side: w.side, ink: w.ink, card, offers };
  });
}
