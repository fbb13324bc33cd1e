import type { Id } from '../quantity/figure';
import { finerIn, type StepUnits } from './step-units';
import { type CountSum, INTO, leftOf, OUT_OF, type Tally, tallyOf } from './tally';

/** A pile as the balance reads it. */
export interface PileHeld {
  id: string;
  flow: Id<'flow'>;
}
/** Pieces of a pile, in its own unit. */
export interface PileBalance {
  id: string;
  in: number;
  out: number;
  recounted: number;
  /** What lies there. Below 0: more was taken than it held. */
  inHand: number;
}
export interface StepBalance extends Tally {
  step: Id<'step'>;
  done: boolean;
  /** Pieces at the machine, neither good nor lost yet; none once the step is done. */
  inHand: number;
  /** Received + recounted − good − waste − samples − destroyed − in hand. Above 0: pieces are missing; below: more came out than went in. */
  off: number;
}
/** A difference with its place: a step, and the pile it shows on where one is known. */
export interface Difference {
  step: Id<'step'> | null;
  pile: string | null;
  /** In pieces of the step's finer side, or of the pile. */
  off: number;
}
export interface Balance {
  steps: StepBalance[];
  piles: PileBalance[];
  differences: Difference[];
}

/** Rounding of a unit that is no whole part of another (a metre of web in repeats) is no difference, nor is a last carton that was not full. */
const tolerance = (u: StepUnits): number => {
  if (!u.whole) return u.perCycle;
  const f = finerIn(u);
  return Math.abs(f - Math.round(f)) < 1e-9 ? 1e-6 : f;
};

/**
 * Balances a job step by step and pile by pile.
 *
 * Formula: received (taken in less brought back) + recounted = good + waste + samples + destroyed + in hand, for every step, in pieces of its finer side; and for every pile
 * laid on it + split or merged in + recounted = taken + split or merged out + spoilt + in hand.
 * A step that still runs may hold pieces; one that is done may not. A pile may not hold fewer than none. Where nothing was counted in at all there is nothing
 * to balance, unless the job must balance.
 * Source: reconciliation after every step (common practice, no source); arithmetic.
 */
export function balanceOf(
  steps: readonly { step: Id<'step'>; units: StepUnits; done: boolean; mustBalance?: boolean }[],
  piles: readonly PileHeld[],
  sums: readonly CountSum[],
): Balance {
  const differences: Difference[] = [];
  const balanced = steps.map(({ step, units, done, mustBalance = false }): StepBalance => {
    const tally = tallyOf(step, units, sums);
    const left = leftOf(tally);
    const countedIn = mustBalance || tally.received > 0;
    const inHand = done || !countedIn ? 0 : Math.max(left, 0);
    const off = !countedIn || Math.abs(left - inHand) <= tolerance(units) ? 0 : left - inHand;
    if (off !== 0) differences.push({ step, pile: pileNamed(step, off, sums), off });
    return { step, done, ...tally, inHand, off };
  });
  // Hundreds of piles and thousands of sums: each sum is looked at once.
  const ofPile = new Map<string, CountSum[]>();
  for (const s of sums) {
    if (s.pile === null) continue;
    const known = ofPile.get(s.pile);
    if (known) known.push(s);
    else ofPile.set(s.pile, [s]);
  }
  const held = piles.map(({ id }): PileBalance => {
    const pile = pileBalance(id, ofPile.get(id) ?? []);
    if (pile.inHand < 0) differences.push({ step: null, pile: id, off: pile.inHand });
    return pile;
  });
  return { steps: balanced, piles: held, differences };
}

/** What lies on a pile, by the sums that name it. */
export function pileBalance(id: string, sums: readonly CountSum[]): PileBalance {
  const of = (pick: (s: CountSum) => boolean): number => sums.reduce((n, s) => n + (s.pile === id && pick(s) ? s.quantity : 0), 0);
  // What a step brings back lies on the pile again.
  const laid = of((s) => s.kind === 'good' || s.kind === 'back' || (passesOver(s) && s.reason === INTO));
  const gone = of((s) => s.kind === 'take' || s.kind === 'scrap' || (passesOver(s) && s.reason === OUT_OF));
  const recounted = of((s) => s.kind === 'recount' && s.step === null);
  return { id, in: laid, out: gone, recounted, inHand: laid + recounted - gone };
}
const passesOver = (s: CountSum): boolean => s.kind === 'split' || s.kind === 'merge';

/** The pile a difference shows on: where pieces are missing, the last one taken in; where there are too many, the last one laid. Null where none was named. */
function pileNamed(step: Id<'step'>, off: number, sums: readonly CountSum[]): string | null {
  const kind = off > 0 ? 'take' : 'good';
  return sums.filter((s) => s.step === step && s.kind === kind && s.pile !== null).at(-1)?.pile ?? null;
}
