import fc from 'fast-check';
import { rollDiameterMm, ROLL_LENGTH_BY_DIAMETER, ROLL_LENGTH_BY_MASS, ROLLS, USABLE_LENGTH } from '../stock/roll';
import { copiesUp, type CopyPlace, copyPlaces } from './layout';
import { askedSheetMm, webForm, webLayout, type WebLayoutAsk } from './web-layout';

const ask = (more: Partial<WebLayoutAsk> = {}): WebLayoutAsk => ({
  part: 'p',
  item: 'i',
  pieceMm: [60, 40],
  sheet: { across: 4, along: 6, gapMm: 2, edgeMm: 5 },
  webMm: 330,
  edgeTrimMm: 8,
  gearPitchMm: 3.175,
  minRepeatMm: 305,
  maxRepeatMm: 762,
  repeatMm: null,
  ...more,
});
const anyAsk: fc.Arbitrary<WebLayoutAsk> = fc
  .record({
    w: fc.integer({ min: 5, max: 200 }),
    h: fc.integer({ min: 5, max: 200 }),
    across: fc.integer({ min: 1, max: 8 }),
    along: fc.integer({ min: 1, max: 8 }),
    gapMm: fc.integer({ min: 0, max: 6 }),
    edgeMm: fc.integer({ min: 0, max: 10 }),
    webMm: fc.integer({ min: 100, max: 1_200 }),
    edgeTrimMm: fc.integer({ min: 0, max: 20 }),
    pitch: fc.constantFrom(3.175, 5, 6.35),
  })
  .map((r) =>
    ask({
      pieceMm: [r.w, r.h],
      sheet: { across: r.across, along: r.along, gapMm: r.gapMm, edgeMm: r.edgeMm },
      webMm: r.webMm,
      edgeTrimMm: r.edgeTrimMm,
      gearPitchMm: r.pitch,
    }),
  );

describe('the cylinder of a web', () => {
  it('holds two sheets of 260 mm on 164 teeth of an eighth of an inch', () => {
    expect(webForm(ask())).toEqual({ lanes: 1, around: 2, teeth: 164, sheetMm: [256, (164 * 3.175) / 2] });
  });
  it('takes the least web a sheet of all numbers of sheets around', () => {
    fc.assert(
      fc.property(anyAsk, (a) => {
        const form = webForm(a);
        const [sheetW, sheetL] = askedSheetMm(a.pieceMm, a.sheet);
        // Tried by brute force: every tooth count the press takes, with as many sheets as it holds.
        let best = Infinity;
        for (let teeth = Math.ceil(a.minRepeatMm / a.gearPitchMm - 1e-9); teeth * a.gearPitchMm <= a.maxRepeatMm + 1e-9; teeth++) {
          const around = Math.floor((teeth * a.gearPitchMm) / sheetL + 1e-9);
          if (around >= 1) best = Math.min(best, (teeth * a.gearPitchMm) / around);
        }
        const fits = sheetW <= a.webMm - 2 * a.edgeTrimMm + 1e-9 && Number.isFinite(best);
        expect(form !== null).toBe(fits);
        if (form) expect(form.sheetMm[1]).toBeCloseTo(best, 6);
      }),
      { numRuns: 400 },
    );
  });
  it('lays every piece inside the web between its trims, none over another', () => {
    fc.assert(
      fc.property(anyAsk, (a) => {
        const layout = webLayout(a);
        if (!layout?.web) return;
        const places = copyPlaces(layout);
        expect(places).toHaveLength(copiesUp(layout));
        expect(copiesUp(layout)).toBe(layout.web.lanes * layout.web.around * a.sheet.across * a.sheet.along);
        const outside = places.filter(
          (p) =>
            p.x < a.edgeTrimMm - 1e-6 || p.x + p.w > a.webMm - a.edgeTrimMm + 1e-6 || p.y < -1e-6 || p.y + p.h > layout.sheetMm[1] + 1e-6,
        );
        expect(outside).toEqual([]);
        const apart = (p: CopyPlace, q: CopyPlace): boolean =>
          q.x >= p.x + p.w - 1e-6 || p.x >= q.x + q.w - 1e-6 || q.y >= p.y + p.h - 1e-6 || p.y >= q.y + q.h - 1e-6;
        expect(places.some((p, i) => places.slice(i + 1).some((q) => !apart(p, q)))).toBe(false);
      }),
      { numRuns: 80 },
    );
  });
  it('takes a typed repeat as it is, and nothing where it holds no sheet', () => {
    expect(webForm(ask({ repeatMm: 600 }))).toMatchObject({ around: 2, sheetMm: [256, 300] });
    expect(webForm(ask({ repeatMm: 200 }))).toBeNull();
  });
  it('fits nothing on a web that is too narrow, or a press too small', () => {
    expect(webForm(ask({ webMm: 271 }))).toBeNull();
    expect(webForm(ask({ webMm: 272 }))?.lanes).toBe(1);
    expect(webForm(ask({ maxRepeatMm: 259 }))).toBeNull();
  });
});

describe('a roll', () => {
  it('holds 4,500 m where 550 kg lie on a web of 122.2 g a metre', () => {
    expect(ROLL_LENGTH_BY_MASS.of({ rollKg: 550, coreKg: 0, gsm: 162, widthMm: 754.5 })).toBeCloseTo(4_499.75, 2);
  });
  it('has the same length by diameter as the diameter that length gives', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 20_000 }),
        fc.integer({ min: 20, max: 300 }),
        fc.integer({ min: 20, max: 800 }),
        (lengthM, coreMm, caliperUm) => {
          const diameterMm = rollDiameterMm({ lengthM, coreMm, caliperUm });
          expect(ROLL_LENGTH_BY_DIAMETER.of({ diameterMm, coreMm, caliperUm })).toBeCloseTo(lengthM, 5);
        },
      ),
    );
  });
  it('is counted whole, core waste taken off first', () => {
    const usable = USABLE_LENGTH.of({ lengthM: 1_005, coreWasteM: 5 });
    expect(ROLLS.of({ metres: 3_000, usable })).toBe(3);
    expect(ROLLS.of({ metres: 3_001, usable })).toBe(4);
    expect(ROLLS.of({ metres: 10, usable: 0 })).toBe(0);
  });
  it('is nothing where nothing is known of it', () => {
    expect(ROLL_LENGTH_BY_MASS.of({ rollKg: 500, coreKg: 2, gsm: 0, widthMm: 500 })).toBe(0);
    expect(ROLL_LENGTH_BY_DIAMETER.of({ diameterMm: 800, coreMm: 76, caliperUm: 0 })).toBe(0);
    expect(ROLL_LENGTH_BY_MASS.of({ rollKg: 1, coreKg: 2, gsm: 80, widthMm: 500 })).toBe(0);
  });
});
