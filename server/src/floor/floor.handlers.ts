import type { floor, JobFloor, MachineNow, Pile, StepNow } from '@druckerei/contract';
import { CAUTIONS, ENOUGH_LIKE_JOBS, own, readScan, washUpBetween } from '@druckerei/core';
import type { FloorStep } from '@druckerei/core/planning';
import { type Db, inTransaction } from '../db/pool';
import { many, maybeOne } from '../db/rows';
import type { Ctx } from '../context';
import { invalid, notFound } from '../errors';
import { csvFile } from '../files/csv-file';
import type { Handlers } from '../implement';
import { findJob } from '../jobs/find-job';
import { plantInForce } from '../plants/read-plant';
import { verified } from '../session/attempts';
import { ADD_ACCESS } from '../session/session.queries';
import { flagPdf } from './flag-pdf';
import {
  AS_OF_ONE_MOMENT,
  CHILDREN,
  LAST_OF,
  LOG,
  LOG_EXPORT,
  NEWEST,
  PEOPLE_WITH_PIN,
  PILE_BY_CODE,
  PILE_BY_ID,
  PIN_OF,
  SHEETS,
  UNREAD,
  type PileRow,
} from './floor.queries';
import { learned } from './learn';
import { writeEntries } from './log-entries';
import { shortageHandlers } from './shortage.handlers';
import { tokenFor } from './sign-on';
import { balanceOfJob, floorOfJob, floorOnMachines, type FloorOf, pilesOf, stepKey, stepNow } from './steps-now';

/** Steps a terminal keeps with their setup sheets: the one that runs and those that come next. */
const SHEETS_KEPT = 6;
const STEPS_SHOWN = 30;
const NEWEST_NAMED = 500;
const LOG_PAGE = 100;
const MOST_EXPORTED = 200_000;

/** What runs comes first, the last begun before what was left standing; then what has begun, then by the planned start. */
const inQueue = (steps: readonly StepNow[]): StepNow[] => {
  const rank = (s: StepNow): number => (s.times.state === 'waiting' ? (s.times.setupS + s.times.runS > 0 ? 1 : 2) : 0);
  return [...steps].sort(
    (a, b) =>
      rank(a) - rank(b) ||
      (rank(a) === 0 ? (b.times.since ?? 0) - (a.times.since ?? 0) : 0) ||
      a.startAt - b.startAt ||
      a.number - b.number,
  );
};

export const floorHandlers: Handlers<typeof floor> = {
  ...shortageHandlers,

  'floor.board': async (_asked, ctx) => {
    const { machines, ...board } = await floorBoard(ctx, 0);
    return { ...board, machines: machines.map(({ queue: _queue, ...m }) => m) };
  },

  'floor.terminal': ({ params, query }, ctx) =>
    inTransaction(ctx.db, async (db) => {
      // As of one moment: an entry is in the counts if and only if it is named as known, or the device would add it once more.
      await db.query(AS_OF_ONE_MOMENT);
      const { plant } = await plantInForce(db);
      const machine = own(plant.machines, params.id);
      if (!machine) throw notFound('This machine');
      const newest = (await many(db, NEWEST, [params.id, NEWEST_NAMED])).map((r) => r.id);
      const near = await floorOnMachines(db, [params.id]);
      const steps = queueOf(near, params.id, ctx.now()).slice(0, STEPS_SHOWN);
      const kept = steps.filter((s, i) => i < SHEETS_KEPT || (s.job === query.job && s.step === query.step));
      const sheets = await many(db, SHEETS, [kept.map((s) => s.job), kept.map((s) => s.release), kept.map((s) => s.step)]);
      const flows = new Set(steps.flatMap((s) => [`${s.job} ${s.units.takes ?? ''}`, `${s.job} ${s.units.gives ?? ''}`]));
      return {
        machine: params.id,
        name: machine.name,
        newest,
        asOf: ctx.now(),
        timeZone: plant.timeZone,
        steps,
        sheets: Object.fromEntries(sheets.map((s) => [`${s.job} ${s.step}`, s.sheet])),
        piles: [...new Set(steps.map((s) => s.job))].flatMap((job) => pilesOf(near, job)).filter((p) => flows.has(`${p.job} ${p.flow}`)),
        handovers: await many(db, UNREAD, [[params.id]]),
      };
    }),

  'floor.people': async (_asked, ctx) => await many(ctx.db, PEOPLE_WITH_PIN),

  'floor.signOn': async ({ body }, ctx) => {
    // Wrong PINs are counted apart from wrong passwords: under a name no sign-in has.
    const knock = { key: `pin ${body.person}`, address: ctx.session.address };
    const person = await maybeOne(ctx.db, PIN_OF, [body.person]);
    const right = person !== undefined && (await verified(ctx.db, knock, { hash: person.pinHash, given: body.pin }));
    await ctx.db.query(ADD_ACCESS, [right ? 'signedOn' : 'pinRefused', knock.key, person ? body.person : null, knock.address]);
    if (!right) throw invalid([{ path: 'pin', says: 'is not the PIN of this person' }]);
    const { fullName, initials, pinHash } = person;
    return { token: tokenFor(ctx.seal, { person: body.person, pinHash }, body.device, ctx.now()), person: body.person, fullName, initials };
  },

  'floor.send': ({ body }, ctx) => writeEntries(ctx, body),

  'floor.job': async ({ params, query }, ctx) => {
    const job = await findJob(ctx.db, params.id);
    const all = await floorOfJob(ctx.db, job.id);
    const { steps, differences } = balanceOfJob(all, job.id);
    const log = await many(ctx.db, LOG, [job.id, query.before ?? Number.MAX_SAFE_INTEGER, LOG_PAGE + 1]);
    return {
      steps: all.steps
        .map((s) => {
          const balance = steps.find((b) => b.step === s.facts.step);
          return { ...stepNow(all, s, ctx.now()), inHand: balance?.inHand ?? 0, off: balance?.off ?? 0 };
        })
        .sort((a, b) => a.seq - b.seq),
      piles: pilesOf(all, job.id),
      differences: differences.map((d) => ({ step: d.step, pile: all.piles.find((p) => p.id === d.pile)?.code ?? '', off: d.off })),
      waste: wasteOf(all, job.id),
      children: await many(ctx.db, CHILDREN, [job.id]),
      log: log.slice(0, LOG_PAGE),
      more: log.length > LOG_PAGE,
    };
  },

  'floor.csv': async ({ params }, ctx) => {
    const job = await findJob(ctx.db, params.id);
    return csvFile(`log-${job.number}.csv`, await many(ctx.db, LOG_EXPORT, [job.id, MOST_EXPORTED]));
  },

  'floor.scan': async ({ query }, ctx) => {
    const scan = readScan(query.code);
    if (!scan) throw invalid([{ path: 'code', says: 'is no code of a pile’s flag, such as 2401.7Q3KX9' }]);
    const row = await maybeOne(ctx.db, PILE_BY_CODE, [scan.job, scan.code]);
    if (!row) throw notFound('This pile');
    return pileOf(ctx.db, row);
  },

  'floor.flag': async ({ params }, ctx) => {
    const row = await maybeOne(ctx.db, PILE_BY_ID, [params.id]);
    if (!row) throw notFound('This pile');
    const { plant } = await plantInForce(ctx.db);
    const all = await floorOfJob(ctx.db, row.job);
    const job = await findJob(ctx.db, row.job);
    const { gripper = '', lay = '', side = '' } = all.steps.find((s) => s.facts.step === row.step)?.facts ?? {};
    const pile = await pileOf(ctx.db, row);
    return {
      mime: 'application/pdf',
      name: `pile-${row.number}-${row.nr}.pdf`,
      bytes: await flagPdf({
        pile,
        title: job.spec.name,
        customer: job.customer,
        gripper,
        lay,
        side,
        caution: `${CAUTIONS['piles'] ?? ''} ${CAUTIONS['defers'] ?? ''}`,
        timeZone: plant.timeZone,
        printedAt: ctx.now(),
      }),
    };
  },

  'floor.learned': async (_asked, ctx) => {
    const all = await learned(ctx.db);
    return {
      losses: Object.entries(all.losses).map(([key, own]) => {
        const [process = '', machine] = key.split('@');
        const { jobs, meanPpm, sdPpm, setupFactor = null, setupSpread = null } = own;
        return { process, machine: machine ?? null, jobs, meanPpm, sdPpm, setupFactor, setupSpread, enough: jobs >= ENOUGH_LIKE_JOBS };
      }),
      together: all.together,
      leftAside: all.leftAside.map(({ job, ...aside }) => ({ ...aside, number: all.numbers.get(job) ?? 0 })),
      times: Object.entries(all.times).map(([machine, time]) => ({ machine, ...time })),
    };
  },
};

/** Steps of a machine that are not done, in the order they will run, each with the wash-up after what prints before it. */
function queueOf(all: FloorOf, machine: string, now: number): StepNow[] {
  const here = all.steps.filter((s) => s.facts.machine === machine);
  const facts = new Map(here.map((s) => [stepKey(s.job, s.facts.step), s.facts]));
  const factsOf = (s: StepNow): FloorStep | undefined => facts.get(stepKey(s.job, s.step));
  const steps = here.map((s) => stepNow(all, s, now));
  const done = steps.filter((s) => s.times.state === 'done').sort((a, b) => (b.times.since ?? 0) - (a.times.since ?? 0));
  let before = done.map(factsOf).find((f) => f?.inks !== undefined);
  const queue = inQueue(steps.filter((s) => s.times.state !== 'done'));
  return queue.map((s) => {
    const own = factsOf(s);
    const foreign = own?.clear === true && before?.series !== own.series;
    const washUp = s.times.state === 'waiting' && before?.inks && own?.inks ? washUpBetween(before.inks, own.inks, foreign) : null;
    if (own?.inks) before = own;
    return { ...s, washUp, overrules: overruledBy(all, s, queue) };
  });
}

/** What the board has before a step that has begun, and has not begun itself. */
function overruledBy({ starts }: FloorOf, s: StepNow, queue: readonly StepNow[]): string[] {
  const start = starts.get(stepKey(s.job, s.step));
  if (start === undefined || s.times.state === 'waiting') return [];
  const isBefore = (o: StepNow): boolean => {
    const other = starts.get(stepKey(o.job, o.step));
    return other !== undefined && other < start && o.times.state === 'waiting' && o.times.setupS + o.times.runS === 0;
  };
  return queue.filter(isBefore).map((o) => `${o.number} ${o.name}`);
}

async function pileOf(db: Db, row: PileRow): Promise<Pile> {
  const found = pilesOf(await floorOfJob(db, row.job), row.job).find((p) => p.id === row.id);
  if (!found) throw notFound('This pile');
  return found;
}

/** Waste of a job by class: setup, running, samples, destroyed, and what was spoilt by reason, in pieces of the steps and in kg of paper. */
function wasteOf(all: FloorOf, job: string): JobFloor['waste'] {
  const classes = new Map<string, { pieces: number; kg: number }>();
  for (const sum of all.sums.get(job) ?? []) {
    const reason = sum.kind === 'waste' ? sum.reason : sum.kind;
    if (!['waste', 'samples', 'destroyed', 'scrap'].includes(sum.kind)) continue;
    const pile = sum.kind === 'scrap' ? all.piles.find((p) => p.id === sum.pile) : undefined;
    const facts = all.steps.find((s) => s.facts.step === (pile?.step ?? sum.step))?.facts;
    const finer =
      sum.kind === 'scrap' && facts ? sum.quantity * (facts.units.perCycle / Math.max(facts.units.givesPer, 1e-9)) : sum.quantity;
    const known = classes.get(reason) ?? { pieces: 0, kg: 0 };
    classes.set(reason, { pieces: known.pieces + sum.quantity, kg: known.kg + finer * (facts?.pieceKg ?? 0) });
  }
  return [...classes].map(([reason, c]) => ({ reason, ...c })).sort((a, b) => b.kg - a.kg);
}

/** Every machine with what runs, what comes next and who last said something; of its queue so many steps. */
export async function floorBoard(
  ctx: Pick<Ctx, 'db' | 'now'>,
  most: number,
): Promise<{ asOf: number; timeZone: string; machines: (MachineNow & { queue: StepNow[] })[] }> {
  const { plant } = await plantInForce(ctx.db);
  const all = await floorOnMachines(ctx.db, null);
  // A retired machine stands here until what was released for it has run.
  const waiting = new Set(all.steps.map((s) => s.facts.machine));
  const ids = Object.keys(plant.machines).filter((id) => own(plant.machines, id)?.retired === undefined || waiting.has(id));
  const last = await many(ctx.db, LAST_OF, [ids]);
  const unread = await many(ctx.db, UNREAD, [null]);
  const machines = ids.map((id) => {
    const queue = queueOf(all, id, ctx.now());
    const runs = queue.find((s) => s.times.state !== 'waiting') ?? null;
    const said = last.find((l) => l.machine === id);
    return {
      machine: id,
      name: own(plant.machines, id)?.name ?? id,
      step: runs,
      next: queue.find((s) => s !== runs) ?? null,
      waiting: queue.filter((s) => s !== runs).length,
      last: said ? { kind: said.kind, at: said.at, by: said.by } : null,
      unread: unread.filter((u) => u.machine === id).length,
      queue: queue.slice(0, most),
    };
  });
  return { asOf: ctx.now(), timeZone: plant.timeZone, machines };
}
