import * as fc from 'fast-check';
import { cartonDieLine } from '../product/die-line/carton';
import { measureDieLine } from '../product/die-line/die-line';
import type { Point } from '../product/die-line/points';
import { blankNest, commonCutNest } from './blank-nest';
import { commonCutMm, sharedStretches } from './common-cut';
import { outlineFault, outlinesLaid } from './outline-faults';

const box = (x: number, y: number, w: number, h: number): Point[] => [
  [x, y],
  [x + w, y],
  [x + w, y + h],
  [x, y + h],
];
const TEA = cartonDieLine({ style: 'reverse', lengthMm: 72, widthMm: 48, heightMm: 126, caliperMm: 0.44 });

describe('a cut that two blanks share', () => {
  it('is a stretch of 20 mm and more on which straight edges lie on one another', () => {
    expect(sharedStretches(box(0, 0, 30, 40), box(30, 10, 30, 40))).toEqual([
      [
        [30, 10],
        [30, 40],
      ],
    ]);
    expect(sharedStretches(box(0, 0, 30, 40), box(30, 21, 30, 40))).toEqual([]);
    expect(sharedStretches(box(0, 0, 30, 40), box(30.1, 0, 30, 40))).toEqual([]);
  });
  it('is counted once', () => {
    const laid = [box(0, 0, 30, 40), box(30, 0, 30, 40), box(60, 0, 30, 40)].map((outline) => ({
      outline,
      x: Math.min(...outline.map((p) => p[0])),
      y: 0,
      w: 30,
      h: 40,
    }));
    expect(commonCutMm(laid)).toBeCloseTo(80, 9);
  });
});

describe('a nest with common cuts', () => {
  it('of rectangles fills the sheet without a gap', () => {
    expect(commonCutNest(box(0, 0, 40, 30), 3, [120, 60])!.places).toHaveLength(6);
    expect(blankNest(box(0, 0, 40, 30), 3, [120, 60]).places).toHaveLength(2);
    expect(blankNest(box(0, 0, 40, 30), 3, [120, 60], true).places).toHaveLength(6);
  });
  it('of the tea carton has the glue flap of one on the last side of the next: 118.44 mm of 1,278.21 are shared', () => {
    const nest = commonCutNest(TEA.outline, 3, [1_048, 642])!;
    // Girth 256.26 instead of 259.26; the flap's outer edge is the body's 126.44 less 4 at either end.
    expect(nest.dxMm).toBeCloseTo(256.26, 9);
    const cells = nest.places.slice(0, 2).map((p) => ({
      ...{ part: 'p', item: 'i', trimMm: [1, 1] as const, nx: 1, ny: 1, dx: 0, dy: 0, turn: 0 as const },
      x: p.x,
      y: p.y,
    }));
    expect(commonCutMm(outlinesLaid({ cells }, TEA.outline))).toBeCloseTo(118.44, 9);
    expect(measureDieLine(TEA).cutMm).toBeCloseTo(1_278.21, 2);
  });
  it('never holds fewer than one with gaps, and passes the check of what is laid, that a nest without leave does not', () => {
    fc.assert(
      fc.property(fc.integer({ min: 40, max: 120 }), fc.integer({ min: 30, max: 39 }), fc.integer({ min: 40, max: 160 }), (l, w, h) => {
        const { outline } = cartonDieLine({ style: 'reverse', lengthMm: l, widthMm: w, heightMm: h, caliperMm: 0.44 });
        const usable = { x: 0, y: 0, widthMm: 1_048, heightMm: 642 };
        const room = [usable.widthMm, usable.heightMm] as const;
        const nest = blankNest(outline, 3, room, true);
        expect(nest.places.length).toBeGreaterThanOrEqual(blankNest(outline, 3, room).places.length);
        const cells = nest.places.map((p) => ({
          ...{ part: 'p', item: 'i', trimMm: [1, 1] as const, nx: 1, ny: 1, dx: 0, dy: 0 },
          ...{ x: p.x, y: p.y, turn: p.turned ? (180 as const) : (0 as const) },
        }));
        expect(outlineFault({ cells }, { outline, usable, gapMm: 3, commonCuts: true })).toBeNull();
        if (commonCutMm(outlinesLaid({ cells }, outline)) > 0)
          expect(outlineFault({ cells }, { outline, usable, gapMm: 3 })).toBe('overlap');
      }),
      { numRuns: 6 },
    );
  });
});
