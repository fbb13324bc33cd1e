import type { Laying } from './laying';
import type { Piece } from './pieces';

/** A piece before another of its machine: by how much the job would end sooner, and what the whole would then cost more or less. */
export interface Help {
  work: string;
  beside: string;
  soonerS: number;
  /** Of the whole board; below 0 it is cheaper. */
  money: number;
}

/** Tries at the most: more would keep who asks waiting. House rule. */
const MOST_TRIES = 8;
/** So far ahead on a machine a piece is taken. */
const FARTHEST = 3;

/**
 * What would let a job end sooner, found by trying it: along what fixes its end, each piece that waits for its machine is laid before the one it waits for, and before
 * those before that. Only what helps is told, the cheapest first; the board is left as it was. Source: none; trial on the board itself.
 */
export function whatHelps(laying: Laying, id: string): Help[] {
  const job = laying.jobs.find((j) => j.id === id);
  const helps: Help[] = [];
  if (!job) return helps;
  const [end, total] = [job.end, laying.total];
  let tries = 0;
  for (const x of chainOf(job.pieces)) {
    let before = x.by === x.prev ? x.prev : null;
    for (let n = 0; before && !before.running && n < FARTHEST && tries < MOST_TRIES; n++, before = before.prev) {
      // The same job twice on a machine keeps its own order.
      if (before.job === x.job) continue;
      tries++;
      if (!laying.moveBeside(x, before, 'before')) continue;
      const found = { work: x.id, beside: before.id, soonerS: end - job.end, money: laying.total - total };
      laying.undo();
      if (found.soonerS > 0) helps.push(found);
    }
  }
  return helps.sort((a, b) => a.money - b.money || b.soonerS - a.soonerS);
}

/** From the piece that ends last back along what fixed each start. */
function chainOf(pieces: readonly Piece[]): Piece[] {
  const chain: Piece[] = [];
  let x: Piece | null = pieces.reduce<Piece | null>((a, b) => (a && a.end >= b.end ? a : b), null);
  for (; x && !x.running; x = x.by) chain.push(x);
  return chain;
}
