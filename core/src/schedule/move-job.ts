import type { Id } from '../quantity/figure';
import { putIntoGaps } from './gap';
import type { Laying, Order } from './laying';
import { type Piece, runBegins, type WayOn } from './pieces';

/* Moves as somebody thinks of them: more of a job goes along than one piece. */

/**
 * Moves a piece before or behind another; what its job does after it goes into the gaps that are then there. Alone, a piece that moves up would leave its followers
 * behind work that now ends later. False: it cannot stand there, or nothing would change.
 */
export function moveWithFollowers(laying: Laying, piece: Piece, other: Piece, side: 'before' | 'behind', way: WayOn = piece.way): boolean {
  if (!laying.moveBeside(piece, other, side, way)) return false;
  putIntoGaps(
    laying,
    behindInJob(piece).map((x) => x.id),
  );
  return true;
}
/** What a job does after a piece of it. */
function behindInJob(piece: Piece): Piece[] {
  const found = new Set<Piece>();
  const add = (x: Piece): void => {
    for (const f of x.followers)
      if (f.job === piece.job && !f.running && !found.has(f)) {
        found.add(f);
        add(f);
      }
  };
  add(piece);
  return [...found];
}

/**
 * An order in which a job goes before everything that does not run: each of its pieces comes where it would be if it had the machines for itself. What begins before
 * that stays there, so that no machine waits for what has to come.
 */
export function jobFirst(laying: Laying, job: Id<'job'>): Order {
  const order = laying.order();
  const begins = new Map(order.list.map((x) => [x, runBegins(x)]));
  const runs = new Map(order.list.flatMap((x) => (x.running ? [[x.way.machine, x] as const] : [])));
  laying.letGoHands();
  const wanted = needed(order.list, job);
  for (const x of order.list) {
    if (!wanted.has(x)) continue;
    laying.layBehind(x, x.way, runs.get(x.way.machine) ?? null, true);
    begins.set(x, runBegins(x));
  }
  const list = [...order.list].sort((a, b) => (begins.get(a) ?? 0) - (begins.get(b) ?? 0) || Number(wanted.has(b)) - Number(wanted.has(a)));
  return { ...order, list };
}
/** A job's pieces, and what they need. */
function needed(list: readonly Piece[], job: Id<'job'>): Set<Piece> {
  const wanted = new Set<Piece>();
  for (const x of [...list].reverse()) if (!x.running && (x.job.id === job || x.followers.some((f) => wanted.has(f)))) wanted.add(x);
  return wanted;
}
