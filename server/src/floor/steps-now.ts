import {
  allowedSays,
  balanceOf,
  type Balance,
  type BeforeRun,
  type Counted,
  type CountSum,
  isWithin,
  type Measure,
  type Measured,
  measureName,
  NO_TIMES,
  readingSays,
  type Shelf,
  type StepTimes,
  stepTimes,
  tallyOf,
  unitSays,
  type TimeEntry,
} from '@druckerei/core';
import type { FloorStep } from '@druckerei/core/planning';
import type { Pile, StepNow } from '@druckerei/contract';
import type { Db } from '../db/pool';
import { many } from '../db/rows';
import { together } from '../db/together';
import { ACCEPTED } from '../kitchen/kitchen.queries';
import {
  BOARD_STARTS,
  CLEARED,
  MEASURED,
  NOT_DELIVERED,
  PILES,
  SIGNED,
  STEPS_OF_JOB,
  STEPS_ON,
  SUMS,
  TIMES,
  UNREAD,
  type ReleasedStep,
  type PileRow,
} from './floor.queries';

/** The floor of some jobs: released steps, what was logged of their time, what was counted, and their piles. */
export interface FloorOf {
  steps: ReleasedStep[];
  times: ReadonlyMap<string, StepTimes>;
  sums: ReadonlyMap<string, CountSum[]>;
  piles: PileRow[];
  /** Mixed inks a draw-down was accepted of, by job and ink. */
  accepted: ReadonlySet<string>;
  /** Steps whose line was cleared. */
  cleared: ReadonlySet<string>;
  /** When steps begin on the accepted board. */
  starts: ReadonlyMap<string, number>;
  /** Newest readings, by job and step: each by its key. */
  measured: ReadonlyMap<string, Record<string, Measured>>;
  /** Jobs that make tools for these and are not delivered yet, by id: their numbers. */
  making: ReadonlyMap<string, number>;
}
export const stepKey = (job: string, step: string): string => `${job} ${step}`;

export async function floorOfJob(db: Db, job: string): Promise<FloorOf> {
  const reads = together(db);
  const [steps, logged] = await Promise.all([many(reads, STEPS_OF_JOB, [job]), loggedOf(reads, [job])]);
  return { steps, ...logged, making: await makingFor(reads, steps) };
}
/** The floor of every open job with a step on one of the machines; null: on any. */
export async function floorOnMachines(db: Db, machines: readonly string[] | null): Promise<FloorOf> {
  const steps = await many(db, STEPS_ON, [machines]);
  const reads = together(db);
  const [logged, making] = await Promise.all([loggedOf(reads, [...new Set(steps.map((s) => s.job))]), makingFor(reads, steps)]);
  return { steps, ...logged, making };
}

/** Jobs that some steps wait for, as far as they are not delivered: their numbers. */
export async function makingFor(db: Db, steps: readonly Pick<ReleasedStep, 'facts'>[]): Promise<Map<string, number>> {
  const jobs = [...new Set(steps.flatMap((s) => s.facts.fromJobs ?? []))];
  if (jobs.length === 0) return new Map();
  return new Map((await many(db, NOT_DELIVERED, [jobs])).map(({ id, number }) => [id, number]));
}

/** What was logged of some jobs. */
async function loggedOf(db: Db, jobs: readonly string[]): Promise<Omit<FloorOf, 'steps' | 'making'>> {
  const [entries, counts, piles, accepted, cleared, starts, readings] = await Promise.all([
    many(db, TIMES, [jobs]),
    many(db, SUMS, [jobs]),
    many(db, PILES, [jobs]),
    many(db, ACCEPTED, [jobs]),
    many(db, CLEARED, [jobs]),
    many(db, BOARD_STARTS, [jobs]),
    many(db, MEASURED, [jobs]),
  ]);
  const log = new Map<string, TimeEntry[]>();
  for (const { job, step, ...entry } of entries) {
    const known = log.get(stepKey(job, step));
    if (known) known.push(entry);
    else log.set(stepKey(job, step), [entry]);
  }
  const sums = new Map<string, CountSum[]>();
  for (const { job, ...sum } of counts) {
    const known = sums.get(job);
    if (known) known.push(sum);
    else sums.set(job, [sum]);
  }
  const measured = new Map<string, Record<string, Measured>>();
  for (const { job, step, key, value, by } of readings)
    measured.set(stepKey(job, step), { ...measured.get(stepKey(job, step)), [key]: { value, by } });
  return {
    measured,
    times: new Map([...log].map(([key, ofStep]) => [key, stepTimes(ofStep)])),
    sums,
    piles,
    starts: new Map(starts.map((s) => [s.work, s.start])),
    cleared: new Set(cleared.map((c) => stepKey(c.job, c.step))),
    accepted: new Set(accepted.filter((a) => a.accepted).map((a) => stepKey(a.job, a.ink))),
  };
}

export const timesOf = (floor: FloorOf, job: string, step: string): StepTimes => floor.times.get(stepKey(job, step)) ?? NO_TIMES;

/** Reconciles a job: its steps and its piles. */
export function balanceOfJob(floor: FloorOf, job: string): Balance {
  const steps = floor.steps
    .filter((s) => s.job === job)
    .map((s) => ({
      step: s.facts.step,
      units: s.facts.units,
      done: timesOf(floor, job, s.facts.step).state === 'done',
      mustBalance: s.facts.balanced && s.facts.units.unit !== null && timesOf(floor, job, s.facts.step).state !== 'waiting',
    }));
  return balanceOf(
    steps,
    floor.piles.filter((p) => p.job === job).map(({ id, flow }) => ({ id, flow })),
    floor.sums.get(job) ?? [],
  );
}

/** When the steps before a step have dried as long as the plan asks: epoch seconds; null: nothing of it has to dry, or the step before is not done. */
function driesAt(floor: FloorOf, job: string, { step, before }: FloorStep): number | null {
  const moments = before.flatMap((id) => {
    const wait = floor.steps.find((s) => s.job === job && s.facts.step === id)?.facts.next.find((n) => n.step === step)?.waitS ?? 0;
    const { state, since } = timesOf(floor, job, id);
    return wait > 0 && state === 'done' && since !== null ? [since + wait] : [];
  });
  return moments.length > 0 ? Math.max(...moments) : null;
}

/** Readings of the steps before a step that lie outside what is allowed, in words. */
const outsideBefore = (floor: FloorOf, job: string, { before }: FloorStep): string[] =>
  before.flatMap((id) => {
    const maker = floor.steps.find((s) => s.job === job && s.facts.step === id)?.facts;
    return measuresNow(floor, job, id, maker?.measures ?? [])
      .filter((m) => !m.within)
      .map((m) => `${maker?.name ?? id}: ${m.name} ${m.says}`);
  });
/** Newest readings of a job, by step. */
export const readingsOf = (floor: FloorOf, job: string): NonNullable<Shelf['measured']> =>
  Object.fromEntries(
    floor.steps.flatMap(({ facts: { step } }) => {
      const readings = floor.measured.get(stepKey(job, step));
      return readings ? [[step, readings] as const] : [];
    }),
  );
/** What is measured at a step, as its terminal shows it. */
function measuresNow(floor: FloorOf, job: string, step: string, measures: readonly Measure[]): StepNow['measures'] {
  const known = floor.measured.get(stepKey(job, step)) ?? {};
  return measures.map((m) => {
    const reading = known[m.key];
    return {
      key: m.key,
      name: measureName(m),
      allowed: allowedSays(m),
      unit: unitSays(m),
      asked: m.asked === true,
      value: reading?.value ?? null,
      says: reading ? readingSays(m, reading.value) : '',
      within: reading === undefined || isWithin(m, reading.value),
      by: reading?.by ?? '',
    };
  });
}

/** What a step waits for before it may run. */
export const beforeRun = (floor: FloorOf, job: string, facts: FloorStep): BeforeRun => ({
  locked: (facts.mixed ?? []).filter((ink) => !floor.accepted.has(stepKey(job, ink))),
  toClear: (facts.clear === true || facts.clearOf !== undefined) && !floor.cleared.has(stepKey(job, facts.step)),
  dryAt: driesAt(floor, job, facts),
  outside: outsideBefore(floor, job, facts),
});

/** A step as terminal, floor screen and job page show it. */
export function stepNow(floor: FloorOf, { job, release, facts, number, title, customer }: ReleasedStep, now: number): StepNow {
  const mine = floor.steps.filter((s) => s.job === job);
  const times = timesOf(floor, job, facts.step);
  const { locked, toClear, dryAt, outside } = beforeRun(floor, job, facts);
  const waits = facts.before.flatMap((id) => {
    const before = mine.find((s) => s.facts.step === id);
    if (!before) return [];
    const state = timesOf(floor, job, id).state;
    // A step may begin while the one before still runs: it waits only for one that has not begun, or whose ink must dry.
    const dry = before.facts.next.find((n) => n.step === facts.step)?.waitS ?? 0;
    if (state === 'waiting' || (state !== 'done' && dry > 0)) return [before.facts.name];
    return dry > 0 && dryAt !== null && dryAt > now ? [`${before.facts.name}: dry`] : [];
  });
  const tools = (facts.fromJobs ?? []).flatMap((id) => {
    const made = floor.making.get(id);
    return made === undefined ? [] : [`job ${made}`];
  });
  return {
    job,
    number,
    title,
    customer,
    release,
    balanced: facts.balanced,
    step: facts.step,
    stone: facts.stone,
    seq: facts.seq,
    of: mine.length,
    name: facts.name,
    summary: facts.summary,
    machine: facts.machine,
    machineName: facts.machineName,
    process: facts.process,
    units: facts.units,
    run: facts.run,
    goodWanted: facts.good,
    perHour: facts.runS > 0 ? (facts.run * 3600) / facts.runS : 0,
    setupS: facts.setupS,
    runS: facts.runS,
    startAt: floor.starts.get(stepKey(job, facts.step)) ?? facts.startAt,
    overrules: [],
    runningPpm: facts.runningPpm,
    reserve: facts.reserve ?? 0,
    measure: facts.measure ?? null,
    next: facts.next.map(({ step, name, machineName, waitS }) => ({ step, name, machineName, waitS })),
    orders: ordersOf(floor, job, facts),
    waits: times.state === 'waiting' ? [...waits, ...tools] : [],
    locked: [...locked],
    toClear,
    clearOf: facts.clearOf ?? null,
    dryAt: dryAt !== null && dryAt > now ? dryAt : null,
    measures: measuresNow(floor, job, facts.step, facts.measures ?? []),
    breaks: facts.breaks ?? null,
    cutsOut: facts.cutsOut ?? null,
    outside: [...outside],
    washUp: null,
    times,
    tally: tallyOf(facts.step, facts.units, floor.sums.get(job) ?? []),
  };
}

/** The orders a step parts a sheet into, each with what was counted onto its piles. */
function ordersOf(floor: FloorOf, job: string, { step, parted = [], good }: FloorStep): StepNow['orders'] {
  if (parted.length === 0) return [];
  const flowOf = new Map(floor.piles.filter((p) => p.job === job && p.step === step).map((p) => [p.id, p.flow]));
  const laid = (floor.sums.get(job) ?? []).filter((s) => s.step === step && s.kind === 'good');
  return parted.map(({ flow, name, per }) => ({
    flow,
    name,
    per,
    wanted: good * per,
    good: laid.filter((s) => flowOf.get(s.pile ?? '') === flow).reduce((sum, s) => sum + s.quantity, 0),
  }));
}

/** Piles of a job as they lie: how many in hand, what takes them next, and until when they wait. */
export function pilesOf(floor: FloorOf, job: string): Pile[] {
  const held = new Map(balanceOfJob(floor, job).piles.map((p) => [p.id, p.inHand]));
  return floor.piles
    .filter((p) => p.job === job)
    .map((p) =>
      pileNow(
        p,
        floor.steps.filter((s) => s.job === job),
        held.get(p.id) ?? 0,
      ),
    );
}
function pileNow(p: PileRow, steps: readonly ReleasedStep[], inHand: number): Pile {
  const maker = steps.find((s) => s.facts.step === p.step)?.facts;
  // What it goes to is what takes its own pieces: of a parted sheet each order goes its own way.
  const taker = steps.find((s) => s.facts.units.takes === p.flow)?.facts;
  const next = maker?.next.find((n) => n.step === taker?.step) ?? maker?.next[0];
  const { laidAt, ...pile } = p;
  return {
    ...pile,
    // A place that is a machine of the route is called by its name.
    place: steps.find((s) => s.facts.machine === p.place)?.facts.machineName ?? p.place,
    stepName: [maker?.name ?? p.step, ...(maker?.parted ?? []).filter((o) => o.flow === p.flow).map((o) => o.name)].join(', '),
    unit: maker?.units.givesUnit ?? 'piece',
    inHand,
    next: next?.machineName ?? '',
    waitUntil: next && next.waitS > 0 ? laidAt + next.waitS : null,
  };
}

/** What the floor adds to a job's shelf: cycles counted on each step, differences, and handovers nobody has read. */
export async function countedOf(db: Db, job: string): Promise<Pick<Shelf, 'counted' | 'floor' | 'measured' | 'signed'>> {
  const floor = await floorOfJob(db, job);
  const unread = new Map<string, number>();
  if (floor.steps.length > 0)
    for (const { machine } of await many(db, UNREAD, [[...new Set(floor.steps.map((s) => s.facts.machine))]]))
      unread.set(machine, (unread.get(machine) ?? 0) + 1);
  const counted: Record<string, Counted> = {};
  for (const { facts } of floor.steps) {
    const tally = tallyOf(facts.step, facts.units, floor.sums.get(job) ?? []);
    const done = timesOf(floor, job, facts.step).state === 'done';
    if (tally.run === 0 && !done) continue;
    counted[facts.step] = { run: tally.run, good: tally.goodCycles, done, setup: tally.setupCycles, samples: tally.sampleCycles };
  }
  const signed: Record<string, string[]> = {};
  for (const { step, by } of floor.steps.length > 0 ? await many(db, SIGNED, [job]) : []) signed[step] = [...(signed[step] ?? []), by];
  const measured = readingsOf(floor, job);
  const off = balanceOfJob(floor, job).differences.map((d) => ({
    step: d.step,
    pile: floor.piles.find((p) => p.id === d.pile)?.code ?? '',
    by: d.off,
  }));
  return {
    counted,
    ...(Object.keys(measured).length > 0 && { measured }),
    ...(Object.keys(signed).length > 0 && { signed }),
    ...((off.length > 0 || unread.size > 0) && {
      floor: { off: off.slice(0, 1_000), unread: [...unread].map(([machine, notes]) => ({ machine, notes })) },
    }),
  };
}
