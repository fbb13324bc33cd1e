import type { CountUnit, Id } from '../quantity/figure';
import type { Flow, Step } from '../flow/net';

/** What a step's pieces are counted in on the floor. */
export interface StepUnits {
  /** The flow it takes first and the one it gives first; null where no pieces pass (forms). */
  takes: Id<'flow'> | null;
  gives: Id<'flow'> | null;
  takesPer: number;
  givesPer: number;
  takesUnit: CountUnit | null;
  givesUnit: CountUnit | null;
  /** The finer of both sides, in which waste and balances are counted: a spoilt copy is no whole sheet. */
  unit: CountUnit | null;
  /** Pieces of the finer side in a cycle. */
  perCycle: number;
  /** False: the last cycle may be part-filled (a band, a carton). */
  whole: boolean;
}

/**
 * Units of a step: a cycle takes `takesPer` of one flow and gives `givesPer` of another; the greater is the finer side.
 * `gives` is the flow it gives first; where it gives several, all are of one unit and counted together.
 * A sheet cut into six copies is counted in copies (6 a cycle); six copies banded are counted in copies too; a metre of web in repeats.
 */
export function stepUnits(step: Step, flows: Readonly<Record<Id<'flow'>, Flow>>): StepUnits {
  const [take, give] = [step.takes[0], step.gives[0]];
  const takesUnit = take ? (flows[take.flow]?.unit ?? null) : null;
  const givesUnit = give ? (flows[give.flow]?.unit ?? null) : null;
  // A sheet parted into several orders gives the copies of all of them in a cycle.
  const [takesPer, givesPer] = [take?.per ?? 0, step.gives.reduce((sum, g) => sum + g.per, 0)];
  const byGiven = givesPer >= takesPer;
  return {
    takes: take?.flow ?? null,
    gives: give?.flow ?? null,
    takesPer,
    givesPer,
    takesUnit,
    givesUnit,
    unit: byGiven ? givesUnit : takesUnit,
    perCycle: Math.max(givesPer, takesPer),
    whole: step.whole,
  };
}

/**
 * Pieces of the finer side in one piece taken, and in one piece given.
 * @example finerIn({ perCycle: 8, takesPer: 1, givesPer: 8 }) // 8
 */
export const finerIn = (u: StepUnits): number => (u.takesPer > 0 ? u.perCycle / u.takesPer : 0);
/**
 * Pieces of the finer side that lie in one of what the step gives.
 * @example finerOut({ perCycle: 8, takesPer: 1, givesPer: 8 }) // 1
 */
export const finerOut = (u: StepUnits): number => (u.givesPer > 0 ? u.perCycle / u.givesPer : 0);
