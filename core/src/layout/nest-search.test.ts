import * as fc from 'fast-check';
import polygonClipping from 'polygon-clipping';
import { cartonDieLine } from '../product/die-line/carton';
import { CARTON_STYLES, type CartonAsk } from '../product/die-line/carton-ask';
import { pathArea, pathBox, type Point, turnedAtOrigin } from '../product/die-line/points';
import { blankNest } from './blank-nest';
import { type NestFound, nestSearch, type NestSearchAsk } from './nest-search';
import { outlineFault } from './outline-faults';

const search = (more: Partial<NestSearchAsk> & Pick<NestSearchAsk, 'outline'>): NestFound =>
  nestSearch({ turns: [0], gapMm: 3, room: [1_048, 642], iterations: 12, seed: 1, ...more });
const carton = (style: CartonAsk['style'], more: Partial<CartonAsk> = {}): Point[] =>
  cartonDieLine({ style, lengthMm: 72, widthMm: 48, heightMm: style === 'tray' ? 30 : 126, caliperMm: 0.44, ...more }).outline;
const laid = (outline: readonly Point[], { places }: NestFound): Point[][] =>
  places.map(({ x, y, turn }) => turnedAtOrigin(outline, turn).map(([px, py]): Point => [px + x, py + y]));

/** Area two outlines share, by a library of its own (polygon-clipping, after Martínez, Rueda and Feito 2009). */
const shared = (a: readonly Point[], b: readonly Point[]): number =>
  polygonClipping
    .intersection([a.map(([x, y]): [number, number] => [x, y])], [b.map(([x, y]): [number, number] => [x, y])])
    .flat()
    .reduce((sum, ring) => sum + pathArea(ring.slice(0, -1)), 0);

describe('a search for a nest', () => {
  it('lays nothing over anything and nothing off the sheet, as a second geometry library says too', () => {
    for (const [style, gapMm] of [
      ['tray', 3],
      ['autoBottom', 5],
    ] as const) {
      const outline = carton(style);
      const found = search({ outline, gapMm });
      const blanks = laid(outline, found);
      expect(found.count).toBe(found.places.length);
      expect(
        outlineFault(
          { cells: found.places.map((p) => ({ ...p, part: '', item: '', nx: 1, ny: 1, dx: 0, dy: 0, trimMm: [1, 1] })) },
          {
            outline,
            gapMm,
            usable: { x: 0, y: 0, widthMm: 1_048, heightMm: 642 },
          },
        ),
      ).toBeNull();
      for (const [i, a] of blanks.entries()) for (const b of blanks.slice(i + 1)) expect(shared(a, b)).toBeLessThan(1e-6);
      expect(Math.max(...blanks.flat().map((p) => p[0]))).toBeLessThanOrEqual(1_048 + 1e-6);
      expect(Math.max(...blanks.flat().map((p) => p[1]))).toBeLessThanOrEqual(642 + 1e-6);
    }
  });
  it('never finds fewer than rows and head-to-tail pairs do, nor more than the area', () => {
    const mm = (min: number, max: number) => fc.double({ min, max, noNaN: true });
    fc.assert(
      fc.property(fc.constantFrom(...CARTON_STYLES), mm(40, 110), mm(30, 80), mm(40, 160), (style, lengthMm, widthMm, heightMm) => {
        const outline = carton(style, { lengthMm, widthMm, heightMm });
        const found = search({ outline, iterations: 4 });
        expect(found.count).toBeGreaterThanOrEqual(blankNest(outline, 3, [1_048, 642]).places.length);
        expect(found.count).toBeLessThanOrEqual(found.bound);
      }),
      { numRuns: 12 },
    );
  });
  it('lays more trays than rows of them hold', () => {
    // 35 in rows; the bound by area is 52.
    expect(search({ outline: carton('tray'), iterations: 20 }).count).toBeGreaterThan(
      blankNest(carton('tray'), 3, [1_048, 642]).places.length,
    );
  });
  it.each<[string, Point[], [number, number]]>([
    [
      'triangles',
      [
        [0, 0],
        [60, 0],
        [20, 70],
      ],
      [1_000, 700],
    ],
    [
      'parallelograms',
      [
        [0, 0],
        [60, 0],
        [80, 50],
        [20, 50],
      ],
      [1_000, 700],
    ],
    [
      'steps of three squares',
      [
        [0, 0],
        [60, 0],
        [60, 30],
        [30, 30],
        [30, 60],
        [0, 60],
      ],
      [990, 720],
    ],
    [
      'trapezia',
      [
        [0, 0],
        [80, 0],
        [60, 40],
        [20, 40],
      ],
      [1_000, 680],
    ],
  ])('fills 95 per cent of what the area allows with %s, which tile the plane', (_name, outline, room) => {
    const found = search({ outline, gapMm: 0, room, iterations: 40 });
    expect(found.count).toBeGreaterThan(60);
    expect(found.count / found.bound).toBeGreaterThanOrEqual(0.95);
  });
  it('turns by a quarter where the grain lets it, and is the same for the same seed', () => {
    const outline = carton('sleeve', { heightMm: 200 });
    const [w] = pathBox(outline);
    const room: [number, number] = [205, 2 * w + 10];
    expect(search({ outline, room }).count).toBe(0);
    const turned = search({ outline, room, turns: [0, 90] });
    expect(turned.count).toBe(2);
    expect(turned.places.every((p) => p.turn === 90 || p.turn === 270)).toBe(true);
    expect(search({ outline, room, turns: [0, 90] })).toEqual(turned);
  });
  it('tells how far it is, and ends at once where there is nothing to gain', () => {
    const told: number[] = [];
    const square: Point[] = [
      [0, 0],
      [100, 0],
      [100, 100],
      [0, 100],
    ];
    const found = nestSearch({ outline: square, turns: [0], gapMm: 0, room: [500, 300], iterations: 50, seed: 1 }, (p) =>
      told.push(p.iterations),
    );
    expect([found.count, found.bound, told.length]).toEqual([15, 15, 0]);
    const some: number[] = [];
    nestSearch({ outline: carton('tray'), turns: [0], gapMm: 3, room: [600, 400], iterations: 3, seed: 1 }, (p) => some.push(p.iterations));
    expect(some).toEqual([1, 2, 3]);
  });
});
