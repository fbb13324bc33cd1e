import { feltBy } from './felt';
import { heldBy, heldOutside } from './laying';
import { HOUR_S } from './piece-money';
import type { Piece } from './pieces';

/**
 * What moving a piece before or behind another on its machine is thought to cost, without laying anything: change-overs, and what each piece of that machine that
 * ends at another time is felt to cost. null: it cannot be told (a bench, shared people), or what runs would be passed.
 *
 * Formula: pieces between the two places one after another in their new order, each not before what holds it; Σ change-overs more × rate + Σ seconds later ×
 * what one costs in its job; of the piece behind them all that waits for it. Source: estimates by heads and tails (Taillard 1994), from memory, for money.
 */
export function estimateMove(piece: Piece, other: Piece, side: 'before' | 'behind'): number | null {
  const { machine } = piece.way;
  if (machine.places > 1 || machine.hands) return null;
  const order = orderOf(piece, other, side);
  const [first] = order;
  const last = order.at(-1);
  if (!first || !last) return null;
  const isUp = first === piece;
  const before = isUp ? order[1]?.prev : piece.prev;
  const behind = isUp ? piece.next : last === piece ? order.at(-2)?.next : null;
  let [free, stands, cost] = [before ? before.endAt : machine.freeAt, before ? before.stands : machine.stands, 0];
  const add = (x: Piece, isLast: boolean): void => {
    const { s, then } = machine.setUps.step(stands, x.way.wants);
    const leadS = s + x.way.makeReadyS;
    let runAt = Math.max(free + leadS, heldOutside(x, leadS));
    for (const link of x.links) runAt = Math.max(runAt, heldBy(link, x));
    [free, stands] = [runAt + x.way.runS, then];
    cost += ((leadS - x.leadS) * machine.setupRate) / HOUR_S + feltBy(isLast ? x.behind : x.inJob, machine.time.endOf(free) - x.end);
  };
  for (const x of order) add(x, false);
  if (behind) add(behind, true);
  return cost;
}

/** The pieces from the one place to the other as they would then stand; none where that cannot be. */
function orderOf(piece: Piece, other: Piece, side: 'before' | 'behind'): Piece[] {
  const between: Piece[] = [];
  if (piece.at > other.at) {
    for (let x = side === 'before' ? other : other.next; x !== piece; x = x.next) {
      if (!x || x.running) return [];
      between.push(x);
    }
    return between.length > 0 ? [piece, ...between] : [];
  }
  const until = side === 'before' ? other : other.next;
  for (let x = piece.next; x !== until; x = x.next) {
    if (!x) return [];
    between.push(x);
  }
  return between.length > 0 ? [...between, piece] : [];
}
