import { ascending } from '../quantity/ascending';
import type { Id } from '../quantity/figure';
import { ceilTolerant } from '../quantity/round-tolerant';
import { PPM } from '../quantity/units';
import { LEAST_CYCLES } from './learned-losses';
import { LEAST_RUN_S, quantile } from './learned-times';

/* What the logbook's pictures show: readings of what closed jobs planned and counted. Each is a plain sum or a middle of its rows; nothing is learned here. */

/** A step of a closed job: what its plan set aside beside what was counted. Cycles, seconds, pieces of the finer side. */
export interface LogRow {
  job: number;
  title: string;
  customer: string;
  /** Stocks the job used. */
  stocks: Id<'stock'>[];
  process: Id<'process'>;
  machine: Id<'machine'>;
  /** When the step ended, epoch seconds. */
  at: number;
  /** Cycles set aside for setting up, and those it took. */
  allowedSetup: number;
  setup: number;
  /** Running loss set aside, and cycles run after setting up with those of them lost. */
  allowedPpm: number;
  cycles: number;
  lost: number;
  setupS: number;
  runS: number;
  /** Cycles an hour as planned. */
  planPerHour: number;
  stops: Record<string, { seconds: number; times: number }>;
  /** Pieces by reason, samples pulled, and pieces destroyed under witness; what one weighs. */
  waste: Record<string, number>;
  samples: number;
  destroyed: number;
  pieceKg: number;
}

/** Which rows a picture is of; what is left out takes all. */
export interface LogFilter {
  machine?: string;
  process?: string;
  stock?: string;
  customer?: string;
}

export const logged = (rows: readonly LogRow[], f: LogFilter): LogRow[] =>
  rows.filter(
    (r) =>
      (f.machine === undefined || r.machine === f.machine) &&
      (f.process === undefined || r.process === f.process) &&
      (f.stock === undefined || r.stocks.includes(f.stock)) &&
      (f.customer === undefined || r.customer === f.customer),
  );

/** One job in time: what was planned and what came; with the middle and the middle half of it and those just before it. */
export interface TimePoint {
  at: number;
  job: number;
  planned: number;
  was: number;
  middle: number;
  quarters: [number, number];
}

/** So many jobs, the newest of them this one, are what a middle is taken of. House rule. */
export const ROLLING_JOBS = 10;

function inTime(rows: readonly { at: number; job: number; planned: number; was: number }[]): TimePoint[] {
  const sorted = [...rows].sort((a, b) => a.at - b.at || a.job - b.job);
  return sorted.map((row, i) => {
    const lately = ascending(sorted.slice(Math.max(i + 1 - ROLLING_JOBS, 0), i + 1).map((r) => r.was));
    return { ...row, middle: quantile(lately, 0.5), quarters: [quantile(lately, 0.25), quantile(lately, 0.75)] };
  });
}

/**
 * Running losses in time, in parts of a million of the cycles run: planned, as they were, the middle of the last ten jobs and their middle half.
 * @example of rows that lost 10 and 30 of 1,000 the last point is `{ was: 30_000, middle: 20_000, quarters: [15_000, 25_000] }`
 */
export const lossesInTime = (rows: readonly LogRow[]): TimePoint[] =>
  inTime(
    rows
      .filter((r) => r.cycles >= LEAST_CYCLES)
      .map(({ at, job, allowedPpm, lost, cycles }) => ({ at, job, planned: allowedPpm, was: Math.round((lost * PPM) / cycles) })),
  );

/** Net speeds in time, cycles an hour over the whole run, stops within. */
export const speedsInTime = (rows: readonly LogRow[]): TimePoint[] =>
  inTime(
    rows
      .filter((r) => r.runS >= LEAST_RUN_S && r.cycles > 0)
      .map(({ at, job, planPerHour, cycles, runS }) => ({
        at,
        job,
        planned: Math.round(planPerHour),
        was: Math.round((cycles * 3600) / runS),
      })),
  );

export interface StopSum {
  reason: string;
  times: number;
  seconds: number;
  /** What the machines cost while they stood. */
  money: number;
  /** Share of all standing time of this reason and those above it. */
  upTo: number;
}
/**
 * Stops by reason, the longest first, with what they cost: standing hours at the running rate of the machine.
 * Source: Pareto's ordering; a machine that stands costs what it costs running (common practice, no source).
 */
export function stopsByReason(rows: readonly LogRow[], ratePerHour: (machine: Id<'machine'>) => number): StopSum[] {
  const sums = new Map<string, Omit<StopSum, 'upTo'>>();
  for (const { machine, stops } of rows)
    for (const [reason, { seconds, times }] of Object.entries(stops)) {
      const so = sums.get(reason) ?? { reason, times: 0, seconds: 0, money: 0 };
      sums.set(reason, {
        reason,
        times: so.times + times,
        seconds: so.seconds + seconds,
        money: so.money + (seconds / 3600) * ratePerHour(machine),
      });
    }
  const sorted = [...sums.values()].sort((a, b) => b.seconds - a.seconds);
  const all = sorted.reduce((sum, s) => sum + s.seconds, 0);
  let upTo = 0;
  return sorted.map((s) => ({ ...s, upTo: all > 0 ? (upTo += s.seconds) / all : 0 }));
}

export const WASTE_CLASSES = ['setup', 'running', 'samples', 'destroyed'] as const;
export type WasteClass = (typeof WASTE_CLASSES)[number];
/** Waste in kg by class, and of setting up and running by the reason that was logged, the heaviest first. Formula: pieces × mass of a piece. */
export function wasteOf(rows: readonly LogRow[]): { byClass: Record<WasteClass, number>; byReason: { reason: string; kg: number }[] } {
  const byClass = { setup: 0, running: 0, samples: 0, destroyed: 0 };
  const reasons = new Map<string, number>();
  for (const { waste, samples, destroyed, pieceKg } of rows) {
    for (const [reason, pieces] of Object.entries(waste)) {
      byClass[reason === 'setup' ? 'setup' : 'running'] += pieces * pieceKg;
      reasons.set(reason, (reasons.get(reason) ?? 0) + pieces * pieceKg);
    }
    byClass.samples += samples * pieceKg;
    byClass.destroyed += destroyed * pieceKg;
  }
  return { byClass, byReason: [...reasons].map(([reason, kg]) => ({ reason, kg })).sort((a, b) => b.kg - a.kg) };
}

/** Whether a step stayed within what was set aside for it, setup and running together. */
export interface Allowance {
  steps: number;
  kept: number;
  /** Cycles set aside and cycles lost, all steps together. */
  allowed: number;
  lost: number;
}
/**
 * Cycles set aside for a step, whole ones: a part of a cycle is never lost.
 * @example allowedCycles({ allowedSetup: 200, allowedPpm: 20_000, cycles: 1_010 }) // 221
 */
export const allowedCycles = (r: Pick<LogRow, 'allowedSetup' | 'allowedPpm' | 'cycles'>): number =>
  ceilTolerant(r.allowedSetup + (r.allowedPpm * r.cycles) / PPM);
/**
 * How often the allowance was enough, and how much of it was used.
 * @example one step of 200 set aside and 150 lost, one of 100 and 130: `{ steps: 2, kept: 1, allowed: 300, lost: 280 }`
 */
export const allowanceKept = (rows: readonly LogRow[]): Allowance =>
  rows.reduce(
    (sum, r) => ({
      steps: sum.steps + 1,
      kept: sum.kept + (r.setup + r.lost <= allowedCycles(r) ? 1 : 0),
      allowed: sum.allowed + allowedCycles(r),
      lost: sum.lost + r.setup + r.lost,
    }),
    { steps: 0, kept: 0, allowed: 0, lost: 0 },
  );

/** A job that was delivered, and the day it had been promised for; epoch seconds. */
export interface PromiseMade {
  job: number;
  title: string;
  customer: string;
  stocks: Id<'stock'>[];
  due: number;
  delivered: number;
}
const DAY_S = 86_400;
/** By how many days promises were missed: none and less, one, two … ; the last stands for all beyond. */
export const LATE_DAYS = 7;
export interface PromisesKept {
  jobs: number;
  kept: number;
  /** Jobs late by up to one day, by up to two …; the last by more. */
  late: number[];
}
/** Promises kept, and by how much the others were missed. */
export function promisesKept(promises: readonly PromiseMade[]): PromisesKept {
  const late = Array.from({ length: LATE_DAYS }, () => 0);
  let kept = 0;
  for (const { due, delivered } of promises) {
    const days = Math.ceil((delivered - due) / DAY_S);
    if (days <= 0) kept++;
    else late[Math.min(days, LATE_DAYS) - 1] = (late[Math.min(days, LATE_DAYS) - 1] ?? 0) + 1;
  }
  return { jobs: promises.length, kept, late };
}
