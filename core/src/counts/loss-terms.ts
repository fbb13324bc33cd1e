import type { Formula, Term } from '../quantity/figure';
import { idOf } from '../quantity/id-of';
import { type Ledger, fig } from '../quantity/ledger';
import { ceilTolerant, floorTolerant } from '../quantity/round-tolerant';
import { PPM } from '../quantity/units';
import { type LossPoint, tableTerms } from '../flow/loss-table';
import type { LikelyLoss, LossTerms } from '../flow/solve-backward';
import { LIKELY } from './allowance';

const source = 'school "setup + running %": handbook ranges, from memory';
/** Setup sheets of a pass of n inks: the four-colour form and so much for each unit more or less; repeat work and the same form take a part of it. */
export const OFFSET_SETUP: Formula = {
  id: 'counts.offsetSetup',
  unit: 'cycle',
  source,
  of: ({ fourColour = 0, perUnit = 0, inks = 0, factor = 1 }) =>
    ceilTolerant(Math.max(fourColour + (inks - 4) * perUnit, perUnit) * factor),
};
/** Setup sheets of the next version on a press that is set: so much for each plate changed. */
export const VERSION_SETUP: Formula<'changed' | 'perUnit'> = {
  id: 'counts.versionSetup',
  unit: 'cycle',
  source,
  of: ({ changed, perUnit }) => ceilTolerant(changed * perUnit),
};
/** Setup cycles of any other step, new or repeat. */
export const STEP_SETUP: Formula<'fresh' | 'factor'> = {
  id: 'counts.stepSetup',
  unit: 'cycle',
  source,
  of: ({ fresh, factor }) => ceilTolerant(fresh * factor),
};
/** Running loss in whole parts per million, whatever school it comes from. */
export const RUNNING_PPM: Formula<'ppm'> = {
  id: 'counts.runningPpm',
  unit: 'ppm',
  source,
  of: ({ ppm }) => Math.min(Math.max(Math.round(ppm), 0), 900_000),
};
export const SAMPLES: Formula<'samples'> = {
  id: 'counts.samplesPulled',
  unit: 'cycle',
  source: 'common practice, no source',
  of: ({ samples }) => ceilTolerant(samples),
};

/** Cycles a begun batch (a roll, a reel) holds. Source: arithmetic. */
export const CYCLES_A_BATCH: Formula<'batch' | 'perCycle'> = {
  id: 'counts.cyclesABatch',
  unit: 'cycle',
  source: 'whole cycles in a roll',
  of: ({ batch, perCycle }) => (perCycle > 0 ? floorTolerant(batch / perCycle) : 0),
};
/**
 * Running loss of a web, breaks in it: what each loses, and how far apart they come. Source: arithmetic; 60 to 100 m a break every 20 to 60 km, common practice, no
 * source.
 */
export const WITH_BREAKS: Formula<'ppm' | 'breakM' | 'apartM'> = {
  id: 'counts.withBreaks',
  unit: 'ppm',
  source: 'arithmetic; breaks: common practice, no source',
  of: ({ ppm, breakM, apartM }) => ppm + (apartM > 0 ? (breakM / apartM) * PPM : 0),
};
/** Cycles lost of a length of web: whole ones. Source: arithmetic. */
export const CYCLES_OF_METRES: Formula<'metres' | 'factor' | 'repeatMm'> = {
  id: 'counts.cyclesOfMetres',
  unit: 'cycle',
  source: 'metres ÷ repeat, whole repeats',
  of: ({ metres, factor, repeatMm }) => (repeatMm > 0 ? ceilTolerant((metres * factor * 1000) / repeatMm) : 0),
};

/** What is said of a step's losses; what is left out does not occur. */
export interface LossesSaid<T extends string> {
  setup?: { formula: Formula<T>; terms: Record<T, Term>; own?: Term | undefined };
  runningPpm?: Term;
  samples?: Term;
  /** The plant's table for this work, and whether it is the school in force. */
  table?: { points: LossPoint[]; inForce: boolean; at: string } | null;
  /** Lost with every begun roll or reel, kind by kind: how much of it a cycle takes, and what goes. */
  batches?: readonly BatchSaid[];
}
/** What is lost with every begun batch: as metres of web, or as cycles. */
export interface BatchSaid {
  cycles: Record<'batch' | 'perCycle', Term>;
  lost: Record<'metres' | 'factor' | 'repeatMm', Term> | { cycles: Term };
}

/** How far a loss spreads from job to job, and how much of that it shares with the other losses of a job. */
export interface SpreadTerms {
  spread: Term;
  common: Term;
}
/** The spreads of a step's losses, and the share of jobs that an allowance suffices in. */
export interface LossSpreads {
  share: Term;
  setup: SpreadTerms;
  running: SpreadTerms;
}

/** Writes a step's setup allowance under a name; the works' own factor on what the handbook gives stands apart. */
function setupFigure<T extends string>(
  step: string,
  name: 'setupCycles' | 'usualSetup',
  { formula, terms, own }: NonNullable<LossesSaid<T>['setup']>,
  ledger: Ledger,
): Term {
  if (own) {
    ledger.figure(idOf(step, 'setupHandbook'), formula, terms);
    ledger.figure(idOf(step, name), STEP_SETUP, { fresh: fig(idOf(step, 'setupHandbook')), factor: own });
  } else ledger.figure(idOf(step, name), formula, terms);
  return fig(idOf(step, name));
}

/**
 * What is likely lost of what is set aside. Where an allowance was set by hand (on the step, or its figure), the likely loss stays what handbook or log say:
 * to count on less does not make less go to waste.
 */
function likelyLosses<T extends string>(
  step: string,
  losses: LossTerms,
  usual: LossesSaid<T>,
  { share, setup, running }: LossSpreads,
  ledger: Ledger,
): NonNullable<LossTerms['likely']> {
  const byHand = (name: 'setupCycles' | 'runningPpm'): boolean => ledger.isByHand(idOf(step, name));
  const likely = (name: string, allowance: Term, { spread, common }: SpreadTerms, unit: 'cycle' | 'ppm'): LikelyLoss => {
    ledger.figure(idOf(step, name), LIKELY, { allowance, spread, share }, unit);
    return { amount: fig(idOf(step, name)), spread, common };
  };
  const all: NonNullable<LossTerms['likely']> = {};
  if (losses.setup && usual.setup)
    all.setup = likely(
      'likelySetup',
      byHand('setupCycles') ? setupFigure(step, 'usualSetup', usual.setup, ledger) : losses.setup,
      setup,
      'cycle',
    );
  if (losses.runningPpm && usual.runningPpm) {
    let allowance = losses.runningPpm;
    if (byHand('runningPpm')) {
      ledger.figure(idOf(step, 'usualPpm'), RUNNING_PPM, { ppm: usual.runningPpm });
      allowance = fig(idOf(step, 'usualPpm'));
    }
    all.running = likely('likelyPpm', allowance, running, 'ppm');
  }
  return all;
}

/** Writes what a kind of batch loses under names of its own: `batchLost`, `batchLost2` … */
function batchFigures(step: string, nth: string, { cycles, lost }: BatchSaid, ledger: Ledger): { cycles: Term; lost: Term } {
  const at = { cycles: idOf(step, `batchCycles${nth}`), lost: idOf(step, `batchLost${nth}`) };
  ledger.figure(at.cycles, CYCLES_A_BATCH, cycles);
  if ('cycles' in lost) ledger.figure(at.lost, SAMPLES, { samples: lost.cycles });
  else ledger.figure(at.lost, CYCLES_OF_METRES, lost);
  return { cycles: fig(at.cycles), lost: fig(at.lost) };
}

/**
 * Writes the losses of a step that occur as figures (so that each can be overridden by hand) and returns them as terms for the counts. `usual` is what would be
 * said had nobody set anything on the step.
 */
export function lossFigures<T extends string>(
  step: string,
  { setup, runningPpm, samples, batches = [], table }: LossesSaid<T>,
  ledger: Ledger,
  { usual, spreads, logKnows }: { usual: LossesSaid<T>; spreads: LossSpreads; logKnows: boolean },
): LossTerms {
  const losses: LossTerms = {};
  if (setup) losses.setup = setupFigure(step, 'setupCycles', setup, ledger);
  if (runningPpm) {
    ledger.figure(idOf(step, 'runningPpm'), RUNNING_PPM, { ppm: runningPpm });
    losses.runningPpm = fig(idOf(step, 'runningPpm'));
  }
  if (samples) {
    ledger.figure(idOf(step, 'samples'), SAMPLES, { samples });
    losses.samples = fig(idOf(step, 'samples'));
  }
  if (batches.length > 0) losses.batches = batches.map((batch, i) => batchFigures(step, i === 0 ? '' : String(i + 1), batch, ledger));
  losses.likely = likelyLosses(step, losses, usual, spreads, ledger);
  if (!table) return losses;
  // A table says nothing of what is likely: the works' own log does, where it knows; else its lines are allowances as the handbook's are.
  const { likely, ...bySetup } = losses;
  if (table.inForce && !logKnows) {
    const { samples: pulled } = bySetup;
    return {
      ...(pulled && { samples: pulled }),
      table: tableTerms(table.points, table.at),
      likely: { table: { ...spreads.running, share: spreads.share } },
      other: bySetup,
    };
  }
  const byTable: LossTerms = { ...(losses.samples && { samples: losses.samples }), table: tableTerms(table.points, table.at) };
  return table.inForce ? { ...byTable, likely, other: bySetup } : { ...losses, other: byTable };
}
