import type { Formula } from '../quantity/figure';
import { ceilTolerant } from '../quantity/round-tolerant';
import { PPM } from '../quantity/units';

/** More than any works can run; a step whose losses eat all it makes ends here and is a finding. */
export const MOST_CYCLES = 1e12;

export interface RunTerms {
  need: number;
  setup: number;
  runningPpm: number;
  samples: number;
  /** Of every kind that occurs; absent: none. */
  batches?: readonly Batch[];
}
/** Cycles lost at every so many that are begun: a roll, a reel change, a pile. */
export interface Batch {
  cycles: number;
  lost: number;
}

const batchLoss = (run: number, { batches = [] }: Pick<RunTerms, 'batches'>): number =>
  batches.reduce((sum, { cycles, lost }) => sum + (cycles > 0 ? Math.ceil(run / cycles) * lost : 0), 0);

/**
 * Cycles lost while running: the share of all cycles after setup, whole cycles.
 * @example runningLoss(10_200, 200, 10_000) // 100
 */
export const runningLoss = (run: number, setup: number, runningPpm: number): number =>
  ceilTolerant((Math.max(run - setup, 0) * runningPpm) / PPM);

/**
 * Good cycles of a run: run − setup − running − samples − per batch; never below 0.
 * @example goodCycles(10_200, { setup: 200, runningPpm: 10_000, samples: 0 }) // 9900
 */
export const goodCycles = (run: number, t: Omit<RunTerms, 'need'>): number =>
  Math.max(run - t.setup - runningLoss(run, t.setup, t.runningPpm) - t.samples - batchLoss(run, t), 0);

/**
 * The smallest number of cycles that leaves the good ones needed.
 *
 * Formula: run = ⌈setup + (need + samples + Σ ⌈run/batch⌉·lost) / (1 − p)⌉, iterated from below to its least fixed point, then stepped to the
 * first run whose good cycles cover the need (running loss is a whole number of cycles too).
 * Source: trade rule for allowances (common practice, no source); least fixed point of a rising function (Knaster–Tarski).
 * Rounding: up, whole cycles, through `ceilTolerant`: 3 969 good at 2 % are 4 050, not 4 051. Nothing needed: nothing run.
 * @example leastRun({ need: 9_900, setup: 200, runningPpm: 10_000, samples: 0 }) // 10200
 */
export function leastRun(t: RunTerms): number {
  if (t.need <= 0) return 0;
  const yieldShare = (PPM - t.runningPpm) / PPM;
  if (!(yieldShare > 0) || t.need > MOST_CYCLES) return MOST_CYCLES;
  let run = 0;
  for (let turn = 0; turn < 10_000; turn++) {
    const next = ceilTolerant(t.setup + (t.need + t.samples + batchLoss(Math.max(run, 1), t)) / yieldShare);
    if (next <= run) break;
    run = next;
    if (run > MOST_CYCLES) return MOST_CYCLES;
  }
  for (; goodCycles(run - 1, t) >= t.need;) run--;
  for (let turn = 0; goodCycles(run, t) < t.need; turn++) {
    if (turn > 1_000_000) return MOST_CYCLES;
    run++;
  }
  return run;
}

const source = 'counts backward from good pieces, whole pieces after every step; common practice, no source';

/** What all takers and the delivery want of a flow. */
export const DEMAND: Formula = { id: 'flow.demand', unit: 'piece', source, of: (t) => Object.values(t).reduce((a, b) => a + b, 0) };
/** Good cycles wanted of a step so that this flow is covered. */
export const CYCLES: Formula<'demand' | 'share' | 'per'> = {
  id: 'flow.cycles',
  unit: 'cycle',
  source,
  of: ({ demand, share, per }) => ceilTolerant((demand * share) / per),
};
/** The greatest need of all flows a step gives. */
export const NEED: Formula = { id: 'flow.need', unit: 'cycle', source, of: (t) => Math.max(0, ...Object.values(t)) };
const NOTHING_LOST: RunTerms = { need: 0, setup: 0, runningPpm: 0, samples: 0 };
/** Terms of losses that do not occur may be left out. */
export const RUN: Formula = {
  id: 'flow.run',
  unit: 'cycle',
  source,
  of: (t) => leastRun({ ...NOTHING_LOST, ...t, batches: batchesIn(t) }),
};
/** What the terms of a figure are named for the first kind of batch, the second … */
const batchNames = (i: number): [cycles: string, lost: string] =>
  i === 0 ? ['batchCycles', 'batchLost'] : [`batchCycles${i + 1}`, `batchLost${i + 1}`];
/**
 * Terms of a figure that says what is lost at each kind of batch.
 * @example batchTerms([{ cycles: 3_200, lost: 8 }, { cycles: 4_495, lost: 2 }]) // { batchCycles: 3200, batchLost: 8, batchCycles2: 4495, batchLost2: 2 }
 */
export const batchTerms = <T>(batches: readonly { cycles: T; lost: T }[]): Record<string, T> =>
  Object.fromEntries(
    batches.flatMap(({ cycles, lost }, i) => {
      const [cyclesName, lostName] = batchNames(i);
      return [
        [cyclesName, cycles],
        [lostName, lost],
      ];
    }),
  );
/**
 * The batches that the terms of a figure name.
 * @example batchesIn({ run: 5, batchCycles: 3_200, batchLost: 8 }) // [{ cycles: 3200, lost: 8 }]
 */
export function batchesIn(terms: Readonly<Record<string, number>>): Batch[] {
  const found: Batch[] = [];
  for (;;) {
    const [cyclesName, lostName] = batchNames(found.length);
    const cycles = terms[cyclesName];
    if (cycles === undefined) return found;
    found.push({ cycles, lost: terms[lostName] ?? 0 });
  }
}
export const SETUP_LOST: Formula<'setup' | 'run'> = {
  id: 'flow.setup',
  unit: 'cycle',
  source,
  of: ({ setup, run }) => Math.min(setup, run),
};
export const RUNNING_LOST: Formula = {
  id: 'flow.running',
  unit: 'cycle',
  source,
  of: ({ run = 0, setup = 0, runningPpm = 0 }) => runningLoss(run, setup, runningPpm),
};
export const SAMPLES_LOST: Formula<'samples' | 'run'> = {
  id: 'flow.samples',
  unit: 'cycle',
  source,
  of: ({ samples, run }) => (run > 0 ? samples : 0),
};
export const BATCH_LOST: Formula = {
  id: 'flow.batch',
  unit: 'cycle',
  source,
  of: ({ run = 0, ...t }) => batchLoss(run, { batches: batchesIn(t) }),
};
/** The run without every loss that occurs. */
export const GOOD: Formula = {
  id: 'flow.good',
  unit: 'cycle',
  source,
  of: ({ run = 0, ...lost }) => Object.values(lost).reduce((left, kind) => left - kind, run),
};
/** What a step takes of a flow: every cycle its full complement, and the pieces spoilt on the way. */
export const TAKEN: Formula<'run' | 'per' | 'spoilPpm'> = {
  id: 'flow.taken',
  unit: 'piece',
  source,
  of: ({ run, per, spoilPpm }) => ceilTolerant((run * per * PPM) / (PPM - spoilPpm)),
};
/** What a step with part-filled last cycles takes: what is wanted, and its loss at so many a cycle. */
export const TAKEN_PART: Formula<'demand' | 'run' | 'good' | 'per' | 'givesPer' | 'spoilPpm'> = {
  id: 'flow.takenPart',
  unit: 'piece',
  source,
  of: ({ demand, run, good, per, givesPer, spoilPpm }) =>
    ceilTolerant(((demand * per) / givesPer + (run - good) * per) * (PPM / (PPM - spoilPpm))),
};
/** What a step makes of a flow beyond what is wanted: whole cycles give whole sheets of copies. */
export const OVER: Formula<'good' | 'per' | 'demand'> = {
  id: 'flow.over',
  unit: 'piece',
  source,
  of: ({ good, per, demand }) => Math.max(good * per - demand, 0),
};
