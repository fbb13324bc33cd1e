import fc from 'fast-check';
import { portableAtan2, portableCbrt, portableCos, portableExp, portableLog, portableSin } from './portable-math';
import { seeded } from './seeded';

/* Against the machine's own functions, which differ between Node and Chromium in their last bits: near enough for both. */

const units = (a: number, b: number): number => Math.abs(a - b) / Math.max(Math.abs(b), Number.MIN_VALUE) / Number.EPSILON;
const angle = fc.double({ min: -700, max: 700, noNaN: true });
const number = fc.double({ min: -1e9, max: 1e9, noNaN: true });

describe('portable angles and roots', () => {
  it('agree with the built-in sine and cosine over a hundred turns', () => {
    fc.assert(
      fc.property(angle, (x) => {
        expect(Math.abs(portableSin(x) - Math.sin(x))).toBeLessThan(2e-15);
        expect(Math.abs(portableCos(x) - Math.cos(x))).toBeLessThan(2e-15);
      }),
      { numRuns: 2_000 },
    );
  });
  it('keep sine and cosine on the circle, and turned by a quarter into each other', () => {
    fc.assert(
      fc.property(angle, (x) => {
        const [s, c] = [portableSin(x), portableCos(x)];
        expect(s * s + c * c).toBeCloseTo(1, 12);
        expect(portableSin(x + Math.PI / 2)).toBeCloseTo(c, 12);
      }),
    );
  });
  it('agree with the built-in direction in every quadrant', () => {
    fc.assert(
      fc.property(number, number, (y, x) => {
        expect(Math.abs(portableAtan2(y, x) - Math.atan2(y === 0 ? 0 : y, x === 0 ? 0 : x))).toBeLessThan(4e-15);
      }),
      { numRuns: 2_000 },
    );
  });
  test.each([
    [0, 0, 0],
    [0, 1, 0],
    [1, 0, Math.PI / 2],
    [-1, 0, -Math.PI / 2],
    [0, -1, Math.PI],
    [1, 1, Math.PI / 4],
    [-1, -1, (-3 * Math.PI) / 4],
  ])('the direction of y %s, x %s is %s', (y, x, direction) => {
    expect(portableAtan2(y, x)).toBeCloseTo(direction, 15);
  });
  it('agree with the built-in cube root to a few units in the last place', () => {
    fc.assert(
      fc.property(fc.double({ min: 1e-30, max: 1e30, noNaN: true }), (x) => {
        expect(units(portableCbrt(x), Math.cbrt(x))).toBeLessThan(4);
        expect(portableCbrt(-x)).toBe(-portableCbrt(x));
      }),
      { numRuns: 2_000 },
    );
    expect(portableCbrt(0)).toBe(0);
    expect(portableCbrt(27)).toBeCloseTo(3, 15);
    expect(portableCbrt(Infinity)).toBe(Infinity);
  });
  it('still undo each other: the exponential and the logarithm, to the ends of the range', () => {
    for (const x of [-744, -700, -1, -1e-12, 0, 1e-12, 1, 700, 709]) expect(portableExp(x)).toBeCloseTo(Math.exp(x), 12);
    fc.assert(
      fc.property(fc.double({ min: -600, max: 600, noNaN: true }), (x) => {
        expect(portableLog(portableExp(x))).toBeCloseTo(x, 9);
      }),
    );
  });
});

describe('numbers from a seed', () => {
  it('are the same from the same seed, lie between 0 and 1, and fill it evenly', () => {
    const [a, b] = [seeded(7), seeded(7)];
    const list = Array.from({ length: 10_000 }, () => a());
    expect(list.slice(0, 5)).toEqual(Array.from({ length: 5 }, () => b()));
    expect(list.every((x) => x >= 0 && x < 1)).toBe(true);
    const mean = list.reduce((n, x) => n + x, 0) / list.length;
    expect(mean).toBeGreaterThan(0.49);
    expect(mean).toBeLessThan(0.51);
    for (let tenth = 0; tenth < 10; tenth++) {
      const inside = list.filter((x) => x >= tenth / 10 && x < (tenth + 1) / 10).length;
      expect(inside).toBeGreaterThan(880);
      expect(inside).toBeLessThan(1_120);
    }
  });
});
