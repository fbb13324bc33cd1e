import { allowanceFor } from './chance-of-enough';
import { learnedLosses, type Learned, type StepFact } from './learned-losses';
import { lossVariation, widened } from './loss-variation';
import { seeded } from '../quantity/seeded';

/** A standard normal draw. Source: Box and Muller, Ann. Math. Statist. 29 (1958). */
export const normal = (random: () => number): number => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());

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
const HANDBOOK_SPREAD = Math.sqrt(Math.log(1 + 0.75 * 0.75));
const HANDBOOK_PPM: Readonly<Record<string, number>> = { offset: 20_000, foil: 15_000, guillotine: 2_000, fold: 5_000 };

/** One job through the shop: what it was started with, what was left, what was counted. */
function run(start: number, random: () => number, job: string): { good: number; facts: StepFact[] } {
  const common = normal(random);
  const draw = (spread: number): number => {
    const own = Math.sqrt(Math.max(spread * spread - HIDDEN_COMMON * HIDDEN_COMMON, 0));
    return Math.exp(HIDDEN_COMMON * common + own * normal(random) - (spread * spread) / 2);
  };
  let pieces = start;
  const facts = HIDDEN.map((t): StepFact => {
    const setup = Math.min(Math.round(t.handbookSetup * t.setupFactor * draw(t.setupSpread)), pieces);
    const cycles = pieces - setup;
    const lost = Math.min(Math.round(cycles * (t.ppm / 1e6) * draw(t.runningSpread)), cycles);
    pieces = cycles - lost;
    return { job, process: t.process, machine: t.machine, expectedSetup: t.handbookSetup, setup, cycles, lost };
  });
  return { good: pieces, facts };
}

/** What the works starts a job with so that `wanted` come out with a certainty, by what it knows so far. */
function started(wanted: number, certainty: number, known: Learned): number {
  let start = wanted;
  for (let turn = 0; turn < 4; turn++) {
    let pieces = start;
    const losses = HIDDEN.flatMap(({ process, machine, handbookSetup }) => {
      const own = known.losses[`${process}@${machine}`];
      const like = own && own.jobs >= 20 ? own : null;
      const setup = handbookSetup * (like?.setupFactor ?? 1);
      const running = ((pieces - setup) * (like?.meanPpm ?? HANDBOOK_PPM[process] ?? 0)) / 1e6;
      pieces -= setup + running;
      const common = like ? (known.together?.spread ?? 0) : HANDBOOK_SPREAD;
      return [
        { loss: setup, spread: like ? widened(like.setupSpread ?? 0, like.jobs) : HANDBOOK_SPREAD, common },
        { loss: running, spread: like ? widened(like.runningSpread ?? 0, like.jobs) : HANDBOOK_SPREAD, common },
      ];
    });
    const expected = losses.reduce((sum, l) => sum + l.loss, 0);
    start = Math.ceil(wanted + allowanceFor({ certainty, expected, variation: lossVariation(losses, expected) }));
  }
  return start;
}

/** Share of jobs that fall short when each is started with a wished certainty, from job `from` on; the works learns from all before. */
export function shareShort(
  certainty: number,
  { jobs, from, seed, slips = 0 }: { jobs: number; from: number; seed: number; slips?: number },
): number {
  const random = seeded(seed);
  const facts: StepFact[] = [];
  let known: Learned = learnedLosses([]);
  let short = 0;
  for (let j = 0; j < jobs; j++) {
    if (j % 50 === 0) known = learnedLosses(facts);
    const wanted = Math.round(500 * Math.exp(random() * Math.log(60)));
    const { good, facts: counted } = run(started(wanted, certainty, known), random, String(j));
    if (j >= from && good < wanted) short++;
    // A slip of the pen now and then: a nought too many.
    facts.push(...counted.map((f) => (random() < slips ? { ...f, lost: f.lost * 10 } : f)));
  }
  return short / (jobs - from);
}
