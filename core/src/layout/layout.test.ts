import fc from 'fast-check';
import { guillotineCount } from './guillotine-count';
import { copiesUp, copyPlaces, type Layout } from './layout';
import { type SheetLayoutAsk, sheetLayout } from './sheet-layout';
import { breakEvenQuantity, fitsWorkStyle, pressPasses, WORK_STYLE_IDS, type WorkStyleId } from './work-style';

const ask = (more: Partial<SheetLayoutAsk> = {}): SheetLayoutAsk => ({
  part: 'p',
  item: 'i',
  sheetMm: [720, 520],
  usable: { x: 5, y: 12, widthMm: 710, heightMm: 496 },
  trimMm: [210, 210],
  bleedMm: 3,
  grainAlong: null,
  sheetGrain: 'x',
  style: 'simplex',
  gripperMm: 12,
  ...more,
});

describe('exact guillotine count', () => {
  test.each([
    ['exactly one', [210, 297, 210, 297], 1, 'by hand'],
    ['three by two', [648, 432, 216, 216], 6, 'by hand'],
    ['not one fits', [100, 100, 101, 50], 0, 'by hand'],
    ['turned pieces fill the rest', [30, 22, 7, 4], 22, 'pallet-30x22-7x4, pallet loading literature'],
    ['sizes with fractions', [20.3, 10.1, 10.15, 10.1], 2, 'by hand: 2 × 10.15 = 20.3'],
  ])('%s', (_name, [width, height, pieceWidth, pieceHeight], count, _source) => {
    expect(
      guillotineCount({
        width: width as number,
        height: height as number,
        pieceWidth: pieceWidth as number,
        pieceHeight: pieceHeight as number,
        mayTurn: true,
      }).count,
    ).toBe(count);
  });

  it('refuses a size not above 0', () => {
    expect(() => guillotineCount({ width: 0, height: 1, pieceWidth: 1, pieceHeight: 1, mayTurn: true })).toThrow('width');
  });

  it('lays pieces inside and apart, counts what it lays, and never beats the area', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 20, max: 200 }),
        fc.integer({ min: 20, max: 200 }),
        fc.integer({ min: 5, max: 60 }),
        fc.integer({ min: 5, max: 60 }),
        fc.boolean(),
        (width, height, pieceWidth, pieceHeight, mayTurn) => {
          const { count, blocks } = guillotineCount({ width, height, pieceWidth, pieceHeight, mayTurn });
          const boxes = blocks.flatMap((b) => {
            const [w, h] = b.turned ? [pieceHeight, pieceWidth] : [pieceWidth, pieceHeight];
            return Array.from({ length: b.nx * b.ny }, (_, i) => ({ x: b.x + (i % b.nx) * w, y: b.y + Math.floor(i / b.nx) * h, w, h }));
          });
          expect(boxes).toHaveLength(count);
          expect(count * pieceWidth * pieceHeight).toBeLessThanOrEqual(width * height);
          const e = 1e-9;
          expect(boxes.every((a) => a.x >= -e && a.y >= -e && a.x + a.w <= width + e && a.y + a.h <= height + e)).toBe(true);
          expect(
            boxes.every((a, i) =>
              boxes.every((b, j) => j <= i || a.x + a.w <= b.x + e || b.x + b.w <= a.x + e || a.y + a.h <= b.y + e || b.y + b.h <= a.y + e),
            ),
          ).toBe(true);
        },
      ),
      { numRuns: 300 },
    );
  });

  it('gives a larger sheet no fewer copies', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 20, max: 120 }),
        fc.integer({ min: 20, max: 120 }),
        fc.integer({ min: 5, max: 40 }),
        fc.integer({ min: 5, max: 40 }),
        fc.integer({ min: 0, max: 30 }),
        (width, height, pieceWidth, pieceHeight, more) =>
          guillotineCount({ width: width + more, height, pieceWidth, pieceHeight, mayTurn: true }).count >=
          guillotineCount({ width, height, pieceWidth, pieceHeight, mayTurn: true }).count,
      ),
      { numRuns: 200 },
    );
  });
});

describe('layout on the press sheet', () => {
  it('keeps every copy with its bleed inside the usable sheet, in every work style', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 40, max: 400 }),
        fc.integer({ min: 40, max: 400 }),
        fc.integer({ min: 0, max: 5 }),
        fc.constantFrom(...WORK_STYLE_IDS),
        fc.constantFrom('width' as const, 'height' as const, null),
        (w, h, bleedMm, style, grainAlong) => {
          const a = ask({ trimMm: [w, h], bleedMm, style, grainAlong });
          const layout = sheetLayout(a);
          if (!layout) return;
          const places = copyPlaces(layout);
          expect(places).toHaveLength(copiesUp(layout));
          const { usable: u } = a;
          expect(
            places.filter(
              (p) =>
                p.x - bleedMm < u.x - 1e-6 ||
                p.y - bleedMm < u.y - 1e-6 ||
                p.x + p.w + bleedMm > u.x + u.widthMm + 1e-6 ||
                p.y + p.h + bleedMm > u.y + u.heightMm + 1e-6,
            ),
          ).toEqual([]);
          if (grainAlong !== null)
            expect(places.every((p) => p.turned === ((grainAlong === 'width' ? 'x' : 'y') !== a.sheetGrain))).toBe(true);
          if (style === 'turn' || style === 'tumble') expect(places.length % 2).toBe(0);
        },
      ),
      { numRuns: 300 },
    );
  });

  it('mirrors the halves of work-and-turn: every copy has its twin', () => {
    const a = ask({ style: 'turn', trimMm: [100, 148] });
    const layout = sheetLayout(a) as Layout;
    const middle = a.usable.x + a.usable.widthMm / 2;
    const places = copyPlaces(layout);
    for (const p of places)
      expect(places.some((q) => Math.abs(q.x + q.w - (2 * middle - p.x)) < 1e-6 && Math.abs(q.y - p.y) < 1e-6)).toBe(true);
  });

  it('says that nothing fits by giving nothing', () => {
    expect(sheetLayout(ask({ trimMm: [800, 800] }))).toBeNull();
  });
});

describe('work styles', () => {
  const press = { units: 5, perfects: false };
  test.each<[WorkStyleId, [string[], string[]], number, number, string]>([
    ['simplex', [['K', 'C'], []], 1, 2, 'one side, one plate an ink'],
    ['sheetwise', [['K', 'C', 'M', 'Y'], ['K']], 2, 5, 'two forms: 4 + 1 plates'],
    ['turn', [['K', 'C', 'M', 'Y'], ['K']], 2, 4, 'one form carries both: 4 plates, two passes'],
    [
      'tumble',
      [
        ['K', 'C', 'M', 'Y'],
        ['K', 'C', 'M', 'Y'],
      ],
      2,
      4,
      'one form carries both',
    ],
    [
      'perfect',
      [
        ['K', 'C'],
        ['K', 'C', 'M'],
      ],
      1,
      5,
      'both sides in one pass',
    ],
  ])('%s', (style, colours, passes, plates, _why) => {
    const made = pressPasses(style, colours, { units: 5, perfects: true });
    expect(made).toHaveLength(passes);
    expect(made.filter((p) => !p.samePlates).reduce((s, p) => s + p.prints.reduce((n, side) => n + side.inks.length, 0), 0)).toBe(plates);
  });
  it('splits inks beyond the units into further passes, losing none', () => {
    expect(pressPasses('sheetwise', [['1', '2', '3', '4', '5', '6', '7'], ['K']], press).map((p) => p.prints[0]?.inks.length)).toEqual([
      5, 2, 1,
    ]);
  });
  it('a ten-unit perfector prints 5/5 in one pass', () => {
    const five = ['K', 'C', 'M', 'Y', 'spot'];
    expect(fitsWorkStyle('perfect', [five, five], { units: 10, perfects: true })).toBe(true);
    expect(pressPasses('perfect', [five, five], { units: 10, perfects: true })).toHaveLength(1);
  });
  it('a press that does not perfect cannot', () => {
    expect(fitsWorkStyle('perfect', [['K'], ['K']], press)).toBe(false);
    expect(fitsWorkStyle('simplex', [['K'], ['K']], press)).toBe(false);
  });
  it('breaks even where the fixed cost is earned', () => {
    expect(breakEvenQuantity({ fixedA: 100, eachA: 0.05, fixedB: 200, eachB: 0.03 })).toBeCloseTo(5000, 6);
    expect(breakEvenQuantity({ fixedA: 100, eachA: 0.03, fixedB: 200, eachB: 0.05 })).toBe(Infinity);
  });
});
