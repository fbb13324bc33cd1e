import { layRiver, riverScale, type StoneWidths } from './river-lanes';

/* How a river lies: worked by hand. */
const stone = (id: string, from: string[] = [], counted = true) => ({ id, from, counted });
const wide = (...all: number[]): StoneWidths[] => all.map((n) => ({ in: n, out: n }));
const size = { wide: 1000, middle: 50, scale: 0.5 };

describe('a river', () => {
  it('of stones one after another is one band round the middle', () => {
    const { bands, fill } = layRiver([stone('a'), stone('b', ['a'])], wide(100, 80), size);
    expect(bands.map((b) => b.in)).toEqual([
      { top: 25, high: 50 },
      { top: 30, high: 40 },
    ]);
    // Two stones and the stream between them.
    expect(fill.match(/M/g)).toHaveLength(3);
    expect(fill).toContain('M0 25L225 25L350 25L350 75');
  });
  it('passes a stone without pieces as it is', () => {
    const { bands } = layRiver([stone('stock'), stone('plates', [], false), stone('print', ['stock'])], wide(100, 0, 100), size);
    expect(bands[1]?.in.high).toBe(0);
    expect(bands[2]?.in).toEqual({ top: 25, high: 50 });
  });
  it('parts where a sheet is parted: each order has a lane of its own, past the stones of the other', () => {
    const stones = [stone('cut'), stone('foldA', ['cut']), stone('foldB', ['cut'])];
    const { bands, fill } = layRiver(stones, [...wide(100), ...wide(60, 40)], size);
    // Beside fold A the stream to fold B passes: 60 and 40 copies at 0.5, 5 apart, round the middle.
    expect(bands[1]?.in).toEqual({ top: 50 - (30 + 5 + 20) / 2, high: 30 });
    expect(bands[2]?.in).toEqual({ top: 40, high: 20 });
    expect(fill).toContain('333.33 57.5');
  });
  it('joins where parts are joined', () => {
    const stones = [stone('cover'), stone('block'), stone('bind', ['cover', 'block'])];
    const { bands, fill } = layRiver(stones, wide(50, 50, 50), size);
    expect(bands[2]?.in.high).toBe(25);
    // Both come to halves of it: the last points of the streams meet at its middle.
    expect(fill.match(/666\.67 50/g)?.length).toBeGreaterThanOrEqual(2);
  });
  it('is scaled so that the widest of some rivers fits with its lanes apart', () => {
    const stones = [stone('cut'), stone('foldA', ['cut']), stone('foldB', ['cut'])];
    expect(riverScale(stones, [[...wide(100), ...wide(60, 40)]], 55)).toBeCloseTo(0.5, 9);
    expect(riverScale([stone('a')], [wide(100), wide(200)], 60)).toBeCloseTo(0.3, 9);
    expect(Number.isFinite(riverScale([], [[]], 60))).toBe(true);
  });
});
