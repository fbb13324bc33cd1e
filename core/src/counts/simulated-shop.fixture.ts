import { leastRun } from '../flow/counts';
import { seeded } from '../quantity/seeded';
import { allowanceFactor, spreadOf } from './allowance';
import { reserveTimes, type SpreadLoss, type StepAtRisk } from './drawn-jobs';
import { learnedLosses, type Learned, type StepFact } from './learned-losses';
import { widened } from './spread-seen';

/** A standard normal draw. Source: Box and Muller, Ann. Math. Statist. 29 (1958). */
export const normal = (random: () => number): number => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());

/** A gamma draw of mean 1 with a shape above 1. Source: Marsaglia and Tsang, ACM Trans. Math. Softw. 26 (2000). */
function gamma(shape: number, random: () => number): number {
  const d = shape - 1 / 3;
  for (;;) {
    const x = normal(random);
    const v = (1 + x / Math.sqrt(9 * d)) ** 3;
    if (v > 0 && Math.log(1 - random()) < (x * x) / 2 + d - d * v + d * Math.log(v)) return (d * v) / shape;
  }
}

/** What is true of a step and nobody in the works knows. */
interface Truth {
  process: string;
  machine: string;
  handbookSetup: number;
  setupFactor: number;
  setupSpread: number;
  ppm: number;
  runningSpread: number;
}
export const HIDDEN: readonly Truth[] = [
  { process: 'offset', machine: 'press3', handbookSetup: 225, setupFactor: 1.25, setupSpread: 0.45, ppm: 16_000, runningSpread: 0.55 },
  { process: 'foil', machine: 'platen1', handbookSetup: 65, setupFactor: 0.8, setupSpread: 0.5, ppm: 21_000, runningSpread: 0.6 },
  { process: 'guillotine', machine: 'knife1', handbookSetup: 5, setupFactor: 1.4, setupSpread: 0.4, ppm: 2_500, runningSpread: 0.5 },
  { process: 'fold', machine: 'folder2', handbookSetup: 35, setupFactor: 1.1, setupSpread: 0.5, ppm: 7_000, runningSpread: 0.5 },
];
/** The part of every spread that all steps of a job share: bad board is bad everywhere. */
export const HIDDEN_COMMON = 0.3;
const HANDBOOK_PPM: Readonly<Record<string, number>> = { offset: 20_000, foil: 15_000, guillotine: 2_000, fold: 5_000 };
const HANDBOOK_SPREAD = spreadOf(0.75);
/** An allowance is what this share of jobs stays under. */
const SHARE = 0.85;

/** How losses really fall: as the model thinks; by gamma laws; of two kinds of jobs, one in five a bad one; or growing by a third over the years. */
export type Nature = 'lognormal' | 'gamma' | 'twoKinds' | 'drift';

/** Factors of mean 1 on the losses of one job. */
function factors(nature: Nature, random: () => number, age: number): (spread: number) => number {
  if (nature === 'twoKinds') {
    const kind = random() < 0.2 ? 1.4 : 0.9;
    return (spread) => kind * Math.exp(0.7 * spread * normal(random) - (0.7 * spread) ** 2 / 2);
  }
  if (nature === 'gamma') {
    const common = gamma(1 / (Math.exp(HIDDEN_COMMON ** 2) - 1), random);
    return (spread) => common * gamma(1 / (Math.exp(spread ** 2 - HIDDEN_COMMON ** 2) - 1), random);
  }
  const common = normal(random);
  const grown = nature === 'drift' ? 0.85 + 0.3 * age : 1;
  return (spread) => {
    const own = Math.sqrt(Math.max(spread * spread - HIDDEN_COMMON * HIDDEN_COMMON, 0));
    return grown * Math.exp(HIDDEN_COMMON * common + own * normal(random) - (spread * spread) / 2);
  };
}

interface PlannedStep {
  /** What lies before the step, and the good ones it stops at. */
  pile: number;
  stop: number;
}

/** The plan for a job by what the works knows so far: net and allowances, and before each step the reserve that the wish takes. */
function planned(wanted: number, wish: number, known: Learned): PlannedStep[] {
  const steps = HIDDEN.map(({ process, machine, handbookSetup }) => {
    const log = known.losses[`${process}@${machine}`];
    const own = log && log.jobs >= 20 ? log : null;
    const [setupSpread, runningSpread] = own
      ? [widened(own.setupSpread ?? 0, own.jobs), widened(own.runningSpread ?? 0, own.jobs)]
      : [HANDBOOK_SPREAD, HANDBOOK_SPREAD];
    const common = own ? (known.together?.spread ?? 0) : HANDBOOK_SPREAD;
    const setup = handbookSetup * (own ? (own.setupFactor ?? 1) * allowanceFactor(setupSpread, SHARE) : 1);
    const ppm = own ? own.meanPpm * allowanceFactor(runningSpread, SHARE) : (HANDBOOK_PPM[process] ?? 0);
    return { setup: Math.ceil(setup), runningPpm: Math.round(ppm), setupSpread, runningSpread, common };
  });
  const backward = (reserve: readonly number[]): { need: number; run: number }[] => {
    let need = wanted;
    return [...steps]
      .reverse()
      .map((s, i) => {
        const of = steps.length - 1 - i;
        const run = leastRun({ need, setup: s.setup, runningPpm: s.runningPpm, samples: 0 });
        const mine = { need, run };
        need = run + (reserve[of] ?? 0);
        return mine;
      })
      .reverse();
  };
  const plain = backward([]);
  const risks = steps.map((s, i): StepAtRisk => {
    const { need, run } = plain[i] as { need: number; run: number };
    const losses: SpreadLoss[] = [
      { loss: s.setup / allowanceFactor(s.setupSpread, SHARE), spread: s.setupSpread, common: Math.min(s.common, s.setupSpread) },
      {
        loss: ((run - s.setup) * s.runningPpm) / 1e6 / allowanceFactor(s.runningSpread, SHARE),
        spread: s.runningSpread,
        common: Math.min(s.common, s.runningSpread),
      },
    ];
    return { kept: run - need, losses, next: i + 1 < steps.length ? i + 1 : null };
  });
  const kept = risks.map((r) => r.kept);
  const times = reserveTimes(risks, kept, 0, wish);
  const reserve = kept.map((k) => Math.ceil((times - 1) * k));
  return backward(reserve).map(({ need, run }, i) => ({ pile: run + (reserve[i] ?? 0), stop: need }));
}

/** One job through the shop as its ticket says: every step stops at its good ones, what lies before the press untouched goes back. */
function run(
  plan: readonly PlannedStep[],
  factor: (spread: number) => number,
  job: string,
): { good: number; spent: number; facts: StepFact[] } {
  let pieces = plan[0]?.pile ?? 0;
  let spent = 0;
  const facts = HIDDEN.map((t, i): StepFact => {
    const { stop } = plan[i] as PlannedStep;
    const setup = Math.min(Math.round(t.handbookSetup * t.setupFactor * factor(t.setupSpread)), pieces);
    const share = Math.min((t.ppm / 1e6) * factor(t.runningSpread), 0.5);
    const cycles = Math.min(pieces - setup, Math.ceil(stop / (1 - share)));
    const lost = Math.min(Math.round(cycles * share), cycles);
    if (i === 0) spent = setup + cycles;
    pieces = Math.min(cycles - lost, stop);
    return { job, process: t.process, machine: t.machine, expectedSetup: t.handbookSetup, setup, cycles, lost };
  });
  return { good: pieces, spent, facts };
}

/** What came of many jobs: the share that fell short, and sheets spent for every one wanted. */
export interface ShopYears {
  short: number;
  spentPerWanted: number;
}

/** Jobs planned with a wished certainty, from job `from` on; the works learns from all before. */
export function shopYears(
  wish: number,
  { jobs, from, seed, slips = 0, nature = 'lognormal' }: { jobs: number; from: number; seed: number; slips?: number; nature?: Nature },
): ShopYears {
  const random = seeded(seed);
  const facts: StepFact[] = [];
  let known: Learned = learnedLosses([]);
  let [short, spent, ordered] = [0, 0, 0];
  // Orders come in eight usual quantities, from 500 to 30,000: each is planned once as long as nothing new is known.
  let plans = new Map<number, PlannedStep[]>();
  for (let j = 0; j < jobs; j++) {
    if (j % 50 === 0) [known, plans] = [learnedLosses(facts), new Map()];
    const wanted = Math.round(500 * Math.exp((Math.floor(random() * 8) / 7) * Math.log(60)));
    const plan = plans.get(wanted) ?? planned(wanted, wish, known);
    plans.set(wanted, plan);
    const came = run(plan, factors(nature, random, j / jobs), String(j));
    if (j >= from) {
      if (came.good < wanted) short++;
      spent += came.spent;
      ordered += wanted;
    }
    // A slip of the pen now and then: a nought too many.
    facts.push(...came.facts.map((f) => (random() < slips ? { ...f, lost: f.lost * 10 } : f)));
  }
  return { short: short / (jobs - from), spentPerWanted: spent / ordered };
}
