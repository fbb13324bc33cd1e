import type { Formula, Term } from '../quantity/figure';
import { idOf } from '../quantity/id-of';
import { type Ledger, fig } from '../quantity/ledger';
import { ceilTolerant, floorTolerant } from '../quantity/round-tolerant';
import { type LossPoint, tableTerms } from '../flow/loss-table';
import type { LossTerms } from '../flow/solve-backward';

const source = 'school "setup + running %": handbook ranges, from memory';
/** Setup sheets of a pass of n inks: the four-colour form and so much for each unit more or less; repeat work and shared plates take a part of it. */
export const OFFSET_SETUP: Formula<'fourColour' | 'perUnit' | 'inks' | 'factor'> = {
  id: 'counts.offsetSetup',
  unit: 'cycle',
  source,
  of: ({ fourColour, perUnit, inks, factor }) => ceilTolerant(Math.max(fourColour + (inks - 4) * perUnit, perUnit) * factor),
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
  /** Lost with every begun roll: how much web a roll and a cycle have, and how many metres go. */
  batch?: { cycles: Record<'batch' | 'perCycle', Term>; lost: Record<'metres' | 'factor' | 'repeatMm', Term> };
}

/** Writes the losses of a step that occur as figures (so that each can be overridden by hand) and returns them as terms for the counts. */
export function lossFigures<T extends string>(
  step: string,
  { setup, runningPpm, samples, batch, table }: LossesSaid<T>,
  to: Ledger,
): LossTerms {
  const losses: LossTerms = {};
  if (setup) {
    if (setup.own) {
      to.figure(idOf(step, 'setupHandbook'), setup.formula, setup.terms);
      to.figure(idOf(step, 'setupCycles'), STEP_SETUP, { fresh: fig(idOf(step, 'setupHandbook')), factor: setup.own });
    } else to.figure(idOf(step, 'setupCycles'), setup.formula, setup.terms);
    losses.setup = fig(idOf(step, 'setupCycles'));
  }
  if (runningPpm) {
    to.figure(idOf(step, 'runningPpm'), RUNNING_PPM, { ppm: runningPpm });
    losses.runningPpm = fig(idOf(step, 'runningPpm'));
  }
  if (samples) {
    to.figure(idOf(step, 'samples'), SAMPLES, { samples });
    losses.samples = fig(idOf(step, 'samples'));
  }
  if (batch) {
    to.figure(idOf(step, 'batchCycles'), CYCLES_A_BATCH, batch.cycles);
    to.figure(idOf(step, 'batchLost'), CYCLES_OF_METRES, batch.lost);
    losses.batchCycles = fig(idOf(step, 'batchCycles'));
    losses.batchLost = fig(idOf(step, 'batchLost'));
  }
  if (!table) return losses;
  const byTable: LossTerms = { ...(losses.samples && { samples: losses.samples }), table: tableTerms(table.points, table.at) };
  return table.inForce ? { ...byTable, other: losses } : { ...losses, other: byTable };
}
