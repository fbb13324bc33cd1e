import { requireAboveZero } from '../quantity/errors';
import { ceilTolerant } from '../quantity/round-tolerant';

/** Terms on which a stock is sold. */
export interface SaleTerms {
  /** Price per thousand, from a quantity on; ascending. */
  breaks: readonly (readonly [from: number, perThousand: number])[];
  /** Sold in packs of so many (a ream, a full pallet). */
  packOf?: number | undefined;
  /** Smallest making the mill takes an order for. */
  leastOrder?: number | undefined;
}
export interface Purchase {
  quantity: number;
  cost: number;
  perThousand: number;
  /** More than was needed, because a price break makes the larger order the cheaper one. */
  atBreak: boolean;
}

/**
 * The price per thousand at the highest break a number reaches; the first where it reaches none.
 * @example priceAt([[0, 0.12], [5_000, 0.1]], 6_000) // 0.1
 */
export function priceAt(breaks: SaleTerms['breaks'], number: number): number {
  return [...breaks].reverse().find(([from]) => number >= from)?.[1] ?? breaks[0]?.[1] ?? 0;
}

/**
 * What to order so that a need is covered for the least money: the need in whole packs, or the next quantity from which the price falls, where that costs less.
 *
 * Formula: the least of q · p(q) / 1000 over q = the need and every break above it, each rounded up to packs and to the least order.
 * Source: arithmetic over a price list. Equal costs: the smaller order.
 * Leaves out: what storing the rest costs.
 *
 * @throws OutOfRange a need not above 0
 * @example purchaseFor(4_600, { breaks: [[0, 100], [5_000, 80]] }).quantity // 5000 (at 80 a thousand: 400 instead of 460)
 */
export function purchaseFor(need: number, { breaks, packOf = 1, leastOrder = 0 }: SaleTerms): Purchase {
  requireAboveZero('need', need);
  const packed = (q: number): number => ceilTolerant(Math.max(q, leastOrder) / packOf) * packOf;
  const plain = packed(need);
  const candidates = [plain, ...breaks.map(([from]) => packed(from)).filter((q) => q > plain)];
  return candidates
    .map((quantity): Purchase => {
      const perThousand = priceAt(breaks, quantity);
      return { quantity, perThousand, cost: (quantity * perThousand) / 1000, atBreak: quantity > plain };
    })
    .reduce((best, one) => (one.cost < best.cost ? one : best));
}

/** What a stock runs short of, day by day: when free stock no longer covers the needs, and by how much until then and after all of them. */
export interface Shortage {
  /** What all needs together lack. */
  short: number;
  /** The moment of the first need that is not covered, epoch seconds. */
  firstByS: number;
  /** The latest moment to order. */
  orderByS: number;
}

/**
 * Runs the needs of a stock in the order of their moments against what is free.
 *
 * Formula: the first need whose running sum exceeds the free quantity names the moment; it is ordered its lead time before.
 * Source: arithmetic. Null: everything is covered.
 * @example shortageOf(500, [{ quantity: 800, byS: 0 }], 2) // { short: 300, firstByS: 0, orderByS: -172800 }
 */
export function shortageOf(free: number, needs: readonly { quantity: number; byS: number }[], leadDays: number): Shortage | null {
  let left = free;
  let first: number | null = null;
  for (const need of [...needs].sort((a, b) => a.byS - b.byS)) {
    left -= need.quantity;
    if (left < 0) first ??= need.byS;
  }
  return first === null ? null : { short: -left, firstByS: first, orderByS: first - leadDays * 86_400 };
}
