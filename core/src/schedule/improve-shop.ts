import { portableExp, portableLog } from '../quantity/portable-math';
import { seeded } from '../quantity/seeded';
import type { Searched } from './improve';
import type { Laying } from './laying';
import type { Piece } from './pieces';

const FIRST_ROUND = 300_000;
const ROUND_GROWS = 3;
/** It cools from this share of the whole to a few seconds. Measured on the published cases: docs/measurements.md. */
const START_SHARE = 0.02;
const COLDEST_S = 2.5;
/** Of the moves this share takes a piece to an end of its block. */
const AT_BLOCK = 0.2;
const TELL_EVERY = 10_000;

/**
 * Shortens a plain job shop: neighbours on a machine along a longest chain are exchanged, or a piece taken to an end of its block, annealed; it stops where
 * nothing can be shorter. What an exchange comes to at the least is estimated from how
 * long each piece's longest chains before and behind it are; only one that could be taken is laid.
 *
 * Source: van Laarhoven, Aarts, Lenstra 1992 (exchange of critical pairs never turns in a circle); ends of blocks: Balas and Vazacopoulos 1998; estimate by
 * heads and tails: Taillard 1994. All from memory.
 */
export function improveShop(laying: Laying, seed: number, moves: number, tell: (searched: Searched) => boolean = () => true): Searched {
  const random = seeded(seed);
  let best = { total: laying.total, order: laying.order() };
  let done = 0;
  const bound = shopBound(laying);
  for (let round = FIRST_ROUND; done < moves && best.total > bound; round *= ROUND_GROWS) {
    const length = Math.min(round, moves - done);
    let temperature = Math.max(best.total * START_SHARE, COLDEST_S);
    const cools = portableExp(portableLog(COLDEST_S / temperature) / length);
    let tails = tailsOf(laying);
    let pairs = criticalPairs(laying, tails);
    for (let i = 0; i < length && best.total > bound; i++) {
      const second = pairs[Math.floor(random() * pairs.length)];
      const allowed = -temperature * portableLog(random());
      temperature *= cools;
      done++;
      // No pair waits on a machine: nothing is shorter than the longest job.
      if (!second?.prev) return { done, total: best.total };
      const before = laying.total;
      const other = random() < AT_BLOCK ? blockEnd(second, pairs, random() < 0.5) : null;
      const isTried = other
        ? laying.moveBeside(other.piece, other.beside, other.side)
        : estimate(second.prev, second, tails) - before <= allowed && laying.moveBeside(second, second.prev, 'before');
      if (isTried) {
        if (laying.total - before > allowed) laying.undo();
        else {
          if (laying.total < best.total) best = { total: laying.total, order: laying.order() };
          tails = tailsOf(laying, tails);
          pairs = criticalPairs(laying, tails);
        }
      }
      if (done % TELL_EVERY === 0 && !tell({ done, total: best.total })) {
        laying.layAll(best.order);
        return { done, total: best.total };
      }
    }
    laying.layAll(best.order);
  }
  return { done, total: best.total };
}

/** No schedule is shorter: the longest job; all of a machine behind the least that comes before any of it, before the least that comes after. Source: one-machine bound. */
export function shopBound({ list, jobs, machines }: Laying): number {
  const [heads, tails] = [new Map<Piece, number>(), new Map<Piece, number>()];
  for (const x of list) heads.set(x, Math.max(0, ...x.links.map(({ of }) => (heads.get(of) ?? 0) + of.way.runS)));
  for (const x of [...list].reverse()) tails.set(x, Math.max(0, ...x.followers.map((f) => (tails.get(f) ?? 0) + f.way.runS)));
  const ofJobs = jobs.map((job) => job.pieces.reduce((sum, x) => sum + x.way.runS, 0));
  const ofMachines = machines.map((machine) => {
    const mine = list.filter((x) => x.way.machine === machine);
    const least = (of: Map<Piece, number>): number => Math.min(...mine.map((x) => of.get(x) ?? 0));
    return mine.length === 0 ? 0 : least(heads) + mine.reduce((sum, x) => sum + x.way.runS, 0) + least(tails);
  });
  return Math.max(0, ...ofJobs, ...ofMachines);
}

/** A piece to the front of its block of pieces that wait for one another, or the one before it to the end; null: that is the plain exchange. */
function blockEnd(
  second: Piece,
  pairs: readonly Piece[],
  toFront: boolean,
): { piece: Piece; beside: Piece; side: 'before' | 'behind' } | null {
  let beside: Piece = second;
  if (toFront) {
    while (beside.prev && pairs.includes(beside)) beside = beside.prev;
    return beside === second.prev ? null : { piece: second, beside, side: 'before' };
  }
  while (beside.next && pairs.includes(beside.next)) beside = beside.next;
  return beside === second || !second.prev ? null : { piece: second.prev, beside, side: 'behind' };
}

/** How long it takes from the end of each piece to the end of all, at the least; by its number. */
type Tails = Int32Array;

function tailsOf({ list }: Laying, tails: Tails = new Int32Array(list.length)): Tails {
  for (let i = list.length - 1; i >= 0; i--) {
    const x = list[i];
    if (!x) continue;
    let tail = behind(x.next, tails);
    for (const f of x.followers) tail = Math.max(tail, behind(f, tails));
    tails[x.nr] = tail;
  }
  return tails;
}
const behind = (x: Piece | null | undefined, tails: Tails): number => (x ? x.way.runS + (tails[x.nr] ?? 0) : 0);
const endOf = (x: Piece | null | undefined): number => x?.end ?? 0;

/** Pieces on a longest chain that wait for the one before them on their machine. */
const criticalPairs = ({ list, total }: Laying, tails: Tails): Piece[] =>
  list.filter((x) => x.prev && x.end + (tails[x.nr] ?? 0) === total && x.prev.end === x.start);

/** The longest chain through a pair once it is exchanged, at the least. */
function estimate(first: Piece, second: Piece, tails: Tails): number {
  const secondEnd = Math.max(endOf(first.prev), endOf(second.links[0]?.of)) + second.way.runS;
  const firstEnd = Math.max(secondEnd, endOf(first.links[0]?.of)) + first.way.runS;
  const firstTail = Math.max(behind(second.next, tails), behind(first.followers[0], tails));
  const secondTail = Math.max(firstTail + first.way.runS, behind(second.followers[0], tails));
  return Math.max(secondEnd + secondTail, firstEnd + firstTail);
}
