import { feltBy, meet, reset } from './felt';
import type { Hands } from './hands';
import { followsFrom } from './overlap';
import { HOUR_S, isMoved, lateCost, lateMoney, liesTooLong, movePrice } from './piece-money';
import { type JobOn, type LinkOn, type MachineOn, type Piece, runBegins, type WayOn } from './pieces';
import { BREACH_PER_HOUR, type MovePrice } from './problem';

/** After so many pieces laid again a move that is plainly too dear is given up. Measured: docs/measurements.md. */
const PROBE = 12;

/** What a board is judged by: its money, or the moment at which the last work ends. */
export type Goal = 'money' | 'lastEnd';

/** An order of all pieces, each after what it needs, and the way of each by its number. */
export interface Order {
  list: Piece[];
  ways: WayOn[];
}
/** What a piece has from where it lies. */
type AsLaid = Pick<Piece, 'runAt' | 'endAt' | 'leadS' | 'start' | 'end' | 'stands' | 'slots' | 'by' | 'cost'>;
/** A piece as it was before a move. */
type Saved = AsLaid & { piece: Piece };
/** The last move, to be taken back. */
interface Move {
  from: number;
  old: Piece[];
  piece: Piece;
  way: WayOn;
  total: number;
  taken: Hands['taken'][];
}

/**
 * Work laid in the order of one list, each piece as early as its machine, its links, its gates and its people let it. A move changes the list or a way; only
 * what it touches is laid again, and it can be taken back to the bit.
 */
export class Laying {
  /** Money with breaches, or seconds to the last end. */
  total = 0;
  /** A move that would come above this may be given up as soon as that is plain. */
  limit = Infinity;
  private stamp = 0;
  private pending = 0;
  /** From this place of the list on nothing is laid while a stretch before it is bettered; whose stretch that is. */
  private until = Infinity;
  private stretch = 0;
  private readonly trail: Saved[] = [];
  private trailed = 0;
  private touched: { job: JobOn; cost: number; end: number }[] = [];
  private move: Move | null = null;
  /** The way of each piece, by its number. */
  private readonly ways: WayOn[] = [];
  private readonly crews: readonly Hands[];
  /** So many stand first that run already, and are never moved. */
  readonly fixed: number;

  constructor(
    readonly list: Piece[],
    readonly jobs: readonly JobOn[],
    readonly machines: readonly MachineOn[],
    private readonly price: MovePrice,
    readonly goal: Goal = 'money',
  ) {
    this.crews = [...new Set(machines.flatMap((m) => m.hands ?? []))];
    this.fixed = list.filter((x) => x.running).length;
    this.layAll({ list: list.slice(), ways: [] });
  }

  /** Lays everything anew in a given order, each piece on its way there. */
  layAll({ list, ways }: Order): void {
    this.until = Infinity;
    for (const machine of this.machines) machine.first = machine.tail = null;
    list.forEach((piece, i) => {
      const way = ways[piece.nr] ?? piece.way;
      this.list[i] = piece;
      [piece.at, piece.way, piece.dirty] = [i, way, false];
      this.ways[piece.nr] = way;
      this.append(piece);
    });
    this.pending = 0;
    this.letGoHands();
    for (const piece of this.list) this.lay(piece);
    for (const job of this.jobs) this.reckon(job);
    this.total = this.sum();
    this.move = null;
  }
  /** The order and ways as they are, to be laid again. */
  order(): Order {
    return { list: this.list.slice(), ways: this.ways.slice() };
  }

  /**
   * Puts the list in the order in which the runs begin, where that changes nothing of the board: neighbours in time are then neighbours in the list, and a move
   * takes a short stretch of it. Not while a stretch is bettered: what comes behind it is not laid.
   */
  sortByTime(): void {
    if (this.until < Infinity) return;
    const [before, total] = [this.order(), this.total];
    const begins = new Map(this.list.map((x) => [x, runBegins(x)]));
    const list = [...before.list].sort((a, b) => (begins.get(a) ?? 0) - (begins.get(b) ?? 0));
    this.layAll({ list, ways: before.ways });
    // On a bench what begins later may have taken its place before.
    if (this.total > total + 1e-6) this.layAll(before);
  }

  /**
   * From now on only what stands before a place of the list is laid. What comes right behind it is felt: by when it would end, its slack, and what a second more
   * of it costs (`feel`). Until everything is laid anew.
   */
  layUntil(place: number): void {
    this.until = place;
    this.stretch++;
  }

  /** Nobody is at work from a place of the list on: what is laid next takes people anew. */
  letGoHands(from = 0): void {
    for (const crew of this.crews) crew.letGoFrom(from);
  }
  /** Lays a piece behind another of a machine (null: as its first), while a board is built; a try takes no people. */
  layBehind(piece: Piece, way: WayOn, prev: Piece | null, isTry = false): void {
    const taken = way.machine.hands?.taken.length ?? 0;
    piece.way = way;
    piece.prev = prev;
    this.lay(piece);
    if (isTry && way.machine.hands) way.machine.hands.taken.length = taken;
  }

  /** Moves a piece before or behind another in the list, with what it needs or what needs it in between. False: it would turn in a circle, or nothing would change. */
  moveBeside(piece: Piece, other: Piece, side: 'before' | 'behind', way = piece.way): boolean {
    const isUp = piece.at > other.at;
    const from = isUp ? (side === 'before' ? other.at : other.at + 1) : piece.at;
    const until = isUp ? piece.at : side === 'before' ? other.at - 1 : other.at;
    if (piece === other || piece.running || from < this.fixed || (from >= until && way === piece.way)) return false;
    const stamp = ++this.stamp;
    piece.stamp = stamp;
    const mine = isUp ? this.needed(from, until, stamp) : this.needing(from, until, stamp);
    // The other would have to go along.
    if (other.stamp === stamp) return false;
    const old = this.list.slice(from, until + 1);
    const rest = old.filter((x) => x.stamp !== stamp);
    return this.change(from, old, isUp ? [...mine, ...rest] : [...rest, ...mine], piece, way);
  }
  /** Lays a piece on another machine, at its place of the list. */
  moveTo(piece: Piece, way: WayOn): boolean {
    if (piece.running || way === piece.way) return false;
    return this.change(piece.at, [piece], [piece], piece, way);
  }
  /** Takes the last move back. */
  undo(): void {
    const { move } = this;
    if (!move) return;
    this.relink(move.from, move.old, move.piece, move.way, false);
    while (this.trailed > 0) {
      const saved = this.trail[--this.trailed];
      if (saved) copyLaid(saved, saved.piece);
    }
    // Where it was given up some are marked still.
    for (let i = move.from; this.pending > 0; i++) {
      const x = this.list[i];
      if (!x) break;
      if (!x.dirty) continue;
      x.dirty = false;
      x.felt = 0;
      this.pending--;
    }
    for (const { job, cost, end } of this.touched) [job.cost, job.end] = [cost, end];
    this.touched = [];
    this.crews.forEach((crew, i) => (crew.taken = move.taken[i] ?? []));
    this.total = move.total;
    this.move = null;
  }

  /** What a piece needs, directly or not, in a stretch of the list that ends with it. */
  private needed(from: number, until: number, stamp: number): Piece[] {
    const mine: Piece[] = [];
    for (let i = until; i >= from; i--) {
      const x = this.list[i];
      if (!x || (x.stamp !== stamp && !isAnyStamped(x.followers, stamp))) continue;
      x.stamp = stamp;
      mine.push(x);
    }
    return mine.reverse();
  }
  /** What needs a piece, directly or not, in a stretch of the list that begins with it. */
  private needing(from: number, until: number, stamp: number): Piece[] {
    const mine: Piece[] = [];
    for (let i = from; i <= until; i++) {
      const x = this.list[i];
      if (!x || (x.stamp !== stamp && !isAnyStamped(x.makers, stamp))) continue;
      x.stamp = stamp;
      mine.push(x);
    }
    return mine;
  }

  private change(from: number, old: Piece[], now: Piece[], piece: Piece, way: WayOn): boolean {
    const taken = this.crews.map((crew) => crew.taken);
    this.trailed = 0;
    this.touched = [];
    this.move = { from, old, piece, way: piece.way, total: this.total, taken };
    // People are taken in the order of the list: whoever shares them behind the change is laid again.
    for (const crew of this.crews) crew.letGoFrom(from);
    this.relink(from, now, piece, way, true);
    if (this.crews.length > 0)
      for (let i = from; i < Math.min(this.until, this.list.length); i++) {
        const x = this.list[i];
        if (x?.way.machine.hands) this.mark(x);
      }
    if (this.settle(from)) return true;
    this.undo();
    return false;
  }

  /** Puts pieces at their places of the list and in their order on their machines; marks what has another piece before it now. */
  private relink(from: number, now: readonly Piece[], piece: Piece, way: WayOn, marks: boolean): void {
    const stamp = ++this.stamp;
    const met: MachineOn[] = [];
    for (let i = from; i < from + now.length; i++) {
      const x = this.list[i];
      if (!x) continue;
      const { machine } = x.way;
      if (machine.stamp !== stamp) {
        machine.stamp = stamp;
        machine.tail = x.prev;
        met.push(machine);
      }
      machine.after = x.next;
    }
    if (way !== piece.way) {
      const { machine } = way;
      if (machine.stamp !== stamp) {
        machine.stamp = stamp;
        machine.tail = this.lastBefore(from, machine);
        machine.after = machine.tail ? machine.tail.next : machine.first;
        met.push(machine);
      }
      piece.way = way;
      this.ways[piece.nr] = way;
      if (marks) this.mark(piece);
    }
    now.forEach((x, i) => {
      this.list[from + i] = x;
      x.at = from + i;
      if (this.append(x) && marks) this.mark(x);
    });
    for (const machine of met) {
      const { tail, after } = machine;
      if (tail) tail.next = after;
      else machine.first = after;
      if (after && after.prev !== tail) {
        after.prev = tail;
        if (marks) this.mark(after);
      }
    }
  }
  private lastBefore(place: number, machine: MachineOn): Piece | null {
    for (let i = place - 1; i >= 0; i--) {
      const x = this.list[i];
      if (x?.way.machine === machine) return x;
    }
    return null;
  }
  /** Hangs a piece behind the last of its machine. True: another stood before it. */
  private append(x: Piece): boolean {
    const { machine } = x.way;
    const { tail } = machine;
    const isOther = x.prev !== tail;
    x.prev = tail;
    x.next = null;
    if (tail) tail.next = x;
    else machine.first = x;
    machine.tail = x;
    return isOther;
  }

  private mark(x: Piece): void {
    if (x.dirty) return;
    x.dirty = true;
    this.pending++;
  }
  /**
   * Lays again what is marked, and what that touches, down the list. False: after some pieces it is plain that the whole would come above the limit; what is not
   * laid again yet is then only thought of.
   */
  private settle(from: number): boolean {
    const stamp = ++this.stamp;
    const isProbed = this.limit < Infinity;
    let [laid, probe] = [0, this.total];
    for (let i = from; this.pending > 0; i++) {
      const x = this.list[i];
      if (!x) break;
      if (!x.dirty) continue;
      x.dirty = false;
      this.pending--;
      const was = this.save(x);
      if (i >= this.until) {
        this.layBeyond(x);
        this.total += x.cost - was.cost;
        continue;
      }
      this.lay(x);
      this.total += x.cost - was.cost;
      const isSame =
        x.runAt === was.runAt && x.endAt === was.endAt && x.end === was.end && x.start === was.start && x.stands === was.stands;
      if (isProbed) probe += x.cost - was.cost - x.felt;
      x.felt = 0;
      if (isSame && x.slots === was.slots && x !== this.move?.piece) continue;
      if (isProbed) {
        probe += lateCost(x, x.end) - lateCost(x, was.end) + this.feltBehind(x, was);
        if (++laid >= PROBE && this.pending > 0 && probe > this.limit) return false;
      }
      if (x.next) this.mark(x.next);
      for (const f of x.followers) this.mark(f);
      if (x.job.stamp === stamp) continue;
      x.job.stamp = stamp;
      this.touched.push({ job: x.job, cost: x.job.cost, end: x.job.end });
    }
    for (const { job, cost } of this.touched) {
      this.reckon(job);
      this.total += job.cost - cost;
    }
    if (this.goal === 'lastEnd') this.total = this.sum();
    return true;
  }
  /** Lays a piece behind the stretch that is bettered; what follows it is felt against where it ended when that began. */
  private layBeyond(x: Piece): void {
    if (x.stretch !== this.stretch) {
      x.stretch = this.stretch;
      x.endedAt = x.end;
    }
    this.layBehind(x, x.way, x.prev, true);
    const byS = x.end - x.endedAt;
    x.felt = 0;
    x.cost += feltBy(x.behind, byS);
  }
  /** What follows a piece that ends at another time is thought to cost; kept there until it is laid again itself. */
  private feltBehind(x: Piece, was: Saved): number {
    const byS = x.end - was.end;
    let sum = 0;
    const { next } = x;
    if (next) sum += feltAt(next, x, byS, next.runAt - next.leadS - was.endAt);
    for (const f of x.followers) sum += feltAt(f, x, byS, f.by === x ? 0 : f.start + f.leadS - was.end);
    return sum;
  }
  /** Feels anew, from the end of the list, by how much each piece may end later before it costs, and what a second more costs then. */
  feel(from = 0): void {
    for (let i = Math.min(this.until, this.list.length) - 1; i >= from; i--) {
      const x = this.list[i];
      if (!x) continue;
      const { next, inJob, behind } = x;
      reset(inJob);
      reset(behind);
      for (const { at, share } of x.dues) meet(inJob, Math.max(0, at - x.end), (share * x.job.latePerHour) / HOUR_S, true);
      for (const f of x.followers)
        meet(inJob, (f.by === x ? 0 : Math.max(0, f.start + f.leadS - x.end)) + f.behind.slackS, f.behind.worth, f.by === x);
      meet(behind, inJob.slackS, inJob.worth, true);
      // What follows in its job on the same machine is felt already.
      if (next && !x.followers.includes(next))
        meet(behind, Math.max(0, next.runAt - next.leadS - x.endAt) + next.behind.slackS, next.behind.worth, next.by === x);
    }
  }
  private save(piece: Piece): Saved {
    const place = (this.trail[this.trailed++] ??= savedOf(piece));
    place.piece = piece;
    copyLaid(piece, place);
    return place;
  }

  /** Lays one piece behind what stands before it: the latest of what holds its bar, its make-ready and its run. */
  lay(x: Piece): void {
    const { way, prev } = x;
    const { machine, makeReadyS, runS } = way;
    const { time } = machine;
    if (x.running) {
      x.leadS = 0;
      x.start = x.running.start;
      x.endAt = x.running.endAt;
      x.runAt = x.endAt - runS;
      x.end = time.endOf(x.endAt);
      x.stands = machine.setUps.step(prev ? prev.stands : machine.stands, way.wants).then;
      x.slots = machine.places > 1 ? slotsAfter(x, x.endAt) : null;
      x.by = null;
      x.cost = 0;
      if (machine.hands) takeHands(x, machine.hands, 0);
      return;
    }
    const { s: changeS, then } = machine.setUps.step(prev ? prev.stands : machine.stands, way.wants);
    const leadS = changeS + makeReadyS;
    x.stands = then;
    x.leadS = leadS;
    x.by = prev;
    const free = machine.places > 1 ? freeSlot(x) : prev ? prev.endAt : machine.freeAt;
    if (free <= machine.freeAt) x.by = null;
    let runAt = free + leadS;
    const outside = heldOutside(x, leadS);
    if (outside > runAt) [runAt, x.by] = [outside, null];
    for (const link of x.links) {
      const held = heldBy(link, x);
      if (held <= runAt) continue;
      runAt = held;
      x.by = link.of;
    }
    if (x.inOneGo) runAt = time.inOneGo(runAt, runS);
    if (machine.hands) runAt = this.withHands(x, machine.hands, runAt, leadS);
    x.runAt = runAt;
    x.endAt = runAt + runS;
    x.start = time.startOf(runAt - leadS);
    x.end = time.endOf(x.endAt);
    x.slots = machine.places > 1 ? slotsAfter(x, x.endAt) : null;
    x.cost = this.goal === 'lastEnd' ? 0 : this.costOf(x, changeS);
  }
  /** From when on enough people are left; takes them. */
  private withHands(x: Piece, crew: Hands, from: number, leadS: number): number {
    const { hands, runS, machine } = x.way;
    const { time } = machine;
    // More than there ever are: it is named, and laid without.
    if (hands > crew.most) return from;
    let runAt = from;
    for (;;) {
      let until: number | null = null;
      for (const [a, b] of time.stretches(runAt - leadS, runAt + runS)) until ??= crew.lackUntil(a, b, hands);
      if (until === null) break;
      runAt = time.openBefore(until) + leadS;
      if (x.inOneGo) runAt = time.inOneGo(runAt, runS);
    }
    x.endAt = runAt + runS;
    takeHands(x, crew, runAt - leadS);
    return runAt;
  }
  /** Money that stands with a piece: its change-over, its way, that it was moved, and what cannot hold. */
  private costOf(x: Piece, changeS: number): number {
    let cost = (changeS * x.way.machine.setupRate) / HOUR_S + x.way.extra;
    if (x.was && isMoved(x.was, x.way.machine.id, x.start)) cost += movePrice(x.was.start, this.price);
    let breachS = x.pinned === null ? 0 : x.start - x.pinned;
    for (const link of x.links) if (link.longestS !== null) breachS += liesTooLong(link, x.way.machine.time.startOf(x.runAt));
    if (breachS > 0) cost += (breachS * BREACH_PER_HOUR) / HOUR_S;
    return cost;
  }
  private reckon(job: JobOn): void {
    let [first, end] = [Infinity, 0];
    for (const x of job.pieces) {
      if (x.start < first) first = x.start;
      if (x.end > end) end = x.end;
    }
    job.end = end;
    if (this.goal === 'lastEnd') return;
    job.cost = lateMoney(job) + (Math.max(end - first, 0) * job.heldPerHour) / HOUR_S;
  }
  private sum(): number {
    if (this.goal === 'lastEnd') return this.jobs.reduce((end, job) => Math.max(end, job.end), 0);
    return this.list.reduce((sum, x) => sum + x.cost, 0) + this.jobs.reduce((sum, job) => sum + job.cost, 0);
  }
}

function isAnyStamped(pieces: readonly Piece[], stamp: number): boolean {
  for (const piece of pieces) if (piece.stamp === stamp) return true;
  return false;
}
/** Takes the people of a piece from an open second to its end. */
function takeHands(x: Piece, crew: Hands, from: number): void {
  const { hands, machine } = x.way;
  if (hands > 0) for (const [a, b] of machine.time.stretches(from, x.endAt)) crew.taken.push({ from: a, to: b, hands, of: x });
}

const savedOf = (piece: Piece): Saved => {
  const { runAt, endAt, leadS, start, end, stands, slots, by, cost } = piece;
  return { piece, runAt, endAt, leadS, start, end, stands, slots, by, cost };
};
function copyLaid(from: AsLaid, onto: AsLaid): void {
  onto.runAt = from.runAt;
  onto.endAt = from.endAt;
  onto.leadS = from.leadS;
  onto.start = from.start;
  onto.end = from.end;
  onto.stands = from.stands;
  onto.slots = from.slots;
  onto.by = from.by;
  onto.cost = from.cost;
}

/** Open seconds before which gates and pins let no run begin, behind a change-over and make-ready of so long. */
export function heldOutside({ isHeld, barFrom, makeReadyFrom, runFrom, way: { machine, makeReadyS } }: Piece, leadS: number): number {
  if (!isHeld) return 0;
  const { time } = machine;
  return Math.max(
    time.openBefore(barFrom) + leadS,
    time.openBefore(makeReadyFrom) + makeReadyS,
    runFrom > 0 ? time.openBefore(runFrom) : 0,
  );
}
/** Open seconds before which a link lets no run begin. */
export function heldBy({ of, by, waitS, batch }: LinkOn, { way, leadS }: Piece): number {
  const { time } = way.machine;
  if (by === 'forms') return time.openBefore(of.end + waitS) + way.makeReadyS;
  if (by === 'order') return time.openBefore(of.end + waitS) + leadS;
  if (batch === null) return time.openBefore(of.end + waitS);
  return followsFrom({ time: of.way.machine.time, at: of.runAt, runS: of.way.runS }, of.pieces, batch, waitS, time, way.runS);
}

/** What a piece is thought to cost when one that it waits for ends later or sooner; returns by how much that is more than was thought. */
function feltAt(x: Piece, before: Piece, byS: number, gapS: number): number {
  const costs =
    byS > 0
      ? Math.max(0, byS - Math.max(gapS, 0) - x.behind.slackS) * x.behind.worth
      : x.by === before && x.behind.slackS <= 0
        ? byS * x.behind.worth
        : 0;
  if (x.dirty && costs <= x.felt) return 0;
  const more = x.dirty ? costs - x.felt : costs;
  x.felt = costs;
  return more;
}

/** The first place of a bench that is free, and what its places are after that. */
const slotsBefore = ({ prev, way: { machine } }: Piece): number[] => prev?.slots ?? new Array<number>(machine.places).fill(machine.freeAt);
const freeSlot = (x: Piece): number => Math.min(...slotsBefore(x));
function slotsAfter(x: Piece, endAt: number): number[] {
  const slots = [...slotsBefore(x)];
  slots[slots.indexOf(Math.min(...slots))] = endAt;
  return slots;
}
