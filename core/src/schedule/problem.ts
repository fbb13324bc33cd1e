import type { Id } from '../quantity/figure';

/* What stands on the board: machines with their hours, work with its links, orders with their dates. Moments are whole seconds, UTC. */

/** A moment: seconds since 1970, whole. */
export type At = number;

/** What changing a key costs between two pieces of work on a machine. */
export interface KeyChange {
  key: string;
  s: number;
  /** Where the key is an ink and a lighter one follows. */
  lighterS?: number;
  /** It is a part of make-ready that is spared where the same stands: set as well where nothing is known to stand in the machine. */
  isSet?: true;
}
/** A machine's row on the board. */
export interface Lane {
  name: string;
  /** When it is open, sorted, apart from one another. Empty: no hours are known. */
  open: readonly (readonly [from: At, to: At])[];
  /** What stands in it now, by key. */
  keys: Readonly<Record<string, string>>;
  freeAt: At;
  /** So many pieces of work at once: 1 for a machine, more for a bench or a supplier. Only a machine of one has change-overs. */
  places: number;
  /** Money an hour while it is changed over. */
  setupRate: number;
  change: readonly KeyChange[];
}
/** People shared by machines: so many are present from when until when. */
export interface Crew {
  of: readonly Id<'machine'>[];
  present: readonly (readonly [from: At, to: At, hands: number])[];
}
/** What a piece of work needs of another: its forms before it is made ready, its pieces before it runs, or to follow it on the machine. */
export interface Link {
  of: Id<'work'>;
  by: 'forms' | 'pieces' | 'order';
  waitS: number;
  /** What is waited for: drying, cooling. */
  why: string;
  /** Pieces may lie no longer than this. */
  longestS?: number;
  /** Pieces of `of` that are handed on together; absent: all of them at the end. */
  batch?: number;
}
/** A machine on which it may be done. */
export interface Way {
  machine: Id<'machine'>;
  makeReadyS: number;
  runS: number;
  hands: number;
  /** Money above the cheapest way. */
  extra: number;
}
/** What somebody decided by hand. */
export interface Pin {
  /** The bar starts then. */
  start?: At;
  notBefore?: At;
  on?: Id<'machine'>;
  notOn?: readonly Id<'machine'>[];
  before?: Id<'work'>;
  by: string;
  why: string;
}
/** What must be there at a moment that is known: paper, an approval, a plate from outside. */
export interface Gate {
  key: string;
  at: At;
  holds: 'makeReady' | 'run';
}
export interface Work {
  job: Id<'job'>;
  step: Id<'step'>;
  name: string;
  pieces: number;
  ways: readonly [Way, ...Way[]];
  links: readonly Link[];
  keys: Readonly<Record<string, string>>;
  gates: readonly Gate[];
  /** It may not pause over closed hours. */
  inOneGo: boolean;
  pin?: Pin;
  state: 'quoted' | 'free' | 'running' | 'done';
  /** Running: since when, on its first way, and how much is left. */
  startedAt?: At;
  leftS?: number;
  /** Done: since when. */
  endedAt?: At;
}
/** So many pieces of a last step are wanted by then. */
export interface Due {
  work: Id<'work'>;
  pieces: number;
  at: At;
  /** Of the job, where its pieces are not those of its other deliveries; absent: its pieces among those of all. */
  share?: number;
}
export interface BoardJob {
  name: string;
  dues: readonly Due[];
  latePerHour: number;
  heldPerHour: number;
}
/** What a bar that is moved costs, by how soon it was to begin; what begins within `frozenS` stays. */
export interface MovePrice {
  shift: number;
  day: number;
  later: number;
  frozenS: number;
}
export interface Problem {
  asOf: At;
  lanes: Readonly<Record<Id<'machine'>, Lane>>;
  crews: Readonly<Record<Id<'crew'>, Crew>>;
  work: Readonly<Record<Id<'work'>, Work>>;
  jobs: Readonly<Record<Id<'job'>, BoardJob>>;
  moved: MovePrice;
}

/** A key that is changed before a bar. */
export interface Changed {
  key: string;
  from: string;
  to: string;
  s: number;
}
/** Work where it lies: change-over from `start`, make-ready, run; one block of open time. */
export interface Bar {
  work: Id<'work'>;
  machine: Id<'machine'>;
  start: At;
  makeReadyAt: At;
  runAt: At;
  end: At;
  changes: readonly Changed[];
}
/** What cannot all hold. */
export interface Breach {
  code: 'pin' | 'longestWait' | 'hands' | 'hours' | 'noWay' | 'circle' | 'gate';
  work: Id<'work'>;
  with?: Id<'work'>;
  /** By how much; 0 where it has no measure. */
  byS: number;
}
export type Money = Record<'late' | 'change' | 'ways' | 'held' | 'moved', number>;
/** A board and what it costs. */
export interface Judged {
  bars: readonly Bar[];
  money: Money;
  breaches: readonly Breach[];
}

/** An hour of a breach in the search: dearer than any lateness, so that it is the last to give way. House rule. */
export const BREACH_PER_HOUR = 500;

/** What a board costs in all, breaches not counted. @example moneyOf({ late: 10, change: 2, ways: 0, held: 1, moved: 0 }) // 13 */
export const moneyOf = ({ late, change, ways, held, moved }: Money): number => late + change + ways + held + moved;
