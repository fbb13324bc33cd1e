import fc from 'fast-check';
import { anyLayout, type AnyLayoutAsk, type PiecePlace, piecesBound } from './any-layout';
import { guillotineCount } from './guillotine-count';

const ask = (width: number, height: number, pieceWidth: number, pieceHeight: number, iterations = 20_000): AnyLayoutAsk => ({
  width,
  height,
  pieceWidth,
  pieceHeight,
  iterations,
});
/** What is wrong with a layout: pieces outside, or one over another. */
function faults({ width, height, pieceWidth: a, pieceHeight: b }: AnyLayoutAsk, places: readonly PiecePlace[]): string[] {
  const boxes = places.map((p) => ({ ...p, w: p.turned ? b : a, h: p.turned ? a : b }));
  return boxes.flatMap((p, i) => [
    ...(p.x < -1e-9 || p.y < -1e-9 || p.x + p.w > width + 1e-9 || p.y + p.h > height + 1e-9 ? [`${i} outside`] : []),
    ...boxes
      .slice(i + 1)
      .flatMap((q, j) =>
        p.x < q.x + q.w - 1e-9 && q.x < p.x + p.w - 1e-9 && p.y < q.y + q.h - 1e-9 && q.y < p.y + p.h - 1e-9
          ? [`${i} over ${i + 1 + j}`]
          : [],
      ),
  ]);
}
const small = fc.record({
  width: fc.integer({ min: 4, max: 60 }),
  height: fc.integer({ min: 4, max: 60 }),
  pieceWidth: fc.integer({ min: 2, max: 13 }),
  pieceHeight: fc.integer({ min: 2, max: 13 }),
});

/** Most pieces by trying every place for every piece, first free square first: slow and sure, for small sheets only. */
function bruteForce(W: number, H: number, a: number, b: number): number {
  const free = Array.from({ length: H }, () => new Array<boolean>(W).fill(true));
  let best = 0;
  const fits = (x: number, y: number, w: number, h: number): boolean => {
    if (x + w > W || y + h > H) return false;
    for (let j = y; j < y + h; j++) for (let i = x; i < x + w; i++) if (!free[j]?.[i]) return false;
    return true;
  };
  const mark = (x: number, y: number, w: number, h: number, to: boolean): void => {
    for (let j = y; j < y + h; j++) for (let i = x; i < x + w; i++) (free[j] as boolean[])[i] = to;
  };
  const search = (from: number, laid: number, left: number): void => {
    best = Math.max(best, laid);
    if (laid + Math.floor(left / (a * b)) <= best) return;
    let at = from;
    while (at < W * H && !free[Math.floor(at / W)]?.[at % W]) at++;
    if (at >= W * H) return;
    const [x, y] = [at % W, Math.floor(at / W)];
    for (const [w, h] of a === b ? [[a, b] as const] : [[a, b] as const, [b, a] as const])
      if (fits(x, y, w, h)) {
        mark(x, y, w, h, false);
        search(at, laid + 1, left - w * h);
        mark(x, y, w, h, true);
      }
    mark(x, y, 1, 1, false);
    search(at, laid, left - 1);
    mark(x, y, 1, 1, true);
  };
  search(0, 0, W * H);
  return best;
}

describe('any layout', () => {
  it('lays what it counts, inside and apart, within the bound, and never fewer than straight cuts', () => {
    fc.assert(
      fc.property(small, (q) => {
        const a = { ...q, iterations: 3_000 };
        const found = anyLayout(a);
        expect(found.places).toHaveLength(found.count);
        expect(faults(a, found.places)).toEqual([]);
        expect(found.count).toBeLessThanOrEqual(found.bound);
        expect(found.count).toBeGreaterThanOrEqual(guillotineCount({ ...q, mayTurn: true }).count);
      }),
      { numRuns: 150 },
    );
  });
  it('agrees with trying everything on small sheets, and its bound is never below', () => {
    for (const [W, H, a, b] of [
      [7, 7, 3, 2],
      [8, 7, 3, 2],
      [9, 8, 4, 3],
      [10, 7, 4, 2],
      [10, 8, 5, 3],
      [11, 7, 4, 3],
      [12, 7, 5, 2],
      [13, 6, 4, 3],
      [5, 5, 3, 2],
      [9, 9, 5, 2],
      [11, 8, 5, 3],
      [10, 10, 6, 3],
    ] as const) {
      const best = bruteForce(W, H, a, b);
      expect([W, H, a, b, anyLayout(ask(W, H, a, b)).count]).toEqual([W, H, a, b, best]);
      expect(piecesBound(ask(W, H, a, b))).toBeGreaterThanOrEqual(best);
    }
  });
  it('finds layouts no straight cut takes apart: 23 of 7 × 4 on 30 × 22, where cuts give 22', () => {
    // Published optimum: Scheithauer & Terno 1996 and others; see checks/pallet-loading.json.
    expect(anyLayout(ask(30, 22, 7, 4))).toMatchObject({ count: 23, bound: 23 });
    expect(guillotineCount({ width: 30, height: 22, pieceWidth: 7, pieceHeight: 4, mayTurn: true }).count).toBe(22);
  });
  it('says how far it may be from the best where it cannot prove it', () => {
    expect(anyLayout(ask(53, 26, 7, 4))).toMatchObject({ count: 48, bound: 49 });
  });
  it('gives the same answer to the same question, and a lesser one to fewer iterations, never a wrong one', () => {
    const q = ask(57, 34, 7, 4);
    expect(anyLayout(q)).toEqual(anyLayout(q));
    const short = anyLayout({ ...q, iterations: 100 });
    expect(short.count).toBeLessThanOrEqual(anyLayout(q).count);
    expect(short.iterations).toBeLessThanOrEqual(100);
    expect(faults(q, short.places)).toEqual([]);
  });
  it('tells how far it is while it works', () => {
    const told: number[] = [];
    anyLayout(ask(74, 49, 11, 4, 5_000), ({ iterations, bound }) => {
      told.push(iterations);
      expect(bound).toBe(82);
    });
    expect(told).toEqual([1_000, 2_000, 3_000, 4_000, 5_000]);
  });
  it('takes millimetres with fractions', () => {
    const q = ask(712.5, 496.25, 91.4, 55.3);
    const found = anyLayout(q);
    expect(faults(q, found.places)).toEqual([]);
    expect(found.count).toBeGreaterThanOrEqual(guillotineCount({ ...q, mayTurn: true }).count);
  });
  it('does not turn pieces that may not be turned', () => {
    const found = anyLayout({ ...ask(30, 22, 7, 4), mayTurn: false });
    expect(found).toMatchObject({ count: 20, bound: 20 });
    expect(found.places.every((p) => !p.turned)).toBe(true);
  });
  it.each([
    ['no sheet', ask(0, 10, 3, 2), 0],
    ['a piece larger than the sheet', ask(5, 5, 6, 6), 0],
    ['a piece as large as the sheet', ask(6, 5, 5, 6), 1],
    ['tiny pieces on a large sheet', ask(1_000, 700, 3, 2), 116_550],
  ])('answers %s', (_what, q, least) => {
    const found = anyLayout(q);
    expect(found.count).toBeGreaterThanOrEqual(least);
    expect(found.count).toBeLessThanOrEqual(found.bound);
  });
});
