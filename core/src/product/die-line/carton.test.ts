import * as fc from 'fast-check';
import { cartonDieLine } from './carton';
import { CARTON_STYLES, type CartonAsk } from './carton-ask';
import { measureDieLine } from './die-line';
import { pathArea, pathLength, type Point } from './points';
import { tubeSizes } from './tube';

const mm = (min: number, max: number) => fc.double({ min, max, noNaN: true });
/** Cartons of every style that can be made: a bottom that opens by itself wants a front longer than the side. */
const anyAsk: fc.Arbitrary<CartonAsk> = fc
  .record({
    style: fc.constantFrom(...CARTON_STYLES),
    lengthMm: mm(30, 250),
    widthMm: mm(20, 150),
    heightMm: mm(30, 300),
    caliperMm: mm(0.2, 0.9),
  })
  .map((ask) => (ask.style === 'autoBottom' ? { ...ask, lengthMm: Math.max(ask.lengthMm, ask.widthMm + 2) } : ask));

/** Whether two stretches cross one another, ends that touch aside. */
function cross([a, b]: readonly [Point, Point], [c, d]: readonly [Point, Point]): boolean {
  const side = (p: Point, q: Point, r: Point): number => (q[0] - p[0]) * (r[1] - p[1]) - (q[1] - p[1]) * (r[0] - p[0]);
  const [s1, s2, s3, s4] = [side(a, b, c), side(a, b, d), side(c, d, a), side(c, d, b)];
  return s1 * s2 < -1e-9 && s3 * s4 < -1e-9;
}

it('is an outline that never crosses itself, whatever the style and its sizes', () => {
  fc.assert(
    fc.property(anyAsk, (ask) => {
      const { outline } = cartonDieLine(ask);
      const edges = outline.map((p, i): [Point, Point] => [p, outline[(i + 1) % outline.length]!]);
      for (let i = 0; i < edges.length; i++)
        for (let j = i + 2; j < edges.length; j++) if (cross(edges[i]!, edges[j]!)) throw new Error(`${i} × ${j}`);
    }),
    { numRuns: 60 },
  );
});

it('creases and slits inside its outline, and glues no more than it has', () => {
  fc.assert(
    fc.property(anyAsk, (ask) => {
      const die = cartonDieLine(ask);
      const [xs, ys] = [die.outline.map((p) => p[0]), die.outline.map((p) => p[1])];
      const inside = ([x, y]: Point): boolean =>
        x >= Math.min(...xs) - 1e-9 && x <= Math.max(...xs) + 1e-9 && y >= Math.min(...ys) - 1e-9 && y <= Math.max(...ys) + 1e-9;
      expect([...die.creases.flatMap((c) => [c.from, c.to]), ...die.slits.flat()].every(inside)).toBe(true);
      const of = measureDieLine(die);
      expect(of.knockOutMm2).toBeLessThan(of.areaMm2);
      expect(of.cutMm).toBeGreaterThanOrEqual(of.outlineMm);
    }),
  );
});

it('has joints by its style: a seam, two triangles of a bottom that opens by itself, four corners of a tray', () => {
  const joints = (style: CartonAsk['style']) =>
    cartonDieLine({ style, lengthMm: 80, widthMm: 50, heightMm: 100, caliperMm: 0.5 }).joints.map((j) => j.kind);
  expect(joints('sleeve')).toEqual(['seam']);
  expect(joints('snapLock')).toEqual(['seam']);
  expect(joints('autoBottom')).toEqual(['seam', 'bottom', 'bottom']);
  expect(joints('tray')).toEqual(['corner', 'corner', 'corner', 'corner']);
});

it('of a bottom that opens by itself glues triangles of half the square of its side flaps', () => {
  // W/2 + 15 = 40, L/2 − 1 = 39, W − 2 = 48: the length decides.
  const die = cartonDieLine({ style: 'autoBottom', lengthMm: 80, widthMm: 50, heightMm: 100, caliperMm: 0.5 });
  const triangles = die.joints.filter((j) => j.kind === 'bottom');
  for (const { region } of triangles) expect(pathArea(region)).toBeCloseTo((39 * 39) / 2, 9);
});

it('of a tray measures base and walls either way, and its flaps lie inside the long walls', () => {
  // Formulas of the trade: (L+2H+2t) × (W+2H+2t).
  const die = cartonDieLine({ style: 'tray', lengthMm: 120, widthMm: 80, heightMm: 30, caliperMm: 0.5 });
  const of = measureDieLine(die);
  expect([of.widthMm, of.heightMm]).toEqual([expect.closeTo(181, 9), expect.closeTo(141, 9)]);
  const flaps = die.creases.filter((c) => c.class === 'flat');
  expect(flaps.map((c) => pathLength([c.from, c.to], false))).toEqual(Array.from({ length: 4 }, () => expect.closeTo(29, 9) as number));
  expect(flaps[0]!.from[1] - flaps[1]!.from[1]).toBeCloseTo(79.5, 9);
  expect(of.areaMm2).toBeCloseTo(120.5 * 80.5 + 2 * 120.5 * 30.25 + 2 * 79.5 * 30.25 + 4 * 18 * 29, 6);
});

it('of a snap-lock has a tongue of half its length, and a slot for it', () => {
  const die = cartonDieLine({ style: 'snapLock', lengthMm: 80, widthMm: 50, heightMm: 100, caliperMm: 0.5 });
  const { halfMm } = tubeSizes({ style: 'snapLock', lengthMm: 80, widthMm: 50, heightMm: 100, caliperMm: 0.5 });
  const slot = die.slits.find(([a]) => a[1] < 0)!;
  expect(pathLength(slot, false)).toBeCloseTo(40, 9);
  expect(slot[0][1]).toBeCloseTo(-(halfMm + 25), 9);
  expect(Math.min(...die.outline.map((p) => p[1]))).toBeCloseTo(-(halfMm + 37), 9);
});

it.each([
  [{ style: 'reverse' as const, widthMm: 0 }, 'widthMm'],
  [{ style: 'reverse' as const, lengthMm: 2 }, 'lengthMm'],
  [{ style: 'tray' as const, heightMm: 1 }, 'heightMm'],
  [{ style: 'sleeve' as const, caliperMm: Number.NaN }, 'caliperMm'],
])('refuses %p by the size', (more, says) => {
  expect(() => cartonDieLine({ lengthMm: 80, widthMm: 50, heightMm: 100, caliperMm: 0.5, ...more })).toThrow(says);
});
