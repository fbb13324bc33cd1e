import * as fc from 'fast-check';
import { cartonDieLine } from '../product/die-line/carton';
import { type CartonAsk } from '../product/die-line/carton-ask';
import { measureDieLine } from '../product/die-line/die-line';
import { pathArea, type Point } from '../product/die-line/points';
import { blankNest, latticeNest, turnedRowsNest } from './blank-nest';
import { isInside } from '../product/die-line/outline';
import { pitchAcross, pitchAlong } from './outline-pitch';

const SQUARE: Point[] = [
  [0, 0],
  [10, 0],
  [10, 10],
  [0, 10],
];
/** A step: low on the left, high on the right. */
const STEP: Point[] = [
  [0, 0],
  [20, 0],
  [20, 10],
  [10, 10],
  [10, 4],
  [0, 4],
];
const carton = (more: Partial<CartonAsk> = {}): Point[] =>
  cartonDieLine({ style: 'reverse', lengthMm: 72, widthMm: 48, heightMm: 126, caliperMm: 0.44, ...more }).outline;

describe('the pitch between outlines', () => {
  it('is size and gap of what is square', () => {
    expect(pitchAlong(SQUARE, SQUARE, 0, 3)).toBeCloseTo(13, 9);
    expect(pitchAcross(SQUARE, SQUARE, 0, 3)).toBeCloseTo(13, 9);
    // Beside one another with the gap between them they do not meet however near.
    expect(pitchAlong(SQUARE, SQUARE, 14, 3)).toBe(-Infinity);
  });
  it('lets a step lie into a step turned round', () => {
    const turned = STEP.map(([x, y]): Point => [20 - x, 10 - y]);
    // Turned round, its high part lies over the low one; moved by a tread high meets high.
    expect(pitchAlong(STEP, turned, 0, 0)).toBeCloseTo(4, 9);
    expect(pitchAlong(STEP, turned, 10, 0)).toBeCloseTo(10, 9);
  });
  it('of reverse tucks is that of the formula, while the relief leaves the gap', () => {
    expect(pitchAlong(carton(), carton(), 0, 3)).toBeCloseTo(192.38, 9);
    // A relief of 2 and the lid's play leave 2.5: less than the gap, so that dust flaps and lids no longer pass.
    expect(pitchAlong(carton({ reliefMm: 2 }), carton({ reliefMm: 2 }), 0, 3)).toBeGreaterThan(200);
    expect(pitchAlong(carton({ reliefMm: 2.5 }), carton({ reliefMm: 2.5 }), 0, 3)).toBeCloseTo(192.38, 9);
  });
});

describe('a nest of blanks', () => {
  const USABLE: [number, number] = [1_048, 642];
  it('lays straight tucks as near as reverse ones once every other row is turned and moved by the last panel less the flap', () => {
    const straight = carton({ style: 'straight' });
    const rows = turnedRowsNest(straight, 3, [1_068, 642]);
    expect(rows.places).toHaveLength(12);
    // By hand the shift is 47.94 − 15 = 32.94 and the width 1,066.98; the relief leaves 1.5 mm beyond the gap, which need not be moved.
    expect(Math.abs(rows.shiftMm)).toBeCloseTo(47.94 - 15 - 1.5, 6);
    expect(rows.usedMm[0]).toBeCloseTo(1_066.98 - 1.5, 6);
    expect((rows.dyMm[0] + rows.dyMm[1]) / 2).toBeCloseTo(192.38, 6);
    // Unturned they need their whole height.
    expect(latticeNest(straight, 3, [1_068, 642]).places.length).toBeLessThan(12);
  });
  it('never holds more than its area, and no two blanks nearer than the gap', () => {
    const mm = (min: number, max: number) => fc.double({ min, max, noNaN: true });
    fc.assert(
      fc.property(
        fc.constantFrom('straight' as const, 'reverse' as const, 'snapLock' as const),
        mm(40, 90),
        mm(25, 60),
        mm(60, 140),
        (style, lengthMm, widthMm, heightMm) => {
          const outline = carton({ style, lengthMm, widthMm, heightMm });
          const nest = blankNest(outline, 3, USABLE);
          expect(nest.places.length * pathArea(outline)).toBeLessThanOrEqual(USABLE[0] * USABLE[1]);
          expect(nest.places.length).toBeGreaterThanOrEqual(latticeNest(outline, 3, USABLE).places.length);
          expect(nest.usedMm[0]).toBeLessThanOrEqual(USABLE[0] + 1e-6);
          expect(nest.usedMm[1]).toBeLessThanOrEqual(USABLE[1] + 1e-6);
          const { widthMm: w, heightMm: h } = measureDieLine({ outline, slits: [], creases: [], joints: [] });
          const [left, low] = [Math.min(...outline.map((p) => p[0])), Math.min(...outline.map((p) => p[1]))];
          const laid = nest.places.map(({ x, y, turned }) =>
            outline.map(([px, py]): Point => (turned ? [x + w - (px - left), y + h - (py - low)] : [x + px - left, y + py - low])),
          );
          const corner = new Set(laid.flat().map(([x, y]) => `${x.toFixed(6)} ${y.toFixed(6)}`));
          // No corner of one blank stands on or in another: each belongs to one alone.
          expect(corner.size).toBe(laid.flat().length);
          for (const [i, a] of laid.entries())
            for (const [j, b] of laid.entries()) if (i !== j) expect(b.some((p) => isInside(p, a))).toBe(false);
        },
      ),
      { numRuns: 15 },
    );
  });
});
