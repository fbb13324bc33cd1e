import type { Crew } from './problem';

/** People at work: clock seconds from the origin, and at which place of the list. */
export interface Busy {
  from: number;
  to: number;
  hands: number;
  of: { at: number };
}

/**
 * People shared by machines. Work is entered in the order in which it is laid; asked is where too few are left.
 * Before and after the hours that are known as many are taken to be there as are wanted: that hours are unknown is said elsewhere.
 */
export class Hands {
  private readonly present: readonly (readonly [from: number, to: number, hands: number])[];
  readonly most: number;
  /** What is taken so far, by place of the list. */
  taken: Busy[] = [];

  constructor(crew: Crew, origin: number) {
    this.present = crew.present.map(([from, to, hands]) => [from - origin, to - origin, hands] as const);
    this.most = Math.max(0, ...crew.present.map((p) => p[2]));
  }

  /** The end of the first stretch within which too few people are left for so many more; null: enough all along. */
  lackUntil(from: number, to: number, hands: number): number | null {
    const turns = new Set([from]);
    for (const [a, b] of this.present) addWithin(turns, a, b, from, to);
    const during = this.taken.filter((t) => t.to > from && t.from < to);
    for (const t of during) addWithin(turns, t.from, t.to, from, to);
    const sorted = [...turns].sort((a, b) => a - b);
    for (const [i, at] of sorted.entries()) {
      const busy = during.reduce((sum, t) => (t.from <= at && t.to > at ? sum + t.hands : sum), 0);
      if (busy + hands > this.presentAt(at)) return sorted[i + 1] ?? to;
    }
    return null;
  }

  /** Lets go what stands at a place of the list or behind it. */
  letGoFrom(place: number): void {
    this.taken = this.taken.filter((t) => t.of.at < place);
  }

  private presentAt(at: number): number {
    const last = this.present.at(-1);
    if (!last || at >= last[1]) return Infinity;
    return this.present.reduce((sum, [from, to, hands]) => (from <= at && to > at ? sum + hands : sum), 0);
  }
}

function addWithin(turns: Set<number>, a: number, b: number, from: number, to: number): void {
  if (a > from && a < to) turns.add(a);
  if (b > from && b < to) turns.add(b);
}
