import { normalQuantile } from '../quantity/normal-distribution';
import { portableExp } from '../quantity/portable-math';

/*
 * What may become of a job, as a thousand jobs drawn in thought: evenly over all that may happen, not by chance, so that the same plan always draws the same ones.
 */

/** One kind of loss of a step: its mean, its spread from job to job (of the logarithm), and the part of the spread that all losses of a job share. */
export interface SpreadLoss {
  loss: number;
  spread: number;
  common: number;
}
/** A step as certainty sees it, all in finished copies: what is kept for its losses, what may be lost, and which step takes what it gives (null: nothing does). */
export interface StepAtRisk {
  kept: number;
  losses: SpreadLoss[];
  next: number | null;
}

/** How many jobs are drawn: a prime, so that every column of the lattice runs through all of them. */
export const DRAWN_JOBS = 1021;
/** Korobov generator for 1,021 points: of all 1,019 the one nearest to 300,000 chance draws over five chains of three to ten losses (off by 0.2 points at most). */
const GENERATOR = 984;

let quantiles: Float64Array | undefined;
/** Standard normal quantiles of the middles of 1,021 equal shares: every column holds each of them once. */
function shares(): Float64Array {
  quantiles ??= Float64Array.from({ length: DRAWN_JOBS }, (_, i) => normalQuantile((i + 0.5) / DRAWN_JOBS));
  return quantiles;
}

/**
 * The losses of steps in the drawn jobs: a row a step, a column a job.
 *
 * Model: loss × e^(c·X + √(s² − c²)·Y − s²/2); X is one for the whole job (bad board is bad on every machine), Y one a loss. Column j of the lattice is
 * (i·984ʲ mod 1,021); column 0 is X, so that what goes together wholly is exact.
 * Source: lognormal losses with one common factor; rank-1 lattice (Korobov 1959, from memory).
 */
function drawnLosses(steps: readonly StepAtRisk[]): Float64Array[] {
  const z = shares();
  const together = new Map<number, Float64Array>();
  let column = 1;
  const factors = ({ spread, common }: SpreadLoss): Float64Array => {
    const shared = Math.min(common, spread);
    const own = Math.sqrt(spread * spread - shared * shared);
    const known = own === 0 ? together.get(spread) : undefined;
    if (known) return known;
    if (own > 0) column = (column * GENERATOR) % DRAWN_JOBS;
    const drawn = new Float64Array(DRAWN_JOBS);
    for (let i = 0; i < DRAWN_JOBS; i++)
      drawn[i] = portableExp(shared * (z[i] ?? 0) + own * (z[(i * column) % DRAWN_JOBS] ?? 0) - (spread * spread) / 2);
    if (own === 0) together.set(spread, drawn);
    return drawn;
  };
  return steps.map(({ losses }) => {
    const lost = new Float64Array(DRAWN_JOBS);
    for (const l of losses) {
      if (!(l.loss > 0)) continue;
      const times = factors(l);
      for (let i = 0; i < DRAWN_JOBS; i++) lost[i] = (lost[i] as number) + l.loss * (times[i] as number);
    }
    return lost;
  });
}

/** Equal but for the last bits counts as enough. */
const RATHER = 1e-9;

/** Steps so that whatever takes a step's pieces stands before it. */
function lastFirst(steps: readonly StepAtRisk[]): number[] {
  const depth = (i: number, seen = 0): number => {
    const next = steps[i]?.next ?? null;
    return next === null || seen > steps.length ? 0 : 1 + depth(next, seen + 1);
  };
  return steps.map((_, i) => i).sort((a, b) => depth(a) - depth(b) || a - b);
}

/**
 * The drawn jobs that have enough when so much `more` is kept for the losses of each step: at no step do it and all that follow lose more than was kept for them.
 * What the order leaves open (`slack`) counts once, at the last step.
 */
function enough(steps: readonly StepAtRisk[], drawn: readonly Float64Array[], slack: number, more: readonly number[]): number {
  const order = lastFirst(steps);
  const keptAhead = new Array<number>(steps.length).fill(0);
  const ahead: Float64Array[] = [];
  const short = new Uint8Array(DRAWN_JOBS);
  for (const k of order) {
    const { kept, next } = steps[k] as StepAtRisk;
    keptAhead[k] = kept + (more[k] ?? 0) + (next === null ? slack : (keptAhead[next] ?? 0));
    const lost = new Float64Array(drawn[k] as Float64Array);
    const after = next === null ? undefined : ahead[next];
    const limit = (keptAhead[k] ?? 0) * (1 + RATHER) + RATHER;
    for (let i = 0; i < DRAWN_JOBS; i++) {
      if (after) lost[i] = (lost[i] as number) + (after[i] as number);
      if ((lost[i] as number) > limit) short[i] = 1;
    }
    ahead[k] = lost;
  }
  let had = 0;
  for (let i = 0; i < DRAWN_JOBS; i++) if (short[i] === 0) had++;
  return had;
}

/**
 * The share of jobs that end with enough good pieces, when each step stops at the good pieces that the steps after it are to get.
 *
 * Formula: jobs of the 1,021 drawn in which, at every step k, the losses of k and of all that follow stay within what is kept for them.
 * Accuracy: about half a point; exact where all losses of a job go together.
 * @example shareEnough([{ kept: 100, losses: [{ loss: 100 / 1.599, spread: 0.668, common: 0.668 }], next: null }], 0) // 0.85
 */
export const shareEnough = (steps: readonly StepAtRisk[], slack: number): number =>
  enough(steps, drawnLosses(steps), slack, []) / DRAWN_JOBS;

/** More than this many times the allowances no reserve is laid: such a wish is refused. */
const MOST_TIMES = 64;

/**
 * How many times the allowances have to be kept so that a wished share of jobs has enough. 1 where they suffice as they are; never more than 64.
 * Formula: the least factor f ≥ 1, to a thousandth, by halving, for which `shareEnough` with (f − 1) × the allowance more at every step reaches the wish.
 * @example reserveTimes([{ kept: 40, losses: [], next: null }], [40], 0, 0.85) // 1
 */
export function reserveTimes(steps: readonly StepAtRisk[], allowances: readonly number[], slack: number, wish: number): number {
  const drawn = drawnLosses(steps);
  const jobs = Math.ceil(wish * DRAWN_JOBS - RATHER);
  const reaches = (times: number): boolean =>
    enough(
      steps,
      drawn,
      slack,
      allowances.map((a) => (times - 1) * a),
    ) >= jobs;
  if (reaches(1)) return 1;
  let [low, high] = [1, 2];
  while (high < MOST_TIMES && !reaches(high)) [low, high] = [high, high * 2];
  while (high - low > 0.001) {
    const middle = (low + high) / 2;
    if (reaches(middle)) high = middle;
    else low = middle;
  }
  return high;
}

/**
 * What all these losses together stay under in a share of the drawn jobs.
 * @example lossAt([], 0.85) // 0
 */
export function lossAt(losses: readonly SpreadLoss[], share: number): number {
  const [all] = drawnLosses([{ kept: 0, losses: [...losses], next: null }]) as [Float64Array];
  return all.sort()[Math.min(Math.max(Math.ceil(share * DRAWN_JOBS) - 1, 0), DRAWN_JOBS - 1)] ?? 0;
}

/**
 * What a job does not need of what was kept before its first steps, in the middle job: sheets that go back to the store as a rule.
 * @example leftAsARule([{ kept: 40, losses: [], next: null }], 0) // 40
 */
export function leftAsARule(steps: readonly StepAtRisk[], first: number): number {
  const step = steps[first];
  return step ? Math.max(step.kept - lossAt(step.losses, 0.5), 0) : 0;
}
