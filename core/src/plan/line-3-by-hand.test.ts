import * as fc from 'fast-check';
import { BELT_RATE } from '../finishing/folding';
import { CLOSED, STITCH_WIRE, WIRE_KG, WIRE_METRES } from '../finishing/stitching';
import { leastRun } from '../flow/counts';
import { creepLevel, creepMm } from '../signature/creep';
import { foldStopsMm, sectionSize, USUAL_MARGINS } from '../signature/section-size';
import { SCHEMES } from '../signature/schemes';

/*
 * Line 3 worked by hand before anything else of it comes: a ferry timetable, 148 × 210, 44 pages with its cover, 12,000 of them. Text 40 pages 4/4 on 100 g of 95 µm,
 * cover 5/4 on 200 g of 180 µm, sheets 700 × 1,000. Every number follows from these and from the practice values of the trade; source: common practice, no source,
 * worked with a pencil, unless a test says otherwise. What is laid on its forms stands in signature.test.ts.
 */
const TRIM = { widthMm: 148, heightMm: 210 };
/** The cover, then ten sheets of text, each two leaves. */
const CALIPERS = [180, ...Array.from({ length: 10 }, () => 95)];
const run = (need: number, setup: number, runningPpm: number, samples: number): number => leastRun({ need, setup, runningPpm, samples });

describe('the sections', () => {
  it('are 624 × 432 flat, two on a form of 624 × 864, 654 along the travel with a gripper at both ends', () => {
    const section = sectionSize(SCHEMES.p16, TRIM);
    expect([section.columnsMm, section.widthMm, section.heightMm]).toEqual([[152, 160, 160, 152], 624, 432]);
    const sheet = sectionSize(SCHEMES.p32, TRIM);
    expect([sheet.widthMm, sheet.heightMm]).toEqual([624, 864]);
    expect(sheet.widthMm + 6 + 2 * 12).toBe(654);
    expect([(700 - sheet.widthMm) / 2, (1_000 - sheet.heightMm) / 2]).toEqual([38, 68]);
  });
  it('run 312, 216 and 160 into the plates of the folder', () => {
    expect(foldStopsMm(SCHEMES.p16, sectionSize(SCHEMES.p16, TRIM))).toEqual([312, 216, 160]);
  });
  it('have their lap on the other half where the feeder opens that one, and none for suckers', () => {
    expect(sectionSize(SCHEMES.p16, TRIM, { ...USUAL_MARGINS, lapOn: 'low' }).columnsMm).toEqual([160, 152, 152, 160]);
    expect(sectionSize(SCHEMES.p16, TRIM, { ...USUAL_MARGINS, lapMm: 0 }).widthMm).toBe(608);
    expect(() => sectionSize(SCHEMES.p16, { ...TRIM, widthMm: 0 })).toThrow('widthMm');
  });
});

describe('creep', () => {
  it('is 1.035 mm at the innermost sheet, 1.626 round it, and leaves a page of 146.965', () => {
    const level = creepLevel({ k: 4, sectionPages: 8, sheetsOutside: 9 });
    expect(level).toBe(10);
    expect(creepMm({ calipersUm: CALIPERS, level })).toBeCloseTo(1.035, 9);
    expect(creepMm({ calipersUm: CALIPERS, level, school: 'round' })).toBeCloseTo(1.626, 3);
    expect(TRIM.widthMm - creepMm({ calipersUm: CALIPERS, level })).toBeCloseTo(146.965, 9);
  });
  it('of eight sheets of 99 µm is 0.693 pressed, 1.0886 round (published cases: checks/geometry.json)', () => {
    const calipersUm = Array.from({ length: 8 }, () => 99);
    expect([0, 1, 7].map((level) => creepMm({ calipersUm, level }))).toEqual([0, 0.099, expect.closeTo(0.693, 9)]);
    expect(creepMm({ calipersUm, level: 7, school: 'round' })).toBeCloseTo(1.0886, 4);
  });
  it('follows a measured dummy, in the middle exactly and outside in proportion', () => {
    const at = (level: number): number => creepMm({ calipersUm: CALIPERS, level, measuredMm: 1.4 });
    expect([at(0), at(10)]).toEqual([0, 1.4]);
    expect(at(1)).toBeCloseTo((1.4 * 0.18) / 1.035, 9);
  });
  it('grows from the cover to the middle, and is the same for the two pages of a leaf and of its other half', () => {
    fc.assert(
      fc.property(fc.constantFrom(4, 8, 12, 16, 32), fc.integer({ min: 0, max: 20 }), (sectionPages, sheetsOutside) => {
        const level = (k: number): number => creepLevel({ k, sectionPages, sheetsOutside });
        for (let k = 1; k <= sectionPages; k++) {
          expect(level(k)).toBe(level(sectionPages + 1 - k));
          if (k % 2 === 1) expect(level(k)).toBe(level(k + 1));
        }
        expect(level(sectionPages / 2) - level(1)).toBe(sectionPages / 4 - 1);
      }),
    );
  });
  it('is refused for a page that is not there, or a sheet deeper than the booklet', () => {
    expect(() => creepLevel({ k: 9, sectionPages: 8, sheetsOutside: 0 })).toThrow('k');
    expect(() => creepMm({ calipersUm: CALIPERS, level: 11 })).toThrow('level');
  });
});

describe('the stitched booklet', () => {
  it('is 2.26 thick closed and takes 27.26 mm of wire a stitch: 664.4 m, 1.02 kg in all', () => {
    expect(CLOSED.of({ cover: 180, text: 10 * 95 })).toBeCloseTo(2.26, 9);
    expect(STITCH_WIRE.of({ closedMm: 2.26, crownMm: 13, clinchMm: 6 })).toBeCloseTo(27.26, 9);
    const metres = WIRE_METRES.of({ copies: 12_187, stitches: 2, eachMm: 27.26 });
    expect(metres).toBeCloseTo(664.4, 1);
    expect(WIRE_KG.of({ metres, diameterMm: 0.5, kgPerM3: 7_850 })).toBeCloseTo(1.02, 2);
  });
  it('weighs 74.6 g', () => {
    const leaf = (TRIM.widthMm * TRIM.heightMm) / 1e6;
    expect(20 * leaf * 100 + 2 * leaf * 200).toBeCloseTo(74.6, 1);
  });
});

describe('the counts', () => {
  const stitched = run(12_000, 55, 10_000, 10);
  const folded = run(stitched, 35, 5_000, 0);
  const cut = (need: number): number => run(need, 5, 2_000, 0);
  const [x, y, cover] = [cut(folded), cut(Math.ceil(folded / 4)), cut(Math.ceil(stitched / 8))];
  it('go back from 12,000 through stitcher, folder and knife', () => {
    expect([stitched, folded, x, Math.ceil(folded / 4), y, Math.ceil(stitched / 8), cover]).toEqual([
      12_187, 12_284, 12_314, 3_071, 3_083, 1_524, 1_533,
    ]);
  });
  it('through the press: both sides in one pass, the eight pages turned in two', () => {
    const setup = (plates: number): number => Math.ceil(225 + 37.5 * (plates - 4));
    expect(run(x, setup(8), 20_000, 10)).toBe(12_951);
    expect(run(y, setup(8), 20_000, 10)).toBe(3_532);
    expect(run(cover, setup(9), 20_000, 10)).toBe(1_988);
    const back = run(y, 68, 20_000, 10);
    expect([back, run(back, 225, 20_000, 10)]).toEqual([3_225, 3_527]);
  });
  it('are folded at 7,058 an hour; perfecting the eight pages pays from 600 sheets', () => {
    expect(Math.floor(BELT_RATE.of({ beltMmPerS: 1_400, lengthMm: 624, gapMm: 90 }))).toBe(7_058);
    expect((4 * 15 - 40) / (300 / 9_000)).toBeCloseTo(600, 9);
  });
});

describe('the same trade on the web: 210 × 275, 32 pages, 64,000, on 880 mm of 60 g and a cut-off of 578', () => {
  it('fits across with 872, and leaves 14 for head and foot', () => {
    expect(sectionSize(SCHEMES.p16, { widthMm: 210, heightMm: 275 }).widthMm).toBe(872);
    expect(578 / 2 - 275).toBe(14);
  });
  it('takes 69,533 repeats a section from three rolls, 40,190 m, 2,122 kg, at 240.8 m/min', () => {
    const stitched = run(64_000, 200, 10_000, 20);
    expect(stitched).toBe(64_867);
    const rollM = 950 / (0.88 * 0.06);
    const repeatsARoll = Math.floor((rollM - 15) / 0.578);
    expect([Math.round(rollM), repeatsARoll]).toEqual([17_992, 31_102]);
    const repeats = leastRun({
      need: stitched,
      setup: 2_500,
      runningPpm: 30_000,
      samples: 50,
      batches: [{ cycles: repeatsARoll, lost: Math.ceil(20 / 0.578) }],
    });
    expect(repeats).toBe(69_533);
    expect([repeats * 0.578, repeats * 0.578 * 0.88 * 0.06]).toEqual([expect.closeTo(40_190, 0), expect.closeTo(2_122, 0)]);
    expect((25_000 * 0.578) / 60).toBeCloseTo(240.8, 1);
  });
});
