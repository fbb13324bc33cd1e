import type { Id } from '../../quantity/figure';
import type { Plan } from '../plan-types';

/** One stone of the river: what comes in and leaves, in its own unit and in finished copies (the river's common width). */
export interface RiverStone {
  id: Id<'stone'>;
  key: string;
  family: string;
  inCopies: number;
  outCopies: number;
  lostCopies: number;
  /** What of the loss goes as a rule; the rest of the allowance stays as a rule. */
  likelyCopies: number;
  /** What of the band is reserve, before the stone and behind it. */
  reserveIn: number;
  reserveOut: number;
  /** By the counts, in finished copies; null while nothing of the job is counted. */
  real: { inCopies: number; outCopies: number; counted: boolean; done: boolean } | null;
  /** False where no pieces pass (plates): the band runs through unchanged. */
  counted: boolean;
}

const NOTHING = { lostCopies: 0, likelyCopies: 0, reserveIn: 0, reserveOut: 0 };

/** The count river of a plan, from stock to finished goods. */
export function riverOf(plan: Plan): RiverStone[] {
  const value = (id: Id<'figure'> | null): number => (id === null ? 0 : (plan.figures[id]?.value ?? 0));
  let carried = 0;
  const stones = plan.stones.map((s): RiverStone => {
    if (s.in === null || s.out === null)
      return { id: s.id, key: s.key, family: s.family, inCopies: carried, outCopies: carried, ...NOTHING, counted: false, real: null };
    const inCopies = s.perGoodIn > 0 ? value(s.in) / s.perGoodIn : 0;
    const lostCopies = s.lost.reduce((sum, l) => sum + (l.perGood > 0 ? value(l.figure) / l.perGood : 0), 0);
    const likelyCopies = Math.min(
      s.likely.reduce((sum, l) => sum + value(l.figure) * l.share, 0),
      lostCopies,
    );
    const outCopies = Math.max(inCopies - lostCopies, 0);
    carried = outCopies;
    const real = s.real && {
      inCopies: value(s.real.run) * s.real.copiesIn,
      outCopies: value(s.real.good) * s.real.copiesOut,
      counted: s.real.counted,
      done: s.real.done,
    };
    return { id: s.id, key: s.key, family: s.family, inCopies, outCopies, ...NOTHING, lostCopies, likelyCopies, counted: true, real };
  });
  // A stone without pieces at the head (plates before anything is pulled) carries what the first counted one takes.
  const first = stones.find((s) => s.counted)?.inCopies ?? 0;
  let reserve = 0;
  const own = plan.stones.map((s) => s.reserve.reduce((sum, r) => sum + (r.perGood > 0 ? value(r.figure) / r.perGood : 0), 0));
  for (let i = stones.length - 1; i >= 0; i--) {
    const stone = stones[i] as RiverStone;
    stone.reserveOut = reserve;
    reserve += own[i] ?? 0;
    stone.reserveIn = reserve;
  }
  return stones.map((s) => (!s.counted && s.inCopies === 0 ? { ...s, inCopies: first, outCopies: first } : s));
}
