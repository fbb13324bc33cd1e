import { layingOf } from './judge';
import { lateMoney } from './piece-money';
import { piecesOf } from './pieces';
import type { Problem } from './problem';

/**
 * Money below which no board of this work comes: each job as if it had every machine for itself, from the moment that machine is free, with nothing to change over.
 *
 * Formula: Σ over deliveries of hours late when alone × what they cost. What is held, changed over and dearer is left out, so it says "at least". Source: relaxation
 * of the machines (standard).
 */
export function leastMoney(p: Problem): number {
  const lanes = Object.fromEntries(Object.entries(p.lanes).map(([id, lane]) => [id, { ...lane, change: [] }]));
  const alone = { ...p, lanes, crews: {} };
  const of = piecesOf(alone);
  const laying = layingOf(of, alone);
  for (const x of of.pieces) {
    let best = x.ways[0];
    let end = Infinity;
    for (const way of x.ways) {
      laying.layBehind(x, way, null);
      if (x.end < end) [best, end] = [way, x.end];
    }
    if (best) laying.layBehind(x, best, null);
  }
  return of.jobs.reduce((sum, job) => sum + lateMoney(job), 0);
}
