import * as fc from 'fast-check';
import { caseSizes, jacketMm, USUAL_CASE } from '../finishing/case';
import { arcPoints, roundedSpine, sewingCycles, sewingThread, sewnBlockMm } from '../finishing/sewn-block';
import { leastRun } from '../flow/counts';
import { guillotineCount } from '../layout/guillotine-count';
import { creepMm } from '../signature/creep';
import { sectionPlans } from '../signature/section-plans';
import { sectionSize, USUAL_MARGINS } from '../signature/section-size';

/*
 * Line 7 worked by hand before anything else of it comes: a pocket herbal, 105 × 150, 256 pages, 2,000 of them, sewn, round at 90°; text 80 g of 104 µm, endpapers
 * 120 g of 160 µm, board 2.5, sheets 920 × 1,300. Source: common practice, no source, worked with a pencil, unless a test says otherwise.
 */
const TRIM = { widthMm: 105, heightMm: 150 };
const run = (need: number, setup: number, runningPpm: number, samples = 0): number => leastRun({ need, setup, runningPpm, samples });
const LEAVES_MM = 128 * 0.104 + 4 * 0.16;
const BLOCK_MM = sewnBlockMm({ leavesMm: LEAVES_MM, sections: 8, swellMm: 0.03 });

/** Three folds either way: only how large it lies flat is asked. */
const FOLDED_TO_ONE = (['H', 'V'] as const).flatMap((axis) =>
  [4, 2, 1].map((line) => ({
    do: 'fold' as const,
    axis,
    line,
    move: axis === 'V' ? ('left' as const) : ('top' as const),
    dir: 'under' as const,
  })),
);

describe('the form', () => {
  it('has eight by eight pages a side, 872 × 1,264, 902 along the travel', () => {
    const sheet = sectionSize({ rows: 8, cols: 8, steps: FOLDED_TO_ONE }, TRIM, { ...USUAL_MARGINS, headMm: 4, footMm: 4, lapMm: 0 });
    expect([sheet.widthMm, sheet.heightMm, sheet.widthMm + 6 + 2 * 12]).toEqual([872, 1_264, 902]);
  });
  it('is two sheets of 128 pages for 256, four forms, slit into sections of 32', () => {
    expect(sectionPlans({ pages: 256, sizes: [32, 16], placesASide: 64, perfected: true })[0]).toMatchObject({
      sections: Array<number>(8).fill(32),
      forms: 4,
      sheetsACopy: 2,
    });
  });
  it('creeps 0.728 in each section', () => {
    expect(creepMm({ calipersUm: Array<number>(8).fill(104), level: 7 })).toBeCloseTo(0.728, 9);
  });
});
describe('the block', () => {
  it('is 13.952 of leaves, 14.192 sewn; its round spine 15.763, the fore-edge hollow by 2.939', () => {
    expect([LEAVES_MM, BLOCK_MM]).toEqual([expect.closeTo(13.952, 9), expect.closeTo(14.192, 9)]);
    const spine = roundedSpine(BLOCK_MM, 90);
    expect([spine.arcMm, spine.hollowMm]).toEqual([expect.closeTo(15.763, 3), expect.closeTo(2.939, 3)]);
  });
  it('has the arc of a circle: 1.1107 and 0.2071 of its thickness at 90°, 1.2092 and 0.2887 at 120°', () => {
    for (const [angle, arc, hollow] of [
      [90, 1.1107, 0.2071],
      [120, 1.2092, 0.2887],
    ] as const)
      expect(roundedSpine(1, angle)).toEqual({ arcMm: expect.closeTo(arc, 4), hollowMm: expect.closeTo(hollow, 4) });
    expect(() => roundedSpine(14, 180)).toThrow('angleDeg');
  });
  it('is drawn as it is reckoned: the points of its arc begin and end at the block, and are as long together as the arc', () => {
    const points = arcPoints({ chordMm: 14.192, angleDeg: 90, x: 3, y: 5 });
    expect([points[0], points.at(-1)]).toEqual([
      [expect.closeTo(3, 9), expect.closeTo(5, 9)],
      [expect.closeTo(3, 9), expect.closeTo(5 + 14.192, 9)],
    ]);
    const long = points.slice(1).reduce((sum, [x, y], i) => sum + Math.hypot(x - points[i]![0], y - points[i]![1]), 0);
    expect(long).toBeCloseTo(roundedSpine(14.192, 90).arcMm, 1);
    // The spine bulges by as much as the fore-edge is hollow.
    expect(3 - Math.min(...points.map(([x]) => x))).toBeCloseTo(roundedSpine(14.192, 90).hollowMm, 9);
  });
  it('is rounder the larger the angle, and flat where it is small', () => {
    fc.assert(
      fc.property(fc.double({ min: 5, max: 80, noNaN: true }), fc.double({ min: 1, max: 160, noNaN: true }), (mm, angle) => {
        const [less, more] = [roundedSpine(mm, angle), roundedSpine(mm, angle + 10)];
        expect(less.arcMm).toBeGreaterThanOrEqual(mm);
        expect(more.arcMm).toBeGreaterThan(less.arcMm);
        expect(more.hollowMm).toBeGreaterThan(less.hollowMm);
      }),
    );
  });
  it('is sewn in 18,990 cycles, 3.52 h at 5,400, in four groups', () => {
    expect(sewingCycles(2_110, 8)).toBe(18_990);
    expect(18_990 / 5_400).toBeCloseTo(3.52, 2);
    const { groups, threadMm } = sewingThread({ heightMm: 150, pitchMm: 25, sectionMm: 16 * 0.104 });
    expect([groups, threadMm]).toEqual([4, expect.closeTo(4 * 2 * (19 + 2 * 1.664), 9)]);
  });
});

describe('the case', () => {
  const ask = { ...TRIM, blockMm: BLOCK_MM, ...USUAL_CASE };
  const { arcMm } = roundedSpine(BLOCK_MM, 90);
  it('has boards of 102 × 156 and cloth of 265.763 × 186; flat, a strip of 19.192 and cloth of 269.192', () => {
    const round = caseSizes({ ...ask, arcMm });
    expect(round.board).toEqual([102, 156]);
    expect(round.cloth).toEqual([expect.closeTo(265.763, 3), 186]);
    const flat = caseSizes({ ...ask, arcMm: null });
    expect([flat.strip[0], flat.cloth[0]]).toEqual([expect.closeTo(19.192, 9), expect.closeTo(269.192, 9)]);
  });
  it('takes endpapers of 218 × 158, and a jacket round all of it', () => {
    expect([2 * (TRIM.widthMm + 4), TRIM.heightMm + 8]).toEqual([218, 158]);
    expect(jacketMm(caseSizes({ ...ask, arcMm }), { jointMm: 8, flapMm: 90 })[0]).toBeCloseTo(2 * 110 + 15.763 + 186, 3);
  });
  it('lies 36 boards on a sheet of 700 × 1,000, grain along their height, and three cloths across 1,000 mm', () => {
    expect(guillotineCount({ width: 1_000, height: 700, pieceWidth: 156, pieceHeight: 102, mayTurn: false }).count).toBe(36);
    expect(Math.floor((1_000 - 2 * 10) / 265.763)).toBe(3);
  });
});

describe('the counts', () => {
  const casedIn = run(2_000, 10, 10_000);
  const foiled = run(casedIn, 30, 15_000);
  const cases = run(foiled, 40, 15_000);
  const rounded = run(casedIn, 10, 5_000);
  const trimmed = run(rounded, 5, 3_000);
  const nipped = run(trimmed, 5, 2_000);
  const sewn = run(nipped, 15, 10_000);
  const gathered = run(sewn, 20, 5_000);
  const withEnds = run(gathered, 10, 5_000);
  it('of the case: 2,031 cased in, 2,092 titled, 2,164 made, 4,328 boards on 121 sheets, 134.3 m of cloth', () => {
    expect([casedIn, foiled, cases, 2 * cases, Math.ceil((2 * cases) / 36)]).toEqual([2_031, 2_092, 2_164, 4_328, 121]);
    expect(Math.ceil(cases / 3) * 0.186).toBeCloseTo(134.3, 1);
  });
  it('of the block: the sections with endpapers lead, and the others are 21 over', () => {
    expect([rounded, trimmed, nipped, sewn, gathered, withEnds]).toEqual([2_052, 2_064, 2_074, 2_110, 2_141, 2_162]);
    const [first, others] = [run(withEnds, 35, 5_000), run(gathered, 35, 5_000)];
    expect([first, others, first - others]).toEqual([2_208, 2_187, 21]);
    const slit = run(first, 5, 2_000);
    const printed = run(slit, 150, 20_000, 10);
    expect([slit, printed, 2 * printed]).toEqual([2_218, 2_424, 4_848]);
    expect((2 * printed * 0.92 * 1.3 * 80) / 1_000).toBeCloseTo(463.9, 1);
  });
});
