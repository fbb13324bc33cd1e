import type { Id } from '../quantity/figure';
import type { Plan } from './plan-types';

/** One stone of the river: what comes in and leaves, in its own unit and in finished copies (the river's common width). */
export interface RiverStone {
  id: Id<'stage'>;
  key: string;
  family: string;
  inCopies: number;
  outCopies: number;
  lostCopies: number;
  /** By the counts, in finished copies; null while nothing of the job is counted. */
  real: { inCopies: number; outCopies: number; counted: boolean; done: boolean } | null;
  /** False where no pieces pass (plates): the band runs through unchanged. */
  counted: boolean;
}

/** The count river of a plan, from stock to finished goods. */
export function riverOf(plan: Plan): RiverStone[] {
  const value = (id: Id<'figure'> | null): number => (id === null ? 0 : (plan.figures[id]?.value ?? 0));
  let carried = 0;
  const stones = plan.stones.map((s) => {
    if (s.in === null || s.out === null)
      return { id: s.id, key: s.key, family: s.family, inCopies: carried, outCopies: carried, lostCopies: 0, counted: false, real: null };
    const inCopies = s.perGoodIn > 0 ? value(s.in) / s.perGoodIn : 0;
    const lostCopies = s.lost.reduce((sum, l) => sum + (l.perGood > 0 ? value(l.figure) / l.perGood : 0), 0);
    const outCopies = Math.max(inCopies - lostCopies, 0);
    carried = outCopies;
    const real = s.real && {
      inCopies: value(s.real.run) * s.real.copiesIn,
      outCopies: value(s.real.good) * s.real.copiesOut,
      counted: s.real.counted,
      done: s.real.done,
    };
    return { id: s.id, key: s.key, family: s.family, inCopies, outCopies, lostCopies, counted: true, real };
  });
  // A stone without pieces at the head (plates before anything is pulled) carries what the first counted one takes.
  const first = stones.find((s) => s.counted)?.inCopies ?? 0;
  return stones.map((s) => (!s.counted && s.inCopies === 0 ? { ...s, inCopies: first, outCopies: first } : s));
}
