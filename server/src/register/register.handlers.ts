import type { ColourFit, register, RegisterDesk, Turn } from '@druckerei/contract';
import {
  adviseRegister,
  controlChart,
  fitRegister,
  idealSequence,
  isProcessInk,
  type Mark,
  MOST_TURNS,
  PRINT_AIMS,
  practicePress,
  practiceScore,
  type PracticePress,
  pullSheets,
  type Reading,
  readingsFromTable,
  type RegisterOf,
  type Setting,
  setUnits,
  toleranceOf,
  trapFor,
  usualMarks,
  walkingUnits,
  worstError,
} from '@druckerei/core';
import type { FloorStep } from '@druckerei/core/planning';
import { type Ctx, signedIn } from '../context';
import type { Db } from '../db/pool';
import { many, one } from '../db/rows';
import { invalid, notFound, Refused } from '../errors';
import { notifyChanged } from '../events/event-hub';
import { cellsOf } from '../files/table-cells';
import { STEPS_OF_JOB } from '../floor/floor.queries';
import { writeEntries } from '../floor/log-entries';
import type { Handlers } from '../implement';
import { findJob } from '../jobs/find-job';
import {
  ADD_REGISTER,
  ADD_SCORE,
  FIRST_READINGS,
  REGISTER_LOG,
  SETUP_WASTE,
  SCORES,
  STEPS_WITH_REGISTER,
  type ReadFacts,
  type LogRow,
} from './register.queries';

type AtStep = FloorStep & { register: RegisterOf };

export const registerHandlers: Handlers<typeof register> = {
  'register.list': async (_asked, ctx) => await many(ctx.db, STEPS_WITH_REGISTER),
  'register.read': ({ params }, ctx) => desk(ctx, params.id, params.step),

  'register.send': async ({ params, body }, ctx) => {
    const { facts, release } = await stepOf(ctx.db, params.id, params.step);
    const { register: of } = facts;
    const unknown = body.colours.find((c) => !of.colours.includes(c.ink) && c.ink !== of.reference);
    if (unknown) throw invalid([{ path: 'colours', says: `name ${unknown.ink}, which this step does not print` }]);
    const toleranceMm = toleranceOf(of);
    const colours = body.colours
      .filter((c) => c.ink !== body.reference)
      .map((c, i) => fitOf(c.ink, c.readings, body.marks, of, toleranceMm, i));
    if (colours.every((c) => c.readings.length === 0))
      throw invalid([{ path: 'colours', says: 'have no reading at a mark that is named' }]);
    const read: ReadFacts = { reference: body.reference, marks: body.marks, toleranceMm, colours, sheet: body.sheet, from: body.from };
    await ctx.db.query(ADD_REGISTER, [
      body.id,
      params.id,
      params.step,
      facts.machine,
      'read',
      JSON.stringify(read),
      body.sheets,
      signedIn(ctx).id,
    ]);
    // Sent again, both are there already; cut off between the two, the second try brings the sheets.
    if (body.sheets > 0)
      await writeEntries(ctx, {
        device: 'register desk',
        sentAt: ctx.now(),
        entries: [
          {
            id: body.id,
            kind: 'waste',
            job: params.id,
            step: params.step,
            machine: facts.machine,
            pile: null,
            other: null,
            quantity: body.sheets,
            reason: 'setup',
            note: '',
            witness: '',
            release,
            at: ctx.now(),
          },
        ],
      });
    return changed(ctx, params.id, params.step);
  },

  'register.set': async ({ params, body }, ctx) => {
    const { facts } = await stepOf(ctx.db, params.id, params.step);
    const settings = body.settings;
    await ctx.db.query(ADD_REGISTER, [
      body.id,
      params.id,
      params.step,
      facts.machine,
      'set',
      JSON.stringify({ settings }),
      0,
      signedIn(ctx).id,
    ]);
    return changed(ctx, params.id, params.step);
  },

  'register.simulate': async ({ params, body }, ctx) => {
    const { facts, number } = await stepOf(ctx.db, params.id, params.step);
    const rows = await many(ctx.db, REGISTER_LOG, [params.id, params.step]);
    const { readings } = pullSheets(simulatedPress(number, facts, body.marks, rows));
    return {
      colours: readings.map(({ ink, readings: r }) => ({
        ink,
        readings: r.map((m) => ({ mark: m.mark, dxMm: Math.round(m.dxMm * 1000) / 1000, dyMm: Math.round(m.dyMm * 1000) / 1000 })),
      })),
      says: 'simulated camera',
    };
  },

  'register.file': ({ file }) => {
    const { head, lines } = cellsOf(Buffer.from(file));
    try {
      return Promise.resolve(readingsFromTable(head, lines));
    } catch (error) {
      throw new Refused(422, 'no-readings', error instanceof Error ? error.message : String(error));
    }
  },

  'register.score': async ({ body }, ctx) => {
    const start = practiceStart(body.seed, body.level);
    const ideal = idealSequence(start);
    let press = start;
    const turns: { worstMm: number; settings: Record<string, Setting[]> }[] = [];
    let inside = false;
    for (const settings of body.turns.slice(0, MOST_TURNS)) {
      const pulled = pullSheets(press);
      const worstMm = worstError(pulled.readings);
      turns.push({ worstMm, settings });
      inside = worstMm <= start.toleranceMm;
      press = setUnits(pulled.press, settings);
      if (inside) break;
    }
    const own = { turns, waste: turns.length * start.sheetsATurn, inside };
    const score = practiceScore(own, ideal);
    await ctx.db.query(ADD_SCORE, [
      body.id,
      signedIn(ctx).id,
      body.seed,
      body.level,
      turns.length,
      own.waste,
      inside,
      ideal.turns.length,
      ideal.waste,
      score,
    ]);
    return { own, ideal, score };
  },
  'register.scores': async (_asked, ctx) => await many(ctx.db, SCORES),
};

/** The sheet learners practise on. */
const PRACTICE_SHEET: [number, number] = [720, 520];
const practiceStart = (seed: number, level: PracticePress['level']): PracticePress =>
  practicePress(seed, level, usualMarks(PRACTICE_SHEET), PRACTICE_SHEET);

async function stepOf(db: Db, job: string, step: string): Promise<{ facts: AtStep; number: number; title: string; release: number }> {
  await findJob(db, job);
  const row = (await many(db, STEPS_OF_JOB, [job])).find((s) => s.facts.step === step);
  if (!row) throw new Refused(422, 'not-released', 'This step is not released: release the job, then read its register.');
  const { register: of } = row.facts;
  if (!of) throw notFound('Register of this step');
  return { facts: { ...row.facts, register: of }, number: row.number, title: row.title, release: row.release };
}

function fitOf(
  ink: string,
  readings: readonly Reading[],
  marks: readonly Mark[],
  of: RegisterOf,
  toleranceMm: number,
  i: number,
): ColourFit {
  const known = readings.filter((r) => marks.some((m) => m.id === r.mark));
  const fit = fitRegister(marks, known, of.sheetMm);
  const unit = of.colours.indexOf(ink);
  return {
    ink,
    // The reference prints in the first unit.
    unit: unit < 0 ? i + 2 : unit + 2,
    readings: known,
    terms: fit.terms,
    left: fit.left,
    sdMm: fit.sdMm,
    aside: fit.aside,
    advice: adviseRegister(fit, marks, of.sheetMm, toleranceMm, of.steps),
  };
}

/** The press the simulated camera looks at: its misregister follows from job and step; what was set since has moved it. */
function simulatedPress(number: number, facts: AtStep, marks: readonly Mark[], rows: readonly LogRow[]): PracticePress {
  const seed = 31 * number + facts.seq;
  const { register: of } = facts;
  let press: PracticePress = { ...practicePress(seed, 'cocked', marks, of.sheetMm, of.colours), toleranceMm: toleranceOf(of) };
  for (const row of rows) press = row.what === 'set' ? setUnits(press, row.facts.settings ?? {}) : pullSheets(press).press;
  return press;
}

async function changed(ctx: Ctx, job: string, step: string): Promise<RegisterDesk> {
  const by = signedIn(ctx).name;
  await notifyChanged(ctx.db, { table: 'register', id: job, version: 0, by });
  await notifyChanged(ctx.db, { table: 'jobs', id: job, version: 0, by });
  return desk(ctx, job, step);
}

async function desk(ctx: Ctx, job: string, step: string): Promise<RegisterDesk> {
  const { facts, number, title } = await stepOf(ctx.db, job, step);
  const { register: of } = facts;
  const rows = await many(ctx.db, REGISTER_LOG, [job, step]);
  const toleranceMm = toleranceOf(of);
  const turns = rows.map(turnOf);
  const first = (await many(ctx.db, FIRST_READINGS, [facts.machine])).reverse();
  const lastMarks = turns.length > 0 ? rows.filter((r) => r.what === 'read').at(-1)?.facts.marks : undefined;
  return {
    job,
    number,
    title,
    step,
    stepName: facts.name,
    machine: facts.machine,
    machineName: facts.machineName,
    inks: [of.reference, ...of.colours],
    sheetMm: of.sheetMm,
    marks: lastMarks ?? usualMarks(of.sheetMm),
    toleranceMm,
    askedMm: of.askedMm,
    holdsMm: of.holdsMm,
    turns,
    waste: (await one(ctx.db, SETUP_WASTE, [job, step])).sheets,
    setupSheets: facts.setupCycles,
    drift: driftOf(turns, of),
    walking: walkingUnits(first.flatMap(({ job: id, facts: f }) => f.colours.map((c) => ({ unit: c.unit, job: id, ...shiftsOf(c) })))),
    traps: trapsOf(of, toleranceMm),
  };
}
const shiftsOf = ({ terms }: ColourFit): { shiftXMm: number; shiftYMm: number } => {
  const value = (term: string): number => {
    const t = terms[term];
    return t?.known ? t.value : 0;
  };
  return { shiftXMm: value('shiftX'), shiftYMm: value('shiftY') };
};
const turnOf = ({ id, what, facts, waste, by, at }: LogRow): Turn => ({
  id,
  what,
  reference: facts.reference ?? '',
  colours: facts.colours ?? [],
  set: facts.settings ?? {},
  waste,
  sheet: facts.sheet ?? null,
  from: facts.from ?? '',
  by,
  at,
});

/** Readings since the last setting, colour by colour, as a chart: a run that nobody touched. */
function driftOf(turns: readonly Turn[], of: RegisterOf): RegisterDesk['drift'] {
  const lastSet = turns.map((t) => t.what).lastIndexOf('set');
  const since = turns.slice(lastSet + 1).filter((t) => t.what === 'read');
  return of.colours.flatMap((ink) =>
    (['lateral', 'round'] as const).flatMap((way): RegisterDesk['drift'] => {
      const values = since.flatMap((t) => {
        const colour = t.colours.find((c) => c.ink === ink);
        return colour ? [shiftsOf(colour)[way === 'lateral' ? 'shiftXMm' : 'shiftYMm']] : [];
      });
      const chart = controlChart(values);
      return chart ? [{ ink, way, values, mean: chart.mean, low: chart.low, high: chart.high, drifts: chart.drifts }] : [];
    }),
  );
}

/** Traps of every pair of inks whose colour is known: the process inks by their aims. */
function trapsOf(of: RegisterOf, toleranceMm: number): RegisterDesk['traps'] {
  const inks = [of.reference, ...of.colours].filter(isProcessInk);
  return inks.flatMap((a, i) =>
    inks
      .slice(i + 1)
      .map((b) => trapFor({ ink: a, lab: PRINT_AIMS.gloss[a].lab }, { ink: b, lab: PRINT_AIMS.gloss[b].lab }, toleranceMm, of.process)),
  );
}
