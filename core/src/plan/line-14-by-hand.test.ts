import { leastRun } from '../flow/counts';
import { dieFaceMm, dieMakingMinutes, furtherCounters, twoUpMoreMinutes } from '../form/engraved-die';
import { engravedInkG, powderG, raisedAnHour, wipingPaperM } from '../ink/relief-ink';
import { handPassMinutes, inspectionMinutes, twoUpPaysFrom } from '../route/hand-work';

/*
 * Line 14 worked by hand: a choir's 350 cards of 178 × 127, slate blue, crest 40 × 45 in silver and text 120 × 60 in white, both engraved; 350 envelopes of 220 × 110
 * with a raised address of 90 × 18. Source: common practice, no source, worked with a pencil.
 */
const CARDS = 350;
const run = (need: number, setup: number, runningPpm: number, samples: number): number => leastRun({ need, setup, runningPpm, samples });
const INSPECTED = run(CARDS, 0, 10_000, 0);
const TEXT = run(INSPECTED, 15, 30_000, 2);
const CREST = run(TEXT, 15, 30_000, 2);
const ENVELOPES = run(INSPECTED, 25, 30_000, 2);
const pass = (cards: number): number =>
  handPassMinutes({ setUpMin: 75, counters: furtherCounters(cards, 2_000), run: cards, anHour: 700, rest: 0.125 });
const crest = { w: dieFaceMm(40, 12), h: dieFaceMm(45, 12) };
const text = { w: dieFaceMm(120, 12), h: dieFaceMm(60, 12) };

describe('the dies', () => {
  it('have faces of 64 × 69 and 144 × 84, beside each other on one plate of 300 × 200, and take 209 min', () => {
    expect([crest.w, crest.h, text.w, text.h]).toEqual([64, 69, 144, 84]);
    expect(crest.w + 3 + text.w).toBe(211);
    expect(dieMakingMinutes({ plates: 1, dies: 2 })).toBe(209);
  });
  it('want one counter each for runs of 383 and 412, three for 5,000', () => {
    expect([383, 412, 5_000].map((n) => 1 + furtherCounters(n, 2_000))).toEqual([1, 1, 3]);
    expect(() => furtherCounters(5, 0)).toThrow('life');
  });
});

describe('the counts', () => {
  it('are 354 to the inspection, 383 text, 412 crest in 17 boxes of 25; 393 envelopes', () => {
    expect([INSPECTED, TEXT, CREST, ENVELOPES]).toEqual([354, 383, 412, 393]);
    expect(Math.ceil(CREST / 25)).toBe(17);
  });
});

describe('the passes', () => {
  it('take 114.7 and 111.9 min, the inspection 39.8 of one person', () => {
    expect([pass(CREST), pass(TEXT)].map((m) => Number(m.toFixed(1)))).toEqual([114.7, 111.9]);
    expect(inspectionMinutes({ pieces: 2 * INSPECTED, eachS: 3, rest: 0.125, people: 1 })).toBeCloseTo(39.8, 1);
    expect(inspectionMinutes({ pieces: 2 * INSPECTED, eachS: 3, rest: 0.125, people: 2 })).toBeCloseTo(39.8 / 2, 1);
  });
  it('two up pay from 2,033 cards: there both ways take as long', () => {
    const moreMin = twoUpMoreMinutes(30);
    expect(moreMin).toBe(98);
    const from = twoUpPaysFrom({ moreMin, anHour: 700, rest: 0.125 });
    expect(Math.ceil(from)).toBe(2_033);
    const minutes = (strokes: number): number => handPassMinutes({ setUpMin: 0, counters: 0, run: strokes, anHour: 700, rest: 0.125 });
    expect(minutes(from)).toBeCloseTo(minutes(from / 2) + moreMin, 9);
  });
});

describe('ink, paper and powder', () => {
  it('are 17.35 g of silver, 40.95 g of white, 32.5 and 36.0 m of wiping paper', () => {
    const silver = engravedInkG({ imageMm2: 40 * 45, linePercent: 20, filmGsm: 25, faceMm2: crest.w * crest.h, wipedGsm: 7.5 });
    const white = engravedInkG({ imageMm2: 120 * 60, linePercent: 9, filmGsm: 25, faceMm2: text.w * text.h, wipedGsm: 7.5 });
    expect(silver * CREST).toBeCloseTo(17.35, 2);
    expect(white * TEXT).toBeCloseTo(40.95, 2);
    expect(wipingPaperM(CREST, crest.h)).toBeCloseTo(32.5, 1);
    expect(wipingPaperM(TEXT, text.h)).toBeCloseTo(36, 1);
  });
  it('are 5.60 g of powder on the envelopes, 5,000 of them an hour: the feeder holds it, the heater would let 6,429 through', () => {
    expect(powderG({ imageMm2: 90 * 18, inkedPercent: 22, filmGsm: 40 }) * ENVELOPES).toBeCloseTo(5.6, 2);
    const line = { heaterMm: 1_500, dwellS: 3, pieceMm: 220, gapMm: 60 };
    expect(raisedAnHour({ ...line, feeder: 5_000 })).toBe(5_000);
    expect(raisedAnHour({ ...line, feeder: 10_000 })).toBeCloseTo(6_429, 0);
  });
});
