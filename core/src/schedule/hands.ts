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
  /** Moments at which somebody comes or goes, and how many are there from each on. */
  private readonly turns: readonly number[];
  private readonly there: readonly number[];
  readonly most: number;
  /** What is taken so far, by place of the list. */
  taken: Busy[] = [];

  constructor(crew: Crew, origin: number) {
    const changes = new Map<number, number>();
    const add = (at: number, hands: number): void => void changes.set(at, (changes.get(at) ?? 0) + hands);
    for (const [from, to, hands] of crew.present) {
      add(from - origin, hands);
      add(to - origin, -hands);
    }
    this.turns = [...changes.keys()].sort((a, b) => a - b);
    let now = 0;
    this.there = this.turns.map((at) => (now += changes.get(at) ?? 0));
    this.most = Math.max(0, ...this.there);
  }

  /** The end of the first stretch within which too few people are left for so many more; null: enough all along. */
  lackUntil(from: number, to: number, hands: number): number | null {
    const turns = new Set([from]);
    for (let i = this.lastTurn(from) + 1; i < this.turns.length && (this.turns[i] ?? to) < to; i++) turns.add(this.turns[i] ?? to);
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
    const last = this.turns.at(-1);
    if (last === undefined || at >= last) return Infinity;
    return this.there[this.lastTurn(at)] ?? 0;
  }
  /** The last turn that is not later; −1 where all are. */
  private lastTurn(at: number): number {
    let [low, high] = [0, this.turns.length];
    while (low < high) {
      const middle = (low + high) >> 1;
      if ((this.turns[middle] ?? Infinity) <= at) low = middle + 1;
      else high = middle;
    }
    return low - 1;
  }
}

function addWithin(turns: Set<number>, a: number, b: number, from: number, to: number): void {
  if (a > from && a < to) turns.add(a);
  if (b > from && b < to) turns.add(b);
}
