import type { Id } from '../quantity/figure';
import { portableExp, portableLog } from '../quantity/portable-math';
import { PPM } from '../quantity/units';
import type { OwnLoss, Shelf } from '../plant/plant';

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
const LEAST_CYCLES = 100;
/** Added to counts before the logarithm: a run may lose nothing. Source: the usual continuity correction of half a count. */
const HALF = 0.5;

interface Sample {
  fact: StepFact;
  log: number;
}
interface Fit {
  jobs: number;
  /** Mean and standard deviation of the logarithms. */
  middle: number;
  spread: number;
  /** Samples kept, with how far they lie from the middle. */
  kept: { fact: StepFact; residual: number }[];
  slips: { fact: StepFact; times: number }[];
}

const median = (sorted: readonly number[]): number => {
  const half = Math.floor(sorted.length / 2);
  return sorted.length % 2 === 1 ? (sorted[half] ?? 0) : ((sorted[half - 1] ?? 0) + (sorted[half] ?? 0)) / 2;
};
const inOrder = (of: readonly number[]): number[] => [...of].sort((a, b) => a - b);

/** Middle and spread of logarithms: slips are found by the median and its absolute deviations, which no single count can move, then left out of mean and deviation. */
function fitLogs(samples: readonly Sample[]): Fit {
  const middle = median(inOrder(samples.map((s) => s.log)));
  // 1.4826: the median absolute deviation of a normal distribution as its standard deviation.
  const rough = Math.max(1.4826 * median(inOrder(samples.map((s) => Math.abs(s.log - middle)))), LEAST_SPREAD);
  const isSlip = (s: Sample): boolean => Math.abs(s.log - middle) > SLIP_SPREADS * rough;
  const kept = samples.filter((s) => !isSlip(s));
  const mean = kept.reduce((sum, s) => sum + s.log, 0) / Math.max(kept.length, 1);
  const squares = kept.reduce((sum, s) => sum + (s.log - mean) * (s.log - mean), 0);
  return {
    jobs: kept.length,
    middle: mean,
    spread: kept.length > 1 ? Math.sqrt(squares / (kept.length - 1)) : 0,
    kept: kept.map((s) => ({ fact: s.fact, residual: s.log - mean })),
    slips: samples.filter(isSlip).map((s) => ({ fact: s.fact, times: portableExp(s.log - middle) })),
  };
}

const meanOf = ({ middle, spread }: Fit): number => portableExp(middle + (spread * spread) / 2);

/**
 * What the works learns from closed jobs: for every process, on each of its machines and on all, running loss and setup factor with their spread from job to
 * job, and how far the losses of one job go together.
 *
 * Model: running loss = p·e^{x}, setup = handbook × f·e^{y}, x and y normal from job to job; between the steps of a job their residuals share a common part of
 * variance τ². Formula: mean of a lognormal e^{m + s²/2}; τ² = mean product of two different residuals of a job (moment estimate), not below 0.
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
  for (const [key, of] of [...groups].sort(([a], [b]) => (a < b ? -1 : 1))) {
    const running = fitLogs(
      of.filter((f) => f.cycles >= LEAST_CYCLES).map((fact) => ({ fact, log: portableLog((fact.lost + HALF) / fact.cycles) })),
    );
    const setup = fitLogs(
      of.filter((f) => f.expectedSetup > 0).map((fact) => ({ fact, log: portableLog((fact.setup + HALF) / (fact.expectedSetup + HALF)) })),
    );
    losses[key] = ownLoss(running, setup);
    if (!key.includes('@')) continue;
    for (const [what, fit] of [
      ['running', running],
      ['setup', setup],
    ] as const) {
      for (const { fact, times } of fit.slips) leftAside.push({ job: fact.job, process: fact.process, machine: fact.machine, what, times });
      for (const { fact, residual } of fit.kept) {
        const known = residuals.get(fact.job);
        if (known) known.push(residual);
        else residuals.set(fact.job, [residual]);
      }
    }
  }
  return { losses, together: togetherness(residuals), leftAside };
}

function ownLoss(running: Fit, setup: Fit): OwnLoss {
  const share = running.jobs > 0 ? meanOf(running) : 0;
  const variance = portableExp(running.spread * running.spread) - 1;
  return {
    jobs: running.jobs,
    meanPpm: Math.min(Math.round(share * PPM), 900_000),
    sdPpm: Math.min(Math.round(share * PPM * Math.sqrt(variance)), 900_000),
    runningSpread: running.spread,
    ...(setup.jobs > 0 && { setupFactor: meanOf(setup), setupSpread: setup.spread }),
  };
}

/** The common part: the mean product of two different residuals of the same job. Null without a job of two counts. */
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
  return pairs === 0 ? null : { spread: Math.sqrt(Math.max(products / pairs, 0)), jobs };
}
