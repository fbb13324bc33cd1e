import { ascending } from '../quantity/ascending';
import type { Id } from '../quantity/figure';
import { portableExp, portableLog } from '../quantity/portable-math';
import { PPM } from '../quantity/units';
import type { OwnLoss, Shelf } from '../plant/plant';
import { spreadOf } from './allowance';

/** What was counted of one step of a closed job, beside what its plan expected. Cycles and seconds. */
export interface StepFact {
  job: string;
  process: Id<'process'>;
  machine: Id<'machine'>;
  /** Setup cycles as the handbook gives them (repeat work and shared plates already smaller), and as they were. */
  expectedSetup: number;
  setup: number;
  /** Cycles run after setting up, and those of them that were lost. */
  cycles: number;
  lost: number;
}

/** A count that lies so far from its like that it is taken for a slip of the pen. */
export interface LeftAside {
  job: string;
  process: Id<'process'>;
  machine: Id<'machine'>;
  what: 'setup' | 'running';
  /** How many times what such jobs usually lose. */
  times: number;
}
export interface Learned {
  losses: Shelf['losses'];
  together: NonNullable<Shelf['together']> | null;
  leftAside: LeftAside[];
}

/** Farther than so many spreads from the middle a count is left aside: one in 16,000 honest ones, nearly every slip of a digit. */
const SLIP_SPREADS = 4;
/** Least spread assumed when slips are looked for: three like jobs must not make the fourth a slip. */
const LEAST_SPREAD = 0.15;
/** Runs shorter than this say little of a running loss: one sheet more or less is half of it. */
export const LEAST_CYCLES = 100;
/** Added to counts before the logarithm: a run may lose nothing. Source: the usual continuity correction of half a count. */
const HALF = 0.5;

/** The newest so many jobs of a kind are learned from: what was true years ago need not be. House rule. */
export const NEWEST_JOBS = 200;

/** A count as a share: of the cycles run, or of what the handbook expects. */
interface Sample {
  fact: StepFact;
  share: number;
}
interface Fit {
  jobs: number;
  mean: number;
  /** Of the logarithm, as it follows from mean and standard deviation. */
  spread: number;
  /** Samples kept, with how far they lie from the mean, as a part of it. */
  kept: { fact: StepFact; off: number }[];
  slips: { fact: StepFact; times: number }[];
}

const median = (sorted: readonly number[]): number => {
  const half = Math.floor(sorted.length / 2);
  return sorted.length % 2 === 1 ? (sorted[half] ?? 0) : ((sorted[half - 1] ?? 0) + (sorted[half] ?? 0)) / 2;
};

/**
 * Mean and spread of shares: slips are found among their logarithms, by the median and its absolute deviations, which no single count can move. Mean and standard
 * deviation are taken of the shares themselves: a fit of logarithms is led by the jobs that lost hardly anything, which no allowance is for.
 */
function fitShares(samples: readonly Sample[]): Fit {
  const logs = samples.map((s) => portableLog(s.share));
  const middle = median(ascending(logs));
  // 1.4826: the median absolute deviation of a normal distribution as its standard deviation.
  const rough = Math.max(1.4826 * median(ascending(logs.map((log) => Math.abs(log - middle)))), LEAST_SPREAD);
  const isSlip = (i: number): boolean => Math.abs((logs[i] ?? 0) - middle) > SLIP_SPREADS * rough;
  const kept = samples.filter((_, i) => !isSlip(i));
  const mean = kept.reduce((sum, s) => sum + s.share, 0) / Math.max(kept.length, 1);
  const squares = kept.reduce((sum, s) => sum + (s.share - mean) * (s.share - mean), 0);
  const variation = kept.length > 1 && mean > 0 ? Math.sqrt(squares / (kept.length - 1)) / mean : 0;
  return {
    jobs: kept.length,
    mean,
    spread: spreadOf(variation),
    kept: kept.map((s) => ({ fact: s.fact, off: mean > 0 ? s.share / mean - 1 : 0 })),
    slips: samples.flatMap((s, i) => (isSlip(i) ? [{ fact: s.fact, times: portableExp((logs[i] ?? 0) - middle) }] : [])),
  };
}

/**
 * What the works learns from closed jobs: for every process, on each of its machines and on all, running loss and setup factor with their spread from job to
 * job, and how far the losses of one job go together. Facts come in the order the jobs were closed in.
 *
 * Model: running loss = p·x, setup = handbook × f·y, x and y of mean 1, lognormal from job to job; all factors of a job share a common part of variance τ² (of the
 * logarithm). Formula: moments: mean, s² = ln(1 + cv²); τ² = ln(1 + mean product of two different (x − 1) of a job), not below 0. The newest 200 jobs count.
 * Robust: see `SLIP_SPREADS`; what is left aside is named.
 * Source: shop's own log with job-to-job spread and a common factor (common practice, no source); lognormal by definition; median absolute deviation as in
 * Hampel, "The influence curve and its role in robust estimation", JASA 69 (1974), from memory.
 */
export function learnedLosses(facts: readonly StepFact[]): Learned {
  const groups = new Map<string, StepFact[]>();
  for (const f of facts)
    for (const key of [f.process, `${f.process}@${f.machine}`]) {
      const group = groups.get(key);
      if (group) group.push(f);
      else groups.set(key, [f]);
    }
  const losses: Shelf['losses'] = {};
  const leftAside: LeftAside[] = [];
  const residuals = new Map<string, number[]>();
  for (const [key, all] of [...groups].sort(([a], [b]) => (a < b ? -1 : 1))) {
    const of = all.slice(-NEWEST_JOBS);
    const running = fitShares(
      of.filter((f) => f.cycles >= LEAST_CYCLES).map((fact) => ({ fact, share: (fact.lost + HALF) / fact.cycles })),
    );
    const setup = fitShares(
      of.filter((f) => f.expectedSetup > 0).map((fact) => ({ fact, share: (fact.setup + HALF) / (fact.expectedSetup + HALF) })),
    );
    losses[key] = ownLoss(running, setup);
    if (!key.includes('@')) continue;
    for (const [what, fit] of [
      ['running', running],
      ['setup', setup],
    ] as const) {
      for (const { fact, times } of fit.slips) leftAside.push({ job: fact.job, process: fact.process, machine: fact.machine, what, times });
      for (const { fact, off } of fit.kept) {
        const known = residuals.get(fact.job);
        if (known) known.push(off);
        else residuals.set(fact.job, [off]);
      }
    }
  }
  return { losses, together: togetherness(residuals), leftAside };
}

function ownLoss(running: Fit, setup: Fit): OwnLoss {
  const share = running.jobs > 0 ? running.mean : 0;
  const variance = portableExp(running.spread * running.spread) - 1;
  return {
    jobs: running.jobs,
    meanPpm: Math.min(Math.round(share * PPM), 900_000),
    sdPpm: Math.min(Math.round(share * PPM * Math.sqrt(variance)), 900_000),
    runningSpread: running.spread,
    ...(setup.jobs > 0 && { setupFactor: setup.mean, setupSpread: setup.spread }),
  };
}

/** The common part: from the mean product of two different deviations of the same job. Null without a job of two counts. */
function togetherness(residuals: ReadonlyMap<string, readonly number[]>): Learned['together'] {
  let [products, pairs, jobs] = [0, 0, 0];
  for (const of of residuals.values()) {
    if (of.length < 2) continue;
    const sum = of.reduce((a, b) => a + b, 0);
    const squares = of.reduce((a, b) => a + b * b, 0);
    products += (sum * sum - squares) / 2;
    pairs += (of.length * (of.length - 1)) / 2;
    jobs++;
  }
  return pairs === 0 ? null : { spread: Math.sqrt(portableLog(1 + Math.max(products / pairs, 0))), jobs };
}
