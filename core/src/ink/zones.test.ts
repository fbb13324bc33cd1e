import fc from 'fast-check';
import { ductOpening, FIRST_DUCT_CURVE, refitDuct } from './duct-curve';
import { heaviestSpot, spotOn } from './total-ink';
import { type CoverageProfile, zoneCoverage } from './zone-coverage';

const flat = (mean: number): CoverageProfile => ({ columns: [mean, mean], rows: [mean, mean], mean });
const SHEET = { zoneMm: 100, zones: 4, sheetMm: [400, 200] as const };

describe('coverage of ink zones', () => {
  it('of a full solid over the whole sheet is 100 % everywhere', () => {
    const { percent, outsideMm2 } = zoneCoverage([{ at: { x: 0, y: 0, w: 400, h: 200, turn: 0 }, profile: flat(1) }], SHEET);
    percent.forEach((p) => expect(p).toBeCloseTo(100, 9));
    expect(outsideMm2).toBeCloseTo(0, 9);
  });
  it('lies where the copy lies, never averaged over the sheet', () => {
    // By hand: 100 × 100 mm half covered in a zone of 100 × 200 mm is 25 %
    const { percent } = zoneCoverage([{ at: { x: 100, y: 0, w: 100, h: 100, turn: 0 }, profile: flat(0.5) }], SHEET);
    expect(percent.map((p) => Math.round(p))).toEqual([0, 25, 0, 0]);
  });
  test.each([
    [0, [0, 50, 0, 0]],
    [180, [50, 0, 0, 0]],
    [90, [50, 0, 0, 0]],
    [270, [0, 50, 0, 0]],
  ] as const)('turns with the copy: %s°', (turn, expected) => {
    // Ink on the right half of a copy, and on its lower half
    const profile = { columns: [0, 1], rows: [0, 1], mean: 0.5 };
    const { percent } = zoneCoverage([{ at: { x: 0, y: 0, w: 200, h: 100, turn }, profile }], SHEET);
    expect(percent.map((p) => Math.round(p))).toEqual(expected);
  });
  it('loses no ink: zones and what lies outside add up to the copies', () => {
    const copy = fc.record({
      at: fc.record({
        x: fc.double({ min: -50, max: 380, noNaN: true }),
        y: fc.constant(0),
        w: fc.double({ min: 5, max: 150, noNaN: true }),
        h: fc.double({ min: 5, max: 150, noNaN: true }),
        turn: fc.constantFrom(0, 90, 180, 270),
      }),
      columns: fc.array(fc.double({ min: 0, max: 1, noNaN: true }), { minLength: 3, maxLength: 30 }),
    });
    fc.assert(
      fc.property(fc.array(copy, { minLength: 1, maxLength: 8 }), (copies) => {
        const placed = copies.map(({ at, columns }) => {
          const mean = columns.reduce((a, b) => a + b, 0) / columns.length;
          return { at, profile: { columns, rows: columns, mean } };
        });
        const { percent, outsideMm2 } = zoneCoverage(placed, SHEET);
        const inZones = percent.reduce((n, p) => n + (p / 100) * SHEET.zoneMm * SHEET.sheetMm[1], 0);
        const all = placed.reduce((n, p) => n + p.at.w * p.at.h * p.profile.mean, 0);
        expect(inZones + outsideMm2).toBeCloseTo(all, 4);
      }),
    );
  });
  it('refuses zones of no width and copies of no size', () => {
    const one = { at: { x: 0, y: 0, w: 10, h: 10, turn: 0 } as const, profile: flat(1) };
    expect(() => zoneCoverage([one], { ...SHEET, zoneMm: 0 })).toThrow('zoneMm');
    expect(() => zoneCoverage([{ ...one, at: { ...one.at, w: 0 } }], SHEET)).toThrow('copy');
    expect(() => zoneCoverage([{ ...one, profile: { columns: [], rows: [], mean: 0 } }], SHEET)).toThrow('separation');
  });
});

describe('duct openings', () => {
  it('are nothing without ink, and rise with it', () => {
    expect(ductOpening(0, FIRST_DUCT_CURVE)).toBe(0);
    expect(ductOpening(50, FIRST_DUCT_CURVE)).toBe(42); // 3 + 78 · 0.5
    expect(() => ductOpening(-1, FIRST_DUCT_CURVE)).toThrow('coverage');
  });
  it('are fitted anew from settings that printed well', () => {
    const settings = Array.from({ length: 12 }, (_, i) => ({
      coveragePercent: 4 * i,
      openingPercent: 5 + 60 * (0.04 * i) + 30 * (0.04 * i) * (0.04 * i),
    }));
    const curve = refitDuct(settings);
    expect(curve).toMatchObject({ a: expect.closeTo(5, 6), b: expect.closeTo(60, 6), d: expect.closeTo(30, 6), from: 12 });
    expect(refitDuct(settings.slice(0, 7))).toBeNull();
  });
  it('stay straight where a bent curve would fall, and say nothing where all lie at one coverage', () => {
    const falling = Array.from({ length: 10 }, (_, i) => ({ coveragePercent: 10 * i, openingPercent: 10 * i - 0.09 * i * i * 10 }));
    expect(refitDuct(falling)?.d).toBe(0);
    expect(refitDuct(Array.from({ length: 9 }, () => ({ coveragePercent: 20, openingPercent: 18 })))).toBeNull();
  });
});

describe('the heaviest spot', () => {
  const raster = (...values: number[]) => ({ across: 2, values });
  it('is where the inks together lay most, and says where', () => {
    // By hand: blocks of 255 + 51, 0 + 204, 102 + 255, 51 + 0
    expect(heaviestSpot([raster(255, 0, 102, 51), raster(51, 204, 255, 0)])).toEqual({ percent: 140, x: 0.25, y: 0.75 });
  });
  it('is never more than a full solid of every ink, nor less than the mean', () => {
    const block = fc.integer({ min: 0, max: 255 });
    const inks = fc.array(fc.array(block, { minLength: 6, maxLength: 6 }), { minLength: 1, maxLength: 6 });
    fc.assert(
      fc.property(inks, (all) => {
        const { percent } = heaviestSpot(all.map((values) => ({ across: 3, values })))!;
        const mean = all.flat().reduce((a, b) => a + b, 0) / 6 / 2.55;
        expect(percent).toBeLessThanOrEqual(100 * all.length);
        expect(percent).toBeGreaterThanOrEqual(mean - 1e-9);
      }),
    );
  });
  it('is unknown without separations, and where they are of different sizes; rows must be whole', () => {
    expect(heaviestSpot([])).toBeNull();
    expect(heaviestSpot([raster(1, 2), raster(1, 2, 3, 4)])).toBeNull();
    expect(() => heaviestSpot([raster(1, 2, 3)])).toThrow('whole rows');
  });
  test.each([
    [0, { x: 15, y: 50 }],
    [90, { x: 25, y: 50 }],
    [180, { x: 25, y: 30 }],
    [270, { x: 15, y: 30 }],
  ] as const)('goes round with its copy, to the right: %s°', (turn, at) => {
    expect(spotOn({ x: 10, y: 20, w: 20, h: 40, turn }, { x: 0.25, y: 0.25 })).toEqual(at);
  });
});
