import { randomUUID } from 'node:crypto';
import type { Batch, InkDesk, kitchen } from '@druckerei/contract';
import {
  type BaseInk,
  cgatsTable,
  flagsOf,
  judgeDrawDown,
  type MatchBase,
  measuredFromTable,
  mixed,
  NoColour,
  printedLab,
  type RecipePart,
  simulatedReading,
  usualPaper,
} from '@druckerei/core';
import { pressWork, type PressWork } from '@druckerei/core/planning';
import { type Ctx, signedIn } from '../context';
import { type Db, inTransaction } from '../db/pool';
import { many, maybeOne, one } from '../db/rows';
import { invalid, notFound, Refused } from '../errors';
import { notifyChanged } from '../events/event-hub';
import { cellsOf } from '../files/table-cells';
import type { Handlers } from '../implement';
import { findJob, planOf } from '../jobs/find-job';
import { plantInForce } from '../plants/read-plant';
import { contentsOf, mixtureOf, readBases } from './contents';
import {
  ADD_ANSWER,
  ADD_BATCH,
  ADD_DRAW_DOWN,
  ADD_PAIL,
  ADD_RECIPE,
  ADD_SAMPLE,
  ADD_WEIGHING,
  BATCH_BY_ID,
  BATCHES_OF,
  DRAW_DOWN_BY_ID,
  DRAW_DOWNS_OF,
  FILL_PAIL,
  INKS_WANTED,
  PAIL_BY_ID,
  PAILS,
  PAILS_OF,
  RECIPES,
  SAMPLE_OF,
  SET_PAIL,
  TAKE_FROM_PAIL,
  TRACE,
  WEIGHINGS_OF,
  type BatchRow,
  type DrawDownRow,
} from './kitchen.queries';

/** A left-over as a base bears this before its pail's number. */
export const PAIL_PREFIX = 'pail:';
/** Mixed on top of what the plan needs. The works' own. */
const RESERVE = 0.15;
const CORRECTED = 1.0;

type Weighed = { base: string; pail?: string | undefined; kg: number; lot: string };

export const kitchenHandlers: Handlers<typeof kitchen> = {
  'kitchen.read': async (_asked, ctx) => ({
    timeZone: (await plantInForce(ctx.db)).plant.timeZone,
    inks: (await many(ctx.db, INKS_WANTED)).map((r) => ({
      ...r,
      deltaE: r.deltaE === null ? null : Number(r.deltaE),
    })),
    bases: await readBases(ctx.db),
    recipes: await many(ctx.db, RECIPES),
    pails: await many(ctx.db, PAILS),
  }),
  'kitchen.ink': ({ params }, ctx) => inkDesk(ctx, ctx.db, params.job, params.ink),

  'kitchen.sample': ({ params, body }, ctx) =>
    inTransaction(ctx.db, async (db) => {
      await inkOf(ctx, db, params.job, params.ink);
      await db.query(ADD_SAMPLE, [body.id, params.job, params.ink, JSON.stringify(body.measured), body.tolerance, signedIn(ctx).id]);
      return changed(ctx, db, params.job, params.ink);
    }),

  'kitchen.match': async ({ params, body }, ctx) => {
    const { work } = await inkOf(ctx, ctx.db, params.job, params.ink);
    const sample = await maybeOne(ctx.db, SAMPLE_OF, [params.job, params.ink]);
    if (!sample) throw new Refused(422, 'no-sample', 'Enter the customer’s sample first: a recipe is matched to it.');
    const kg = kgOf(work, params.ink);
    const bases = (await readBases(ctx.db)).filter((b) => suits(b, work) && (body.bases?.includes(b.id) ?? true));
    const leftOvers = body.leftOverShare > 0 ? await freePails(ctx.db, work) : [];
    if (bases.length === 0)
      throw new Refused(422, 'no-base', 'No base ink may be used here: look at what the order binds, and at the bases chosen.');
    const from = performance.now();
    const { result } = await ctx.threads.run(
      {
        kind: 'match',
        ask: {
          bases: [...bases, ...leftOvers],
          target: { lab: sample.measured.lab, ...(sample.measured.spectrum && { spectrum: sample.measured.spectrum }) },
          stock: work.paper.reflectance,
          filmGsm: work.filmGsm,
          most: body.most,
          wish: body.wish,
          leftOverShare: body.leftOverShare,
          neededKg: kg,
        },
      },
      () => undefined,
      ctx.gone,
    );
    return { ...result, seconds: (performance.now() - from) / 1000 };
  },

  'kitchen.recipe': async ({ body }, ctx) => {
    const bases = await readBases(ctx.db);
    const of = knownBases(body.parts, bases);
    const film = {
      ...mixed(
        of,
        body.parts.map((p) => p.parts),
      ),
      gsm: body.filmGsm,
    };
    const lab = printedLab(film, usualPaper('gloss'));
    const { id, ...recipe } = body;
    const made = await ctx.db.query(ADD_RECIPE, [id, JSON.stringify(recipe), lab, signedIn(ctx).id]);
    if (made.rowCount === 0) throw invalid([{ path: 'id', says: 'is a recipe that is there already' }]);
    await notifyChanged(ctx.db, { table: 'kitchen', id, version: 0, by: signedIn(ctx).name });
    return { id, name: body.name, parts: body.parts, filmGsm: body.filmGsm, lab };
  },

  'kitchen.batch': ({ params, body }, ctx) =>
    inTransaction(ctx.db, async (db) => {
      const { work } = await inkOf(ctx, db, params.job, params.ink);
      const me = signedIn(ctx).id;
      const made = await maybeOne(db, ADD_BATCH, [
        body.id,
        params.job,
        params.ink,
        JSON.stringify(body.recipe),
        work.filmGsm,
        work.stock,
        body.place,
        me,
      ]);
      if (!made) return inkDesk(ctx, db, params.job, params.ink); // sent twice
      const kg = await weighIn(ctx, db, body.id, randomUUID(), body.weighed, '', work);
      for (let i = 0; i < body.pails; i++)
        await db.query(ADD_PAIL, [randomUUID(), `B${made.number}-${i + 1}`, body.id, kg / body.pails, body.place]);
      return changed(ctx, db, params.job, params.ink);
    }),

  'kitchen.add': ({ params, body }, ctx) =>
    inTransaction(ctx.db, async (db) => {
      const batch = await findBatch(db, params.id);
      const { work } = await inkOf(ctx, db, batch.job, batch.ink);
      const kg = await weighIn(ctx, db, batch.id, body.id, body.weighed, body.reason, work);
      await db.query(FILL_PAIL, [batch.id, kg]);
      return changed(ctx, db, batch.job, batch.ink);
    }),

  'kitchen.simulate': async ({ params, body }, ctx) => {
    const batch = await findBatch(ctx.db, params.id);
    const { work } = await inkOf(ctx, ctx.db, batch.job, batch.ink);
    const mix = mixtureOf(await contentsOf(ctx.db, batch.id), await readBases(ctx.db));
    if (!mix) throw new Refused(422, 'no-base', 'A base of this batch is not in the kitchen any more.');
    const measured = simulatedReading({ ...mix, gsm: batch.filmGsm }, work.paper.reflectance, batch.number * 7919, body.reading);
    return { measured, says: 'simulated spectrophotometer' };
  },

  'kitchen.drawDown': ({ params, body }, ctx) =>
    inTransaction(ctx.db, async (db) => {
      const batch = await findBatch(db, params.id);
      const sample = await maybeOne(db, SAMPLE_OF, [batch.job, batch.ink]);
      if (!sample) throw new Refused(422, 'no-sample', 'Enter the customer’s sample first: a draw-down is judged against it.');
      const verdict = judgeDrawDown(body.measured, sample.measured, sample.tolerance);
      await db.query(ADD_DRAW_DOWN, [
        body.id,
        batch.job,
        batch.ink,
        batch.id,
        JSON.stringify(body.measured),
        JSON.stringify(verdict),
        signedIn(ctx).id,
      ]);
      return changed(ctx, db, batch.job, batch.ink);
    }),

  'kitchen.answer': ({ params, body }, ctx) =>
    inTransaction(ctx.db, async (db) => {
      const row = await findDrawDown(db, params.id);
      const { inside, deltaE } = row.verdict;
      if (body.answer === 'accept' && !inside)
        throw new Refused(
          422,
          'outside',
          `It is ${deltaE.toFixed(1)} off, more than the tolerance: adjust it, or decide by name and with a reason.`,
        );
      if (body.answer === 'decide' && body.reason.length < 3) throw invalid([{ path: 'reason', says: 'says in a few words why' }]);
      const made = await db.query(ADD_ANSWER, [params.id, body.answer, body.reason, signedIn(ctx).id]);
      if (made.rowCount === 0 && row.answer?.answer !== body.answer)
        throw new Refused(409, 'answered', `${row.answer?.by ?? 'Somebody'} answered this draw-down already: draw down again.`);
      return changed(ctx, db, row.job, row.ink);
    }),

  'kitchen.correct': async ({ params, body }, ctx) => {
    const row = await findDrawDown(ctx.db, params.id);
    const batch = await findBatch(ctx.db, row.batch);
    const { work } = await inkOf(ctx, ctx.db, row.job, row.ink);
    const sample = await maybeOne(ctx.db, SAMPLE_OF, [row.job, row.ink]);
    if (!sample) throw notFound('The sample');
    const contents = await contentsOf(ctx.db, batch.id);
    const all = await readBases(ctx.db);
    const inPail = all.filter((b) => contents.some((c) => c.base === b.id));
    if (inPail.length !== contents.length) throw new Refused(422, 'no-base', 'A base of this batch is not in the kitchen any more.');
    const more = body.allBases ? all.filter((b) => suits(b, work) && !inPail.includes(b)) : [];
    const { correction } = await ctx.threads.run(
      {
        kind: 'correct',
        ask: {
          batch: contents,
          bases: [...inPail, ...more],
          measured: row.measured.lab,
          target: sample.measured.lab,
          stock: work.paper.reflectance,
          filmGsm: batch.filmGsm,
          aim: Math.min(sample.tolerance / 2, CORRECTED),
          mostShare: body.mostShare,
        },
      },
      () => undefined,
      ctx.gone,
    );
    return correction;
  },

  'kitchen.pail': async ({ params, body }, ctx) => {
    const set = await ctx.db.query(SET_PAIL, [params.id, body.kg, body.place, body.free]);
    if (set.rowCount === 0) throw notFound('This pail');
    await notifyChanged(ctx.db, { table: 'kitchen', id: params.id, version: 0, by: signedIn(ctx).name });
    return await one(ctx.db, PAIL_BY_ID, [params.id]);
  },

  'kitchen.file': ({ file }) => {
    const text = Buffer.from(file).toString('utf8');
    try {
      const table = cgatsTable(text) ?? cellsOf(Buffer.from(file));
      const read = measuredFromTable(table.head, table.lines, table.firstLine);
      return Promise.resolve({
        rows: read.rows.slice(0, 2_000),
        bad: read.bad.slice(0, 200),
      });
    } catch (error) {
      if (error instanceof NoColour) throw new Refused(422, 'no-colour', error.message);
      throw error;
    }
  },

  'kitchen.trace': async ({ params }, ctx) => await many(ctx.db, TRACE, [params.lot]),
};

/** The stone that prints an ink of a job. Refused where the job has no such ink. */
async function inkOf(ctx: Ctx, db: Db, job: string, ink: string): Promise<{ work: PressWork; number: number; title: string }> {
  const found = await findJob(db, job);
  const work = pressWork((await planOf(db, found, ctx.now())).planned).find((w) => w.inks.some((i) => i.ink === ink));
  if (!work) throw notFound(`The ink ${ink} of this job`);
  return { work, number: found.number, title: found.spec.name };
}
const kgOf = (work: PressWork, ink: string): number => (work.inks.find((i) => i.ink === ink)?.kg ?? 0) * (1 + RESERVE);

/** What the order binds: food asks for bases that do not migrate, a use for bases that stand it. */
const suits = (base: Pick<BaseInk, 'lowMigration' | 'fast'>, { food, stands }: PressWork): boolean =>
  (!food || base.lowMigration) && stands.every((use) => base.fast.includes(use));

function knownBases(parts: readonly RecipePart[], bases: readonly BaseInk[]): BaseInk[] {
  return parts.map((p, i) => {
    const base = bases.find((b) => b.id === p.base);
    if (!base) throw invalid([{ path: `parts.${i}.base`, says: 'is no base ink of the kitchen' }]);
    return base;
  });
}

/** Left-overs other jobs may have, as bases: their mixture, how much there is, nothing to pay. */
async function freePails(db: Db, work: PressWork): Promise<MatchBase[]> {
  const bases = await readBases(db);
  const pails = (await many(db, PAILS)).filter((p) => p.free);
  const of: MatchBase[] = [];
  for (const p of pails) {
    const mix = mixtureOf(await contentsOf(db, p.batch), bases);
    if (mix && suits(flagsOf(mix.of), work))
      of.push({ id: `${PAIL_PREFIX}${p.id}`, name: `${p.ink}, pail ${p.code}`, k: mix.k, s: mix.s, pricePerKg: 0, leftOverKg: p.kg });
  }
  return of;
}

/** Writes down what went into a batch; ink of a left-over leaves its pail. What the order binds is refused by name. Gives the mass. */
async function weighIn(
  ctx: Ctx,
  db: Db,
  batch: string,
  id: string,
  weighed: readonly Weighed[],
  reason: string,
  work: PressWork,
): Promise<number> {
  const bases = await readBases(db);
  let kg = 0;
  for (const [line, w] of weighed.entries()) {
    if (w.pail === undefined) {
      const base = bases.find((b) => b.id === w.base);
      if (!base) throw invalid([{ path: `weighed.${line}.base`, says: 'is no base ink of the kitchen' }]);
      if (!suits(base, work))
        throw invalid([{ path: `weighed.${line}.base`, says: `${base.name} may not go in: the order binds its inks (${boundBy(work)})` }]);
      if (w.lot === '') throw invalid([{ path: `weighed.${line}.lot`, says: `is empty: what lot of ${base.name} was it` }]);
    }
    const made = await db.query(ADD_WEIGHING, [id, line, batch, w.base, w.pail ?? null, w.kg, w.lot, reason, signedIn(ctx).id]);
    if (made.rowCount === 0) return 0; // sent twice
    if (w.pail !== undefined && (await db.query(TAKE_FROM_PAIL, [w.pail, w.kg])).rowCount === 0)
      throw invalid([{ path: `weighed.${line}.kg`, says: 'is more than the pail holds' }]);
    kg += w.kg;
  }
  return kg;
}
const boundBy = ({ food, stands }: PressWork): string => [...(food ? ['food'] : []), ...stands].join(', ');

async function findBatch(db: Db, id: string): Promise<BatchRow> {
  const row = await maybeOne(db, BATCH_BY_ID, [id]);
  if (!row) throw notFound('This batch');
  return row;
}
async function findDrawDown(db: Db, id: string): Promise<DrawDownRow> {
  const row = await maybeOne(db, DRAW_DOWN_BY_ID, [id]);
  if (!row) throw notFound('This draw-down');
  return row;
}

async function changed(ctx: Ctx, db: Db, job: string, ink: string): Promise<InkDesk> {
  const by = signedIn(ctx).name;
  await notifyChanged(db, { table: 'kitchen', id: job, version: 0, by });
  await notifyChanged(db, { table: 'jobs', id: job, version: 0, by });
  return inkDesk(ctx, db, job, ink);
}

async function inkDesk(ctx: Ctx, db: Db, job: string, ink: string): Promise<InkDesk> {
  const { work, number, title } = await inkOf(ctx, db, job, ink);
  const batches: Batch[] = [];
  for (const b of await many(db, BATCHES_OF, [job, ink]))
    batches.push({
      ...b,
      weighings: await many(db, WEIGHINGS_OF, [b.id]),
      pails: await many(db, PAILS_OF, [b.id]),
    });
  const pass = work.passes.find((p) => p.inks.includes(ink));
  return {
    job,
    number,
    title,
    ink,
    stone: work.stone,
    stockName: work.stockName,
    paper: { reflectance: work.paper.reflectance, measured: work.paper.measured },
    neededKg: kgOf(work, ink),
    filmGsm: work.filmGsm,
    food: work.food,
    stands: work.stands,
    sample: (await maybeOne(db, SAMPLE_OF, [job, ink])) ?? null,
    batches,
    drawDowns: await many(db, DRAW_DOWNS_OF, [job, ink]),
    neighbours: (pass?.inks ?? []).filter((i) => i !== ink),
    before: (pass?.inks ?? []).slice(0, pass?.inks.indexOf(ink)),
  };
}
