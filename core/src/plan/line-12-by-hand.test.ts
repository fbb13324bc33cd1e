import * as fc from 'fast-check';
import { breakLostM, repeatsLost } from '../counts/web-break';
import { boxesFilled, layflatMm, sharedInBox, woundAnHour } from '../finishing/rolls-wound';
import { leastRun } from '../flow/counts';
import { driftMm, relaxedRepeatMm, repeatsInLength, turnForAlikeMm } from '../layout/web-repeat';
import { inkOnSheetsKg } from '../ink/ink-mass';
import { inkBoughtKg, solventKg } from '../ink/press-ready';
import { inTurn, lanesOfDesigns, sideBySide } from '../layout/designs-on-web';
import { LANES } from '../layout/web-layout';
import { cutOuts, motherReels, spliceLengths } from '../stock/mother-reel';
import { METRE_MASS, ROLL_LENGTH_BY_DIAMETER, rollDiameterMm } from '../stock/roll';

/*
 * Line 12 worked by hand: drawer paper in two designs, 6,000 rolls each of
 * 2 m × 700, 60 g, 75 µm, on a web of 1,430; first turn 500, web strained by 0.05 %. Source: common practice, no source, worked with a pencil, unless a test says
 * otherwise.
 */
describe('the web', () => {
  it('carries two lanes, one a design; side by side 6,000 lengths, in turn 3,000 each', () => {
    expect(LANES.of({ webMm: 1_430, edgeTrimMm: 15, sheetWidthMm: 700 })).toBe(2);
    const each = { rolls: 6_000, lanes: 1 };
    expect(sideBySide([each, each])).toEqual({ lengths: 6_000, over: [0, 0] });
    expect(inTurn([6_000, 6_000], 2)).toEqual([3_000, 3_000]);
    // A thousand fewer of one: as many lengths, a thousand over.
    expect(sideBySide([each, { rolls: 5_000, lanes: 1 }])).toEqual({ lengths: 6_000, over: [0, 1_000] });
    expect(() => sideBySide([{ rolls: 5, lanes: 0 }])).toThrow('lanes');
  });
  it('gives a lane to each design, and the others to whoever has most to wind', () => {
    expect(lanesOfDesigns([6_000, 6_000], 2)).toEqual([1, 1]);
    expect(lanesOfDesigns([6_000, 2_000], 4)).toEqual([3, 1]);
    expect(lanesOfDesigns([1, 2, 3], 2)).toEqual([]);
    const rolls = fc.array(fc.integer({ min: 1, max: 9_000 }), { minLength: 1, maxLength: 3 });
    fc.assert(
      fc.property(rolls, fc.integer({ min: 0, max: 3 }), (wanted, more) => {
        const lanes = wanted.length + more;
        const longest = (of: readonly number[]): number => Math.max(...wanted.map((n, i) => n / (of[i] ?? 1)));
        // Every way to share them out.
        const ways = (left: number, designs: number): number[][] =>
          designs === 1
            ? [[left]]
            : Array.from({ length: left - designs + 1 }, (_, i) => i + 1).flatMap((a) => ways(left - a, designs - 1).map((w) => [a, ...w]));
        const found = lanesOfDesigns(wanted, lanes);
        expect(found.reduce((a, b) => a + b, 0)).toBe(lanes);
        expect(longest(found)).toBe(Math.min(...ways(lanes, wanted.length).map(longest)));
      }),
    );
  });
  it('repeats every 499.75, drifts by 1.0 a roll, and begins alike with a turn of 500.25', () => {
    const repeat = relaxedRepeatMm({ firstTurnMm: 500, strainPpm: 500 });
    expect(repeat).toBeCloseTo(499.75, 2);
    expect(repeatsInLength(2_000, repeat)).toBe(4);
    expect(driftMm(2_000, repeat)).toBeCloseTo(1, 2);
    const alike = turnForAlikeMm({ lengthMm: 2_000, repeats: 4, strainPpm: 500 });
    expect(alike).toBeCloseTo(500.25, 9);
    expect(driftMm(2_000, relaxedRepeatMm({ firstTurnMm: alike, strainPpm: 500 }))).toBeCloseTo(0, 9);
  });
  it('is 772.2 kg on a roll of 9,000 m', () => {
    expect(9_000 * METRE_MASS.of({ gsm: 60, widthMm: 1_430 })).toBeCloseTo(772.2, 9);
  });
});

describe('the reels', () => {
  it('hold 6,460 m at the most; set to 6,400 the run lies on two, 6,400 and 5,876', () => {
    expect(ROLL_LENGTH_BY_DIAMETER.of({ diameterMm: 800, coreMm: 152, caliperUm: 75 })).toBeCloseTo(6_460, 0);
    expect(motherReels(12_276, 6_400, 2)).toEqual([
      { fromM: 0, toM: 6_400 },
      { fromM: 6_400, toM: 12_276 },
    ]);
    // One that would end within a length ends before it.
    expect(motherReels(10_000, 4_999, 2)[0]).toEqual({ fromM: 0, toM: 4_998 });
    expect(() => motherReels(10, 1, 2)).toThrow('mostM');
  });
  it('are wound off backwards: a fault from 7,215 to 7,231 lies 5,045 to 5,061 from outside; stop after 2,522 lengths, 17 m lost', () => {
    const reels = motherReels(12_276, 6_400, 2);
    expect(cutOuts(reels, [7_215, 7_231], 2)).toEqual([{ reel: 1, fromM: 5_045, toM: 5_061, afterLengths: 2_522, lostM: 17 }]);
  });
  it('with a fault over both are cut twice: the end of the first is its outside, the beginning of the second its core', () => {
    const reels = motherReels(12_276, 6_400, 2);
    expect(cutOuts(reels, [6_395, 6_410], 2)).toEqual([
      { reel: 0, fromM: 0, toM: 5, afterLengths: 0, lostM: 5 },
      { reel: 1, fromM: 5_866, toM: 5_876, afterLengths: 2_933, lostM: 10 },
    ]);
    expect(cutOuts(reels, [13_000, 13_010], 2)).toEqual([]);
    expect(() => cutOuts(reels, [20, 10], 2)).toThrow('fault');
  });
  it('lose every faulty metre once and at the most a length more at each cut', () => {
    const metres = fc.integer({ min: 0, max: 12_000 });
    fc.assert(
      fc.property(metres, fc.integer({ min: 1, max: 300 }), fc.integer({ min: 1, max: 9 }), (from, long, length) => {
        const reels = motherReels(12_300, 4_000, length);
        const cuts = cutOuts(reels, [from, from + long], length);
        expect(cuts.reduce((sum, c) => sum + c.toM - c.fromM, 0)).toBe(long);
        for (const c of cuts) {
          expect(c.lostM).toBeGreaterThanOrEqual(c.toM - c.fromM);
          expect(c.lostM).toBeLessThan(c.toM - c.fromM + length);
          expect(c.toM).toBeLessThanOrEqual(reels[c.reel]!.toM - reels[c.reel]!.fromM);
        }
      }),
    );
  });
  it('lose 2 lengths at a planned splice, and 114 m, 228 repeats, at a break', () => {
    expect(spliceLengths({ tapedM: 1, lengthM: 2 })).toBe(2);
    const broken = { counterM: 4_236, lastGoodM: 4_228, pathM: 62, registerM: 44 };
    expect(breakLostM(broken)).toBe(114);
    expect(repeatsLost(breakLostM(broken), 500)).toBe(228);
    // A report that goes backwards is refused by its field.
    expect(() => breakLostM({ ...broken, lastGoodM: 4_300 })).toThrow('lastGoodM');
  });
});

describe('the counts', () => {
  const sleeved = leastRun({ need: 6_000, setup: 10, runningPpm: 5_000, samples: 0 });
  /** Lengths at the winder: 8 a mother reel of 3,200, 2 a paper roll of 4,495. */
  const wound = (need: number): number =>
    leastRun({
      ...{ need, setup: 15, runningPpm: 10_000, samples: 0 },
      batches: [
        { cycles: 3_200, lost: 8 },
        { cycles: 4_495, lost: 2 },
      ],
    });
  /** Repeats at the press: 80 a paper roll of 17,980. */
  const printed = (need: number, setup: number): number =>
    leastRun({ need, setup, runningPpm: 22_000, samples: 0, batches: [{ cycles: 17_980, lost: 80 }] });
  it('are 6,041 sleeved of each, 6,138 lengths, 26,368 repeats: 13,184 m, 1,131.2 kg, two paper rolls', () => {
    expect(sleeved).toBe(6_041);
    expect(wound(sleeved)).toBe(6_138);
    expect(wound(sleeved) * 4 * 0.5).toBe(12_276);
    const repeats = printed(wound(sleeved) * 4, 1_100);
    expect(repeats).toBe(26_368);
    expect(repeats * 0.5).toBe(13_184);
    expect(13_184 * METRE_MASS.of({ gsm: 60, widthMm: 1_430 })).toBeCloseTo(1_131.2, 1);
    expect(Math.ceil(13_184 / 8_990)).toBe(2);
  });
  it('in turn are 3,077 lengths each, 13,767 and 13,547 repeats: 473 m more', () => {
    const lengths = wound(Math.ceil(sleeved / 2));
    expect(lengths).toBe(3_077);
    // Gold is engraved alike in both: four of five cylinders change.
    const [first, second] = [printed(lengths * 4, 1_100), printed(lengths * 4, 880)];
    expect([first, second]).toEqual([13_767, 13_547]);
    expect((first + second) * 0.5 - 13_184).toBe(473);
  });
  it('take the press 214.2 min: made ready, 200 m a minute, a break of 25 min every 40 km; the winder 156.3', () => {
    expect(140 + 13_184 / 200 + (13_184 / 40_000) * 25).toBeCloseTo(214.2, 1);
    expect(102.3 + 30 + 24).toBeCloseTo(156.3, 9);
  });
});

describe('the ink', () => {
  it('is 145.17 kg ready for 18,457.6 m² at 5.5 g: gold 71.06, yellow 25.38, red and blue 20.30, black 8.12; 97.99 bought', () => {
    const areaMm2 = 13_184 * 1.4 * 1e6;
    const kg = [70, 25, 20, 20, 8].map((coveragePercent) => inkOnSheetsKg({ areaMm2, coveragePercent, filmGsm: 5.5, impressions: 1 }));
    expect(kg.map((m) => Number(m.toFixed(2)))).toEqual([71.06, 25.38, 20.3, 20.3, 8.12]);
    const readyKg = kg.reduce((a, b) => a + b, 0);
    expect(readyKg).toBeCloseTo(145.17, 2);
    const boughtKg = inkBoughtKg({ readyKg, share: 0.675 });
    expect(boughtKg).toBeCloseTo(97.99, 2);
    expect(solventKg({ readyKg, boughtKg, kgPerHour: 2, stations: 5, hours: 1.1 })).toBeCloseTo(readyKg - boughtKg + 11, 9);
    expect(() => inkBoughtKg({ readyKg, share: 1.2 })).toThrow('share');
  });
});

describe('the rolls', () => {
  it('are 34.86 thick, in film of 60.2 laid flat, 8,940.7 m of it', () => {
    const diameterMm = rollDiameterMm({ lengthM: 2, coreMm: 32, caliperUm: 75 });
    expect(diameterMm).toBeCloseTo(34.86, 2);
    expect(layflatMm({ diameterMm, easePercent: 10 })).toBeCloseTo(60.2, 1);
    expect(12_082 * 0.74).toBeCloseTo(8_940.7, 1);
  });
  it('are wound at 3,600 an hour: 6,138 in 102.3 min, a lane of 4,750 in 79.2', () => {
    const anHour = woundAnHour({ lengthM: 2, metresPerMin: 200, changeS: 0.4, rated: 4_000 });
    expect(anHour).toBeCloseTo(3_600, 9);
    expect((6_138 / anHour) * 60).toBeCloseTo(102.3, 1);
    expect((9_500 / 2 / anHour) * 60).toBeCloseTo(79.2, 1);
    expect(woundAnHour({ lengthM: 2, metresPerMin: 200, changeS: 0.4, rated: 3_000 })).toBe(3_000);
  });
  it('fill 1,000 boxes of 6 and 6; where one runs short it limits them, and the rest is said', () => {
    const full = { rolls: 6_000, aBox: 6 };
    expect(boxesFilled([full, full])).toEqual({ boxes: 1_000, limits: 0, left: [0, 0] });
    expect(boxesFilled([full, { rolls: 4_690, aBox: 6 }])).toEqual({ boxes: 781, limits: 1, left: [1_314, 4] });
    expect(sharedInBox([6_000, 6_000], 12)).toEqual([6, 6]);
    expect(sharedInBox([5_000, 2_500, 100], 12)).toEqual([7, 4, 1]);
    const ordered = fc.array(fc.integer({ min: 1, max: 90_000 }), { minLength: 1, maxLength: 12 });
    fc.assert(
      fc.property(ordered, fc.integer({ min: 0, max: 300 }), (rolls, more) => {
        const shared = sharedInBox(rolls, rolls.length + more);
        for (const n of shared) expect(n).toBeGreaterThanOrEqual(1);
        expect(shared.reduce((a, b) => a + b, 0)).toBeGreaterThanOrEqual(rolls.length + more);
      }),
    );
    expect(boxesFilled([])).toEqual({ boxes: 0, limits: -1, left: [] });
  });
});
