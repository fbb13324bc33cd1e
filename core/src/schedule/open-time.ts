import type { At } from './problem';

/** Finding an interval begins in a table of so many seconds a place (4,096). */
const BUCKET = 12;

/**
 * A machine's open seconds counted through: moments on the clock, and how many open seconds have passed by then. Seconds count from an origin, so that they fit 32 bits.
 * After the last hours known it is taken as always open, and `knownUntil` says where that begins. Source: house rule.
 */
export class OpenTime {
  private readonly from: Int32Array;
  private readonly to: Int32Array;
  /** Open seconds before each interval. */
  private readonly before: Int32Array;
  private readonly byClock: Int32Array;
  private readonly byOpen: Int32Array;
  private readonly last: number;
  /** It never closes: open seconds are those of the clock. */
  private readonly always: boolean;
  /** On the clock, from the origin. */
  readonly knownUntil: number;

  constructor(open: readonly (readonly [At, At])[], origin: At) {
    const known = open.flatMap(([from, to]): [number, number][] =>
      to > origin && to > from ? [[Math.max(from - origin, 0), to - origin]] : [],
    );
    this.knownUntil = known.at(-1)?.[1] ?? 0;
    const end = known.at(-1);
    // What comes after the last hours joins them without a gap.
    if (end) end[1] = FOR_EVER;
    else known.push([0, FOR_EVER]);
    this.last = known.length - 1;
    this.from = Int32Array.from(known, (k) => k[0]);
    this.to = Int32Array.from(known, (k) => k[1]);
    this.before = new Int32Array(known.length);
    for (let i = 1; i < known.length; i++) this.before[i] = this.opened(i - 1) + this.length(i - 1);
    this.always = this.last === 0 && this.from[0] === 0;
    this.byClock = this.table(this.knownUntil, (i) => this.to[i] ?? 0);
    this.byOpen = this.table(this.opened(this.last), (i) => this.opened(i) + this.length(i));
  }

  private opened(i: number): number {
    return this.before[i] ?? 0;
  }
  private length(i: number): number {
    return (this.to[i] ?? 0) - (this.from[i] ?? 0);
  }
  /** For every stretch of a bucket the first interval that ends behind its beginning. */
  private table(until: number, endOf: (i: number) => number): Int32Array {
    const table = new Int32Array((until >> BUCKET) + 1);
    let i = 0;
    for (let b = 0; b < table.length; b++) {
      while (i < this.last && endOf(i) <= b << BUCKET) i++;
      table[b] = i;
    }
    return table;
  }

  /** Open seconds that have passed by a moment: where work that may begin from then on lies. */
  openBefore(clock: number): number {
    if (this.always) return clock;
    let i = this.byClock[clock >> BUCKET] ?? this.last;
    while ((this.to[i] ?? 0) <= clock) i++;
    const into = clock - (this.from[i] ?? 0);
    return this.opened(i) + (into > 0 ? into : 0);
  }
  /** The moment at which work begins that has so many open seconds before it. */
  startOf(open: number): number {
    if (this.always) return open;
    let i = this.byOpen[open >> BUCKET] ?? this.last;
    while (i < this.last && this.opened(i + 1) <= open) i++;
    return (this.from[i] ?? 0) + open - this.opened(i);
  }
  /** The moment at which work ends that ends with so many open seconds. */
  endOf(open: number): number {
    if (this.always) return open > 0 ? open : 0;
    if (open <= 0) return this.from[0] ?? 0;
    let i = this.byOpen[(open - 1) >> BUCKET] ?? this.last;
    while (i < this.last && this.opened(i + 1) < open) i++;
    return (this.from[i] ?? 0) + open - this.opened(i);
  }
  /** The stretches on the clock between two moments in open seconds. */
  stretches(fromOpen: number, toOpen: number): [from: number, to: number][] {
    const made: [number, number][] = [];
    for (let at = fromOpen; at < toOpen;) {
      const from = this.startOf(at);
      const i = this.from.findIndex((_, n) => (this.to[n] ?? 0) > from);
      const until = Math.min(toOpen, this.opened(i) + this.length(i));
      made.push([from, from + until - at]);
      at = until;
    }
    return made;
  }
  /** Where a run begins at the earliest that may not pause: so many open seconds, all in one stretch. */
  inOneGo(open: number, lengthS: number): number {
    let i = this.byOpen[open >> BUCKET] ?? this.last;
    while (i < this.last && this.opened(i + 1) <= open) i++;
    let at = open;
    while (i < this.last && at + lengthS > this.opened(i + 1)) at = this.opened(++i);
    return at;
  }
}

/** About 34 years: whatever is on a board ends before. */
const FOR_EVER = 1 << 30;

/** Hours that were counted through already: a board is laid several times for one question. */
const counted = new WeakMap<object, { origin: At; time: OpenTime }>();
/** The open seconds of hours, counted once for the same hours and origin. */
export function openTimeOf(open: readonly (readonly [At, At])[], origin: At): OpenTime {
  const known = counted.get(open);
  if (known?.origin === origin) return known.time;
  const time = new OpenTime(open, origin);
  counted.set(open, { origin, time });
  return time;
}
