import fc from 'fast-check';
import { priceAt, purchaseFor, shortageOf } from './purchase';

const breaks: [number, number][] = [
  [0, 100],
  [5_000, 80],
  [20_000, 60],
];

test.each([
  // name, need, terms, quantity, cost, where the figures come from
  ['below the break where the larger order is cheaper', 4_600, {}, 5_000, 400, 'by hand: 4,600 at 100 is 460, 5,000 at 80 is 400'],
  ['far below the break', 1_000, {}, 1_000, 100, 'by hand: 5,000 at 80 would be 400'],
  ['just where both cost the same, the smaller', 4_000, {}, 4_000, 400, 'by hand: 4,000 at 100 is 400 too'],
  ['whole packs', 4_001, { packOf: 500 }, 5_000, 400, 'by hand: 4,500 at 100 is 450, 5,000 at 80 is 400'],
  ['the smallest making', 100, { leastOrder: 3_000 }, 3_000, 300, 'by hand: 3,000 at 100'],
])('%s', (_name, need, terms, quantity, cost, _source) => {
  expect(purchaseFor(need, { breaks, ...terms })).toMatchObject({ quantity, cost });
});

it('covers the need in whole packs, and no break above it is cheaper', () => {
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 50_000 }), fc.integer({ min: 1, max: 900 }), (need, packOf) => {
      const bought = purchaseFor(need, { breaks, packOf });
      expect(bought.quantity).toBeGreaterThanOrEqual(need);
      expect(bought.quantity % packOf).toBe(0);
      for (const [from] of breaks.filter(([f]) => f > need)) {
        const q = Math.ceil(from / packOf) * packOf;
        expect(bought.cost).toBeLessThanOrEqual((q * priceAt(breaks, q)) / 1000 + 1e-9);
      }
    }),
  );
});

it('refuses to buy nothing', () => {
  expect(() => purchaseFor(0, { breaks })).toThrow('above 0');
});

describe('what runs short', () => {
  const needs = [
    { quantity: 300, byS: 2_000_000 },
    { quantity: 500, byS: 1_000_000 },
  ];
  it('names the first need that is not covered, its lead time before, and what all lack', () => {
    // by hand: 600 − 500 = 100 left, 100 − 300 = −200 at the later one; 3 days are 259,200 s
    expect(shortageOf(600, needs, 3)).toEqual({ short: 200, firstByS: 2_000_000, orderByS: 2_000_000 - 259_200 });
    expect(shortageOf(499, needs, 0)).toEqual({ short: 301, firstByS: 1_000_000, orderByS: 1_000_000 });
  });
  it('is silent where everything is covered', () => {
    expect(shortageOf(800, needs, 3)).toBeNull();
  });
});
