import * as fc from 'fast-check';
import { edgeTiers } from '../finishing/edge-tiers';
import { beadOf, gluerRate } from '../finishing/folder-gluer';
import { leastRun } from '../flow/counts';
import { channelMm, creaseRuleHeightMm, dieForceKn, newDieFrom, nicksOf } from '../form/cutting-die';
import { anyLayout } from '../layout/any-layout';
import { blankNest, latticeNest } from '../layout/blank-nest';
import { measureDieLine } from '../product/die-line/die-line';
import { pathArea, type Point } from '../product/die-line/points';
import { cartonDieLine } from '../product/die-line/carton';
import type { CartonAsk } from '../product/die-line/carton-ask';
import { tubeSizes } from '../product/die-line/tube';

/*
 * Line 4 worked by hand before anything else of it comes: a tea carton, reverse tuck, inside 72 × 48 × 126 of board 0.44 mm and 275 g/m², 60,000 of them in
 * five inks and water coat, embossed. Every number below follows from these and from the practice values of the trade; source: common practice, no source,
 * worked with a pencil, unless a test says otherwise.
 */
const TEA: CartonAsk = { style: 'reverse', lengthMm: 72, widthMm: 48, heightMm: 126, caliperMm: 0.44 };
const WANTED = 60_000;
const GSM = 275;
const GAP_MM = 3;
const SHEET_MM = [1_060, 670] as const;
const USABLE_MM = [1_048, 642] as const;

describe('the blank', () => {
  const of = tubeSizes(TEA);
  const die = measureDieLine(cartonDieLine(TEA));
  it('has panels of the inside and the caliper, and flaps that follow', () => {
    expect(of.panelsMm.map((p) => Math.round(p * 100) / 100)).toEqual([72.44, 48.44, 72.44, 47.94]);
    expect(of.girthMm).toBeCloseTo(256.26, 9);
    expect([of.lidMm, of.dustMm]).toEqual([47.5, 31]);
    expect(of.blankHeightMm).toBeCloseTo(252.32, 9);
  });
  it('is cut and creased so far', () => {
    expect(die.outlineMm).toBeCloseTo(1_258.21, 2);
    expect(die.areaMm2).toBeCloseTo(46_752.82, 2);
    expect(die.cutMm).toBeCloseTo(1_278.21, 2);
    expect(die.creaseMm).toBeCloseTo(946.28, 2);
    expect(die.creaseByClass).toMatchObject({
      body: expect.closeTo(505.76, 6),
      lid: expect.closeTo(142.88, 6),
      dust: expect.closeTo(174.76, 6),
      tuck: expect.closeTo(122.88, 6),
    });
    expect([die.widthMm, die.heightMm]).toEqual([expect.closeTo(of.girthMm, 9), expect.closeTo(of.blankHeightMm, 9)]);
  });
  it('as a straight tuck has both lids on the back, and the same cut, crease and area', () => {
    const straight = measureDieLine(cartonDieLine({ ...TEA, style: 'straight' }));
    for (const what of ['outlineMm', 'areaMm2', 'cutMm', 'creaseMm'] as const) expect(straight[what]).toBeCloseTo(die[what], 9);
  });
  it('never crosses itself, and is as large as its panels, whatever its sizes', () => {
    const mm = (min: number, max: number) => fc.double({ min, max, noNaN: true });
    fc.assert(
      fc.property(
        fc.constantFrom('straight' as const, 'reverse' as const),
        mm(20, 200),
        mm(12, 150),
        mm(30, 300),
        mm(0.2, 0.9),
        (style, lengthMm, widthMm, heightMm, caliperMm) => {
          const ask = { style, lengthMm, widthMm, heightMm, caliperMm };
          const s = tubeSizes(ask);
          const [p1, p2, , p4] = s.panelsMm;
          const lids = 2 * (p1 * caliperMm + (p1 - 1) * (s.lidMm + s.tuckMm));
          const dust = 2 * s.dustMm * (p2 + p4 - 2 * (0.5 + s.reliefMm));
          const flap = s.flapMm * (2 * s.halfMm - 4);
          const body = 2 * s.halfMm * (s.girthMm - s.flapMm);
          // The surveyor's formula and the sum of the panels agree only where the outline crosses nothing.
          expect(pathArea(cartonDieLine(ask).outline)).toBeCloseTo(body + lids + dust + flap, 4);
        },
      ),
    );
  });
});

describe('the sheet', () => {
  const of = tubeSizes(TEA);
  const area = measureDieLine(cartonDieLine(TEA)).areaMm2;
  it('holds twelve in rows that reach into one another, eight as rectangles', () => {
    const { outline } = cartonDieLine(TEA);
    const nest = blankNest(outline, GAP_MM, USABLE_MM);
    expect(nest.places).toHaveLength(12);
    expect([nest.dxMm, nest.dyMm[0]]).toEqual([expect.closeTo(259.26, 6), expect.closeTo(192.38, 6)]);
    expect(nest.usedMm).toEqual([expect.closeTo(1_034.04, 6), expect.closeTo(637.08, 6)]);
    const [w, h] = [of.girthMm, of.blankHeightMm];
    const box: Point[] = [
      [0, 0],
      [w, 0],
      [w, h],
      [0, h],
    ];
    expect(latticeNest(box, GAP_MM, USABLE_MM).places).toHaveLength(8);
  });
  it('would hold fourteen by area, and is used to 79.0 per cent', () => {
    expect(Math.floor((USABLE_MM[0] * USABLE_MM[1]) / area)).toBe(14);
    expect((12 * area) / (SHEET_MM[0] * SHEET_MM[1])).toBeCloseTo(0.79, 3);
  });
});

describe('the die', () => {
  const { cutMm, creaseMm, outlineMm } = measureDieLine(cartonDieLine(TEA));
  it('wants so much force, rules, channels and nicks', () => {
    expect([(12 * cutMm) / 1000, (12 * creaseMm) / 1000]).toEqual([expect.closeTo(15.339, 3), expect.closeTo(11.355, 3)]);
    const kn = dieForceKn({ cutMm: 12 * cutMm, creaseMm: 12 * creaseMm });
    expect(kn).toBeCloseTo(1_184, 0);
    expect(Math.round((100 * kn) / 2_600)).toBe(46);
    // The grain runs across the body's creases.
    expect([channelMm({ caliperMm: 0.44, acrossGrain: false }), channelMm({ caliperMm: 0.44, acrossGrain: true })]).toEqual([1.4, 1.5]);
    expect(creaseRuleHeightMm(0.44)).toBeCloseTo(23.35, 9);
    expect(nicksOf(outlineMm)).toBe(7);
  });
  it('of twelve in place of eight is earned from 96,958 cartons on', () => {
    const metres = (12 * (cutMm + creaseMm)) / 1000;
    expect(newDieFrom({ dieCost: metres * 38 + 440, perSheet: 0.36, placesNow: 8, placesNew: 12 })).toBeCloseTo(96_958, -1);
    expect(newDieFrom({ dieCost: 1_000, perSheet: 0.36, placesNow: 12, placesNew: 8 })).toBeNull();
  });
});

describe('the counts', () => {
  const run = (need: number, setup: number, runningPpm: number, samples: number): number =>
    leastRun({ need, setup, runningPpm, samples, batchCycles: 0, batchLost: 0 });
  const glued = run(WANTED, 100, 10_000, 20);
  const cut = run(Math.ceil(glued / 12), 95, 10_000, 5);
  const embossed = run(cut, 40, 5_000, 5);
  const printed = run(embossed, Math.ceil(225 + 37.5 * (5 - 4)), 20_000, 10);
  it('go back from 60,000 in whole blanks and sheets', () => {
    expect([glued, Math.ceil(glued / 12), cut, embossed, printed]).toEqual([60_727, 5_061, 5_213, 5_285, 5_667]);
  });
  it('weigh so much board, ink and coat', () => {
    const { areaMm2 } = measureDieLine(cartonDieLine(TEA));
    const sheetM2 = (SHEET_MM[0] * SHEET_MM[1]) / 1e6;
    expect((printed * sheetM2 * GSM) / 1000).toBeCloseTo(1_106.8, 1);
    expect((printed * sheetM2 * GSM) / WANTED).toBeCloseTo(18.4, 1);
    expect((areaMm2 / 1e6) * GSM).toBeCloseTo(12.86, 2);
    expect((printed * 0.3 * 12 * (areaMm2 / 1e6) * 1.15) / 1000).toBeCloseTo(1.097, 3);
    // No coat on the seam, save 3 mm over its crease: a trapezium 12 wide.
    const knockOut = measureDieLine(cartonDieLine(TEA)).knockOutMm2;
    expect(knockOut).toBeCloseTo(1_459.68, 2);
    const coatedM2 = (1_034.04 * 637.08 - 12 * knockOut) / 1e6;
    expect(coatedM2).toBeCloseTo(0.64125, 5);
    expect((printed * coatedM2 * 4.5) / 1000).toBeCloseTo(16.35, 2);
  });
  it('lie in three piles of 2,727 sheets', () => {
    const perPile = Math.floor(1_200 / 0.44);
    expect([perPile, Math.ceil(printed / perPile)]).toEqual([2_727, 3]);
  });
});

describe('gluing and packing', () => {
  const of = tubeSizes(TEA);
  it('runs 26,895 an hour with 5.27 kg of glue', () => {
    const rate = gluerRate('seam', of.blankHeightMm);
    expect(Math.floor(rate.gross)).toBe(38_422);
    expect(Math.floor(rate.net)).toBe(26_895);
    expect(60_727 / rate.net).toBeCloseTo(2.26, 2);
    const bead = beadOf(2 * (of.halfMm - 4));
    expect(bead.mm).toBeCloseTo(108.44, 9);
    expect(bead.g).toBeCloseTo(0.0868, 4);
    expect((60_727 * bead.g) / 1000).toBeCloseTo(5.27, 2);
  });
  it('never runs faster than the belts let it, and slower the longer the blank', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('seam' as const, 'autoBottom' as const, 'fourCorner' as const),
        fc.double({ min: 40, max: 900, noNaN: true }),
        (work, mm) => {
          expect(gluerRate(work, mm).gross).toBeGreaterThanOrEqual(gluerRate(work, mm + 10).gross);
          expect(gluerRate(work, mm).net).toBeLessThan(gluerRate(work, mm).gross);
        },
      ),
    );
    expect(gluerRate('seam', 40).gross).toBe(40_000);
  });
  it('packs 550 a case, 110 cases, 48 on a pallet', () => {
    const tiers = edgeTiers({ caseMm: [392, 262, 252], caliperMm: 0.44, pieceMm: of.panelsMm[0] + of.panelsMm[1] });
    expect(tiers).toMatchObject({ thickMm: expect.closeTo(1.32, 9), aTier: 296, tiers: 2, most: 592, packed: 550 });
    const cases = Math.ceil(WANTED / tiers.packed);
    expect([cases, WANTED - (cases - 1) * tiers.packed]).toEqual([110, 50]);
    const caseKg = (tiers.packed * (measureDieLine(cartonDieLine(TEA)).areaMm2 / 1e6) * GSM) / 1000 + 0.5;
    expect(caseKg).toBeCloseTo(7.57, 2);
    const layer = anyLayout({ width: 1_200, height: 800, pieceWidth: 400, pieceHeight: 270, mayTurn: true, iterations: 60_000 });
    expect(layer.count).toBe(8);
    const layers = Math.floor((1_800 - 144) / 260);
    expect([layers, 144 + layers * 260]).toEqual([6, 1_704]);
    expect(Math.round(layer.count * layers * caseKg + 22)).toBe(385);
    expect([48, 48, cases - 96]).toEqual([48, 48, 14]);
  });
});
