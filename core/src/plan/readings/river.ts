import type { Id } from '../../quantity/figure';
import type { Plan } from '../plan-types';

/** One stone of the river: what comes in and leaves, in its own unit and in finished copies (the river's common width). */
export interface RiverStone {
  id: Id<'stone'>;
  key: string;
  family: string;
  /** Stones whose pieces come to it: several where parts are joined; the same one for several where a sheet is parted. */
  from: Id<'stone'>[];
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

/** Which stones' pieces each stone takes. */
function sourcesOf({ stones, steps }: Pick<Plan, 'stones' | 'steps'>): Map<Id<'stone'>, Id<'stone'>[]> {
  const makers = new Map<Id<'flow'>, Id<'stone'>>();
  for (const { id, steps: own } of stones) for (const step of own) for (const { flow } of steps[step]?.gives ?? []) makers.set(flow, id);
  return new Map(
    stones.map(({ id, steps: own }) => {
      const from = own.flatMap((step) => (steps[step]?.takes ?? []).flatMap(({ flow }) => makers.get(flow) ?? []));
      return [id, [...new Set(from)].filter((other) => other !== id)];
    }),
  );
}

/** The count river of a plan, from stock to finished goods. */
export function riverOf(plan: Plan): RiverStone[] {
  const value = (id: Id<'figure'> | null): number => (id === null ? 0 : (plan.figures[id]?.value ?? 0));
  const sources = sourcesOf(plan);
  const stones = plan.stones.map((s): RiverStone => {
    const named = { id: s.id, key: s.key, family: s.family, from: sources.get(s.id) ?? [] };
    if (s.in === null || s.out === null) return { ...named, inCopies: 0, outCopies: 0, ...NOTHING, counted: false, real: null };
    const inCopies = s.perGoodIn > 0 ? value(s.in) / s.perGoodIn : 0;
    const lostCopies = s.lost.reduce((sum, l) => sum + (l.perGood > 0 ? value(l.figure) / l.perGood : 0), 0);
    const likelyCopies = Math.min(
      s.likely.reduce((sum, l) => sum + value(l.figure) * l.share, 0),
      lostCopies,
    );
    const outCopies = Math.max(inCopies - lostCopies, 0);
    const real = s.real && {
      inCopies: value(s.real.run) * s.real.copiesIn,
      outCopies: value(s.real.good) * s.real.copiesOut,
      counted: s.real.counted,
      done: s.real.done,
    };
    return { ...named, inCopies, outCopies, ...NOTHING, lostCopies, likelyCopies, counted: true, real };
  });
  // What of the band is reserve: a stone's own, and that of all that comes after it.
  const own = plan.stones.map((s) => s.reserve.reduce((sum, r) => sum + (r.perGood > 0 ? value(r.figure) / r.perGood : 0), 0));
  for (let i = stones.length - 1; i >= 0; i--) {
    const stone = stones[i] as RiverStone;
    stone.reserveOut = stones.filter((s) => s.from.includes(stone.id)).reduce((sum, s) => sum + s.reserveIn, 0);
    stone.reserveIn = stone.reserveOut + (own[i] ?? 0);
  }
  // A stone without pieces (plates) is as wide as what its parts pass it with: what left the last stone before it, at the head what comes to the first.
  const ofSameParts = (i: number) => (_: RiverStone, j: number) =>
    (plan.stones[j]?.parts ?? []).some((p) => plan.stones[i]?.parts.includes(p));
  return stones.map((s, i) => {
    if (s.counted) return s;
    const before = stones
      .slice(0, i)
      .filter((o, j) => o.counted && ofSameParts(i)(o, j))
      .at(-1);
    const after = stones.find((o, j) => j > i && o.counted && ofSameParts(i)(o, j));
    const [wide, reserve] = before ? [before.outCopies, before.reserveOut] : [after?.inCopies ?? 0, after?.reserveIn ?? 0];
    return { ...s, inCopies: wide, outCopies: wide, reserveIn: reserve, reserveOut: reserve };
  });
}
