import * as fc from 'fast-check';
import { leastRuns } from './gang-runs';

const forms = (copies: number[][], set: (number | null)[] = []): { copies: number[]; run: number | null }[] =>
  copies.map((c, f) => ({ copies: c, run: set[f] ?? null }));

describe('the shortest runs of a gang', () => {
  it('are those of six radio plays, worked by hand', () => {
    const copies = [
      [0, 0, 1, 1, 2, 4],
      [2, 3, 0, 2, 0, 0],
    ];
    expect(leastRuns(forms(copies), [651, 1_060, 1_570, 2_080, 3_100, 6_221])).toEqual([1_570, 354]);
  });
  it('are the longest of one form, and stay as somebody set them', () => {
    expect(leastRuns(forms([[8, 2, 2]]), [8_000, 2_100, 2_000])).toEqual([1_050]);
    expect(leastRuns(forms([[1], [1]], [600, null]), [1_000])).toEqual([600, 400]);
    expect(leastRuns(forms([[1], [1]], [600, 100]), [1_000])).toEqual([600, 100]);
  });
  it('give everybody enough with the fewest sheets (against every way of two forms)', () => {
    const order = fc.record({
      need: fc.integer({ min: 1, max: 40 }),
      a: fc.integer({ min: 0, max: 3 }),
      b: fc.integer({ min: 0, max: 3 }),
    });
    fc.assert(
      fc.property(fc.array(order, { minLength: 1, maxLength: 4 }), (orders) => {
        const on = orders.filter((o) => o.a + o.b > 0);
        fc.pre(on.length > 0);
        const needed = on.map((o) => o.need);
        const [a = 0, b = 0] = leastRuns(forms([on.map((o) => o.a), on.map((o) => o.b)]), needed);
        const enough = (x: number, y: number): boolean => on.every((o) => o.a * x + o.b * y >= o.need);
        expect(enough(a, b)).toBe(true);
        let least = Infinity;
        for (let x = 1; x <= 40; x++) for (let y = 1; y <= 40; y++) if (enough(x, y)) least = Math.min(least, x + y);
        expect(a + b).toBe(least);
      }),
    );
  });
  it('give everybody enough on four forms too', () => {
    const row = fc.array(fc.integer({ min: 0, max: 4 }), { minLength: 4, maxLength: 4 });
    fc.assert(
      fc.property(fc.array(fc.tuple(row, fc.integer({ min: 1, max: 5_000 })), { minLength: 1, maxLength: 8 }), (orders) => {
        const on = orders.filter(([copies]) => copies.some((c) => c > 0));
        fc.pre(on.length > 0);
        const runs = leastRuns(
          forms([0, 1, 2, 3].map((f) => on.map(([copies]) => copies[f] as number))),
          on.map(([, need]) => need),
        );
        for (const [copies, need] of on)
          expect(copies.reduce((sum, c, f) => sum + c * (runs[f] as number), 0)).toBeGreaterThanOrEqual(need);
      }),
    );
  });
});
