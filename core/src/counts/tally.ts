import type { Id } from '../quantity/figure';
import type { EntryKind } from './floor-entry';
import { finerIn, finerOut, type StepUnits } from './step-units';

/** Entries of one kind and reason on a step and pile, added up; counter-entries are taken off already. */
export interface CountSum {
  step: Id<'step'> | null;
  pile: string | null;
  kind: EntryKind;
  reason: string;
  quantity: number;
}

/** Sums of a split or merge stand on both piles: out of one, into the other. */
export const OUT_OF = 'out';
export const INTO = 'in';

/** What was counted on a step, in pieces of its finer side. */
export interface Tally {
  /** Taken in, less what went back untouched. */
  received: number;
  good: number;
  /** By reason. */
  waste: Record<string, number>;
  wasted: number;
  samples: number;
  destroyed: number;
  /** Found more (above 0) or less than was reckoned, each with a reason. */
  recounted: number;
  /** Cycles that were run: all that came out, good or not. */
  run: number;
  goodCycles: number;
  setupCycles: number;
  sampleCycles: number;
}

/**
 * Pieces that came in and have neither gone on nor been lost: what is at the machine. Below 0: more came out than went in.
 * @example leftOf({ received: 1000, recounted: 0, good: 960, wasted: 30, samples: 4, destroyed: 0 }) // 6
 */
export const leftOf = (t: Pick<Tally, 'received' | 'recounted' | 'good' | 'wasted' | 'samples' | 'destroyed'>): number =>
  t.received + t.recounted - t.good - t.wasted - t.samples - t.destroyed;

/** Adds up what was counted on a step. Source: arithmetic; see `stepUnits` for the pieces. */
export function tallyOf(step: Id<'step'>, units: StepUnits, sums: readonly CountSum[]): Tally {
  const mine = sums.filter((s) => s.step === step);
  const of = (kind: EntryKind): number => mine.reduce((sum, s) => sum + (s.kind === kind ? s.quantity : 0), 0);
  const waste: Record<string, number> = {};
  for (const s of mine) if (s.kind === 'waste') waste[s.reason] = (waste[s.reason] ?? 0) + s.quantity;
  const good = of('good') * finerOut(units);
  const [wasted, samples, destroyed] = [of('waste'), of('samples'), of('destroyed')];
  const per = units.perCycle > 0 ? units.perCycle : 1;
  return {
    received: (of('take') - of('back')) * finerIn(units),
    good,
    waste,
    wasted,
    samples,
    destroyed,
    recounted: of('recount'),
    run: (good + wasted + samples + destroyed) / per,
    goodCycles: good / per,
    setupCycles: (waste['setup'] ?? 0) / per,
    sampleCycles: (samples + destroyed) / per,
  };
}
