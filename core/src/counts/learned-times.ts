import { ascending } from '../quantity/ascending';
import type { Id } from '../quantity/figure';

/** How long a step of a closed job took, as its log says. Seconds; stops by reason, within the run. */
export interface TimeFact {
  job: string;
  machine: Id<'machine'>;
  repeat: boolean;
  setupS: number;
  runS: number;
  cycles: number;
  /** Cycles an hour as planned. */
  planPerHour: number;
  stops: Record<string, { seconds: number; times: number }>;
}

/** What the works knows of a machine's time. */
export interface OwnTime {
  jobs: number;
  /** Cycles an hour as planned, the middle job. */
  planPerHour: number;
  /** Cycles an hour over whole runs, stops within: the one figure a shift is planned with. The middle job, and the middle half of the jobs. */
  netPerHour: number;
  netQuarters: [number, number];
  setupS: number | null;
  setupRepeatS: number | null;
  /** Share of the running time that was stops. */
  stoppedShare: number;
  /** The longest first. */
  stops: { reason: string; seconds: number; times: number }[];
}

/** Runs shorter than this say little of a speed. */
export const LEAST_RUN_S = 300;

/**
 * The value below which a share of sorted values lies, between neighbours in proportion. Source: definition 7 of Hyndman and Fan, Am. Statistician 50 (1996).
 * @example quantile([10, 20, 40], 0.25) // 15
 */
export function quantile(sorted: readonly number[], share: number): number {
  const at = (sorted.length - 1) * share;
  const low = sorted[Math.floor(at)] ?? 0;
  return low + ((sorted[Math.ceil(at)] ?? low) - low) * (at - Math.floor(at));
}

/**
 * Net speed, setup times and stops of every machine from closed jobs. Middles, not means: a forgotten "run ends" makes one job of a night long.
 * Source: net speed over a shift is one figure, learned from the log, apart from the rated one (common practice, no source).
 */
export function learnedTimes(facts: readonly TimeFact[]): Record<Id<'machine'>, OwnTime> {
  const byMachine = new Map<string, TimeFact[]>();
  for (const f of facts) byMachine.set(f.machine, [...(byMachine.get(f.machine) ?? []), f]);
  return Object.fromEntries([...byMachine].map(([machine, of]) => [machine, ownTime(of)]));
}

function ownTime(of: readonly TimeFact[]): OwnTime {
  const runs = of.filter((f) => f.runS >= LEAST_RUN_S && f.cycles > 0);
  const speeds = ascending(runs.map((f) => (f.cycles * 3600) / f.runS));
  const setups = (repeat: boolean): number | null => {
    const times = ascending(of.filter((f) => f.repeat === repeat && f.setupS > 0).map((f) => f.setupS));
    return times.length > 0 ? Math.round(quantile(times, 0.5)) : null;
  };
  const stops = new Map<string, { seconds: number; times: number }>();
  for (const f of of)
    for (const [reason, { seconds, times }] of Object.entries(f.stops)) {
      const known = stops.get(reason) ?? { seconds: 0, times: 0 };
      stops.set(reason, { seconds: known.seconds + seconds, times: known.times + times });
    }
  const stopped = [...stops.values()].reduce((sum, s) => sum + s.seconds, 0);
  const ran = of.reduce((sum, f) => sum + f.runS, 0);
  return {
    jobs: runs.length,
    planPerHour: Math.round(quantile(ascending(runs.map((f) => f.planPerHour)), 0.5)),
    netPerHour: Math.round(quantile(speeds, 0.5)),
    netQuarters: [Math.round(quantile(speeds, 0.25)), Math.round(quantile(speeds, 0.75))],
    setupS: setups(false),
    setupRepeatS: setups(true),
    stoppedShare: ran > 0 ? Math.min(stopped / ran, 1) : 0,
    stops: [...stops].map(([reason, s]) => ({ reason, ...s })).sort((a, b) => b.seconds - a.seconds),
  };
}
