import { Matrix, QrDecomposition } from 'ml-matrix';
import { leastSquares } from '../quantity/least-squares';
import { normalQuantile } from '../quantity/normal-distribution';
import { seeded } from '../quantity/seeded';
import { studentT, studentWithin } from '../quantity/student-t';
import { adviseRegister, USUAL_STEPS } from './corrections';
import { fitRegister, type RegisterTerm } from './fit';
import { idealSequence, practicePress, practiceScore, pullSheets, setUnits, worstError } from './practice-press';
import { type Mark, MarksSchema, type Reading, ReadingSchema, usualMarks } from './reading';
import { loupeScene, vectorScale, vectorScene } from './register-scene';
import { requiredToleranceMm } from './tolerance';
import { trapFor, trapScene } from './trap';

const SHEET: [number, number] = [1000, 700];
const MARKS = usualMarks(SHEET);
type Truth = Partial<Record<RegisterTerm, number>>;
/** Readings of a colour that lies so, with what a reader adds. */
const read = (marks: readonly Mark[], t: Truth, noise: () => number = () => 0): Reading[] =>
  marks.map((m) => {
    const [x, y] = [(m.xMm - SHEET[0] / 2) / 1000, (m.yMm - SHEET[1] / 2) / 1000];
    return {
      mark: m.id,
      dxMm: (t.shiftX ?? 0) + (t.slantX ?? 0) * y + (t.stretchX ?? 0) * x + (t.fan ?? 0) * x * y + noise(),
      dyMm: (t.shiftY ?? 0) + (t.slantY ?? 0) * x + (t.stretchY ?? 0) * y + noise(),
    };
  });
const noiseOf = (seed: number, sd: number): (() => number) => {
  const random = seeded(seed);
  return () => sd * normalQuantile(Math.max(random(), 1e-10));
};
const TRUE: Required<Truth> = { shiftX: 0.12, shiftY: -0.08, slantX: 0.05, slantY: -0.09, stretchX: 0.06, stretchY: 0.1, fan: 0.2 };

describe('least squares', () => {
  it('agrees with a matrix library, residuals and unknowns', () => {
    const noise = noiseOf(5, 1);
    const a = Array.from({ length: 30 }, (_, i) => [1, i / 10, (i * i) / 50, noise()]);
    const b = a.map((row) => 2 - 3 * (row[1] as number) + noise());
    const ours = leastSquares(a, b);
    const theirs = new QrDecomposition(new Matrix(a)).solve(Matrix.columnVector(b)).to1DArray();
    theirs.forEach((v, i) => expect(ours?.x[i]).toBeCloseTo(v, 9));
    const inverse = new Matrix(a).transpose().mmul(new Matrix(a));
    const ata = new QrDecomposition(inverse).solve(Matrix.eye(4));
    ours?.inverse.forEach((row, i) => row.forEach((v, j) => expect(v).toBeCloseTo(ata.get(i, j), 9)));
  });
  it('says so where the rows cannot tell the unknowns apart', () => {
    expect(
      leastSquares(
        [
          [1, 2],
          [2, 4],
          [3, 6],
        ],
        [1, 2, 3],
      ),
    ).toBeNull();
    expect(leastSquares([[1, 1]], [1])).toBeNull();
    expect(
      leastSquares(
        [
          [1, 0],
          [1, 0],
        ],
        [1, 2],
      ),
    ).toBeNull();
  });
});

describe('Student’s t', () => {
  // Published table values (two-sided 95 %), e.g. NIST/SEMATECH e-Handbook 1.3.6.7.2
  test.each([
    [1, 12.706],
    [2, 4.303],
    [5, 2.571],
    [10, 2.228],
    [30, 2.042],
    [100, 1.984],
  ])('with %s degrees of freedom is %s', (freedom, t) => {
    expect(studentT(0.95, freedom)).toBeCloseTo(t, 3);
    expect(studentWithin(studentT(0.9, freedom), freedom)).toBeCloseTo(0.9, 9);
  });
  it('refuses no degrees of freedom', () => {
    expect(() => studentT(0.95, 0)).toThrow('freedom');
    expect(() => studentT(1, 5)).toThrow('share');
  });
});

describe('the fit of a colour', () => {
  it('finds each term where readings are exact', () => {
    const { terms, left, aside } = fitRegister(MARKS, read(MARKS, TRUE), SHEET);
    for (const [term, value] of Object.entries(TRUE)) {
      const found = terms[term as RegisterTerm];
      expect(found.known && found.value).toBeCloseTo(value, 9);
    }
    left.forEach((l) => expect(Math.abs(l.dxMm) + Math.abs(l.dyMm)).toBeLessThan(1e-9));
    expect(aside).toBeNull();
  });
  it('holds its 95 % intervals: 93.5 to 96.5 % of 2,000 seeded trials, term by term', () => {
    const inside = Object.fromEntries(Object.keys(TRUE).map((t) => [t, 0]));
    const noise = noiseOf(20_26, 0.015);
    const trials = 2_000;
    for (let i = 0; i < trials; i++) {
      const { terms } = fitRegister(MARKS, read(MARKS, TRUE, noise), SHEET);
      for (const [term, value] of Object.entries(TRUE)) {
        const found = terms[term as RegisterTerm];
        if (found.known && found.pm !== null && Math.abs(found.value - value) <= found.pm) inside[term] = (inside[term] ?? 0) + 1;
      }
    }
    for (const n of Object.values(inside)) {
      expect(n / trials).toBeGreaterThanOrEqual(0.935);
      expect(n / trials).toBeLessThanOrEqual(0.965);
    }
  });
  test.each([
    [
      'one mark: shifts only',
      ['G1'],
      { shiftX: true, slantX: 'tail', stretchX: 'side', fan: 'corner', shiftY: true, slantY: 'side', stretchY: 'tail' },
    ],
    [
      'the gripper edge only',
      ['G1', 'G2', 'G3'],
      { shiftX: true, slantX: 'tail', stretchX: true, fan: 'corner', shiftY: true, slantY: true, stretchY: 'tail' },
    ],
    [
      'one side only',
      ['G1', 'M1', 'T1'],
      { shiftX: true, slantX: true, stretchX: 'side', fan: 'corner', shiftY: true, slantY: 'side', stretchY: true },
    ],
    ['three corners', ['G1', 'G3', 'T1'], { shiftX: true, slantX: true, stretchX: true, fan: 'corner', slantY: true, stretchY: true }],
    ['four corners', ['G1', 'G3', 'T1', 'T3'], { slantX: true, stretchX: true, fan: true, slantY: true, stretchY: true }],
  ])('never calls 0 what the marks cannot show: %s', (_name, ids, expected) => {
    const marks = MARKS.filter((m) => ids.includes(m.id));
    const { terms } = fitRegister(marks, read(marks, TRUE), SHEET);
    for (const [term, is] of Object.entries(expected)) {
      const found = terms[term as RegisterTerm];
      expect([term, found.known ? true : found.missing]).toEqual([term, is]);
    }
  });
  it('knows no term from no reading, and no interval where nothing is left over', () => {
    const none = fitRegister(MARKS, [], SHEET);
    expect(Object.values(none.terms).every((t) => !t.known)).toBe(true);
    const one = fitRegister(MARKS, read(MARKS.slice(0, 1), { shiftX: 0.1 }), SHEET);
    expect(one.terms.shiftX).toEqual({ known: true, value: 0.1, pm: null, real: false });
    expect(one.sdMm).toBeNull();
  });
  it('sets one wrong reading aside, by name, and is right without it', () => {
    const readings = read(MARKS, { shiftX: 0.06, slantY: -0.1 }, noiseOf(9, 0.008));
    const wrong = readings.map((r) => (r.mark === 'M3' ? { ...r, dyMm: r.dyMm + 0.35 } : r));
    const { aside, terms } = fitRegister(MARKS, wrong, SHEET);
    expect(aside).toBe('M3');
    expect(terms.slantY.known && terms.slantY.value).toBeCloseTo(-0.1, 1);
    expect(fitRegister(MARKS, readings, SHEET).aside).toBeNull();
  });
});

describe('what to set', () => {
  const advise = (t: Truth, tolerance = 0.1, marks = MARKS) =>
    adviseRegister(fitRegister(marks, read(marks, t, noiseOf(3, 0.002)), SHEET), marks, SHEET, tolerance);
  it('sets shifts back in millimetres and in the press’s steps and signs', () => {
    const fit = fitRegister(MARKS, read(MARKS, { shiftX: 0.123, shiftY: -0.2 }), SHEET);
    const steps = { ...USUAL_STEPS, lateralMm: 0.02, lateralSign: -1 as const };
    const advice = adviseRegister(fit, MARKS, SHEET, 0.1, steps);
    expect(advice.settings).toEqual([
      { by: 'lateral', mm: expect.closeTo(-0.12, 9), steps: 6 },
      { by: 'round', mm: expect.closeTo(0.2, 9), steps: 20 },
    ]);
    expect(advice.worstMm).toBeCloseTo(Math.sqrt(0.123 * 0.123 + 0.04), 6);
    expect(advice.afterMm).toBeLessThan(0.01);
  });
  it('tells a cocked cylinder from a plate that hangs askew, and both from the feeder', () => {
    const cocked = advise({ slantY: -0.3 });
    expect(cocked.askew).toBe('cylinder');
    expect(cocked.settings.find((s) => s.by === 'cock')?.mm).toBeCloseTo(0.3, 1);
    expect(advise({ slantY: -0.3, slantX: 0.3 }).askew).toBe('plate');
    expect(advise({ slantX: 0.3 }).askew).toBe('feeder');
    expect(advise({ shiftX: 0.3 }).askew).toBeNull();
  });
  it('names what no adjusting takes away, in the order of the trade', () => {
    expect(advise({ stretchY: 0.6 }, 0.08).remedies).toEqual(['packing', 'inkOrder']);
    expect(advise({ stretchX: 0.5, fan: 0.9 }, 0.08).remedies).toEqual(['climate', 'inkOrder']);
    expect(advise({ slantX: 0.6, slantY: -0.6 }, 0.08).remedies[0]).toBe('plate');
    expect(advise({ shiftX: 0.4 }).remedies).toEqual([]);
  });
  it('leaves alone what is inside, and says what the marks cannot show', () => {
    const inside = advise({ shiftX: 0.02 });
    expect(inside).toMatchObject({ inside: true, settings: [] });
    expect(advise({ shiftX: 0.3 }, 0.1, MARKS.slice(0, 3)).unknown).toEqual(['slantX', 'fan', 'stretchY']);
  });
  it('cocks no farther than the cylinder goes', () => {
    expect(advise({ slantY: 2 }).settings.find((s) => s.by === 'cock')?.mm).toBeCloseTo(-0.4, 9);
  });
});

describe('marks and readings', () => {
  it('stand at eight places, the gripper edge first', () => {
    expect(MARKS.map((m) => m.id)).toEqual(['G1', 'G2', 'G3', 'M1', 'M3', 'T1', 'T2', 'T3']);
    expect(MarksSchema.safeParse(MARKS).success).toBe(true);
  });
  test.each([
    [
      'two marks at the same place',
      [
        { id: 'A', xMm: 10, yMm: 10 },
        { id: 'B', xMm: 10.4, yMm: 10 },
      ],
      'lies where A lies',
    ],
    [
      'a name twice',
      [
        { id: 'A', xMm: 10, yMm: 10 },
        { id: 'A', xMm: 90, yMm: 10 },
      ],
      'names A twice',
    ],
    ['no mark', [], 'needs a mark'],
  ])('refuses %s', (_name, marks, says) => {
    expect(MarksSchema.safeParse(marks).error?.issues[0]?.message).toContain(says);
  });
  it('questions a reading in another unit', () => {
    expect(ReadingSchema.safeParse({ mark: 'A', dxMm: 100, dyMm: 0 }).error?.issues[0]?.message).toContain('another unit');
  });
});

describe('tolerance and trap', () => {
  test.each([
    ['its finest overprint', { finestOverprintMm: 0.08 }, 0.08],
    ['nothing that is known', {}, null],
  ])('a job asks for %s', (_name, needs, mm) => {
    expect(requiredToleranceMm(needs)).toBe(mm);
  });
  it('refuses an overprint of no size', () => {
    expect(() => requiredToleranceMm({ finestOverprintMm: 0 })).toThrow('finestOverprintMm');
  });
  it('spreads the lighter into the darker, as wide as the process prints', () => {
    const [y, k] = [
      { ink: 'Y', lab: [89, -4, 93] as const },
      { ink: 'K', lab: [16, 0, 0] as const },
    ];
    expect(trapFor(k, y, 0.06, 'offset')).toEqual({ spreads: 'Y', into: 'K', widthMm: expect.closeTo(0.105, 9) });
    expect(trapFor(y, k, 0.01, 'offset').widthMm).toBe(0.08);
    expect(trapFor(y, k, 0.5, 'web-offset').widthMm).toBe(0.25);
    const grown = trapScene(trapFor(y, k, 0.06, 'offset')).shapes[0];
    expect(grown).toMatchObject({ ink: 'Y', w: expect.closeTo(70.5, 6) });
  });
});

describe('the practice press', () => {
  const press = practicePress(11, 'cocked', MARKS, SHEET);
  it('is the same from the same seed, and another from another', () => {
    expect(pullSheets(press)).toEqual(pullSheets(press));
    expect(pullSheets(practicePress(12, 'cocked', MARKS, SHEET)).readings).not.toEqual(pullSheets(press).readings);
  });
  it('moves by what is set, and counts turns and waste', () => {
    const first = pullSheets(press);
    const moved = pullSheets(setUnits(first.press, { C: [{ by: 'lateral', mm: -0.5, steps: -50 }] }));
    const dx = (of: typeof first, ink: string): number => of.readings.find((r) => r.ink === ink)?.readings[0]?.dxMm ?? 0;
    expect(dx(moved, 'C') - dx(first, 'C')).toBeCloseTo(-0.5, 1);
    expect(moved.press).toMatchObject({ turns: 2, waste: 40 });
  });
  it('comes into register by the desk’s own advice in few turns, at every level', () => {
    for (const level of ['shifts', 'cocked', 'drifting'] as const)
      for (let seed = 1; seed <= 20; seed++) {
        const ideal = idealSequence(practicePress(seed, level, MARKS, SHEET));
        expect([level, seed, ideal.inside]).toEqual([level, seed, true]);
        expect(ideal.turns.length).toBeLessThanOrEqual(5);
      }
  });
  it('scores by waste against the ideal, and half where it was left out of register', () => {
    const ideal = idealSequence(press);
    expect(practiceScore({ waste: ideal.waste, inside: true }, ideal)).toBe(100);
    expect(practiceScore({ waste: 2 * ideal.waste, inside: true }, ideal)).toBe(50);
    expect(practiceScore({ waste: ideal.waste, inside: false }, ideal)).toBe(50);
  });
  it('reads worse the farther a colour lies', () => {
    expect(worstError([{ ink: 'C', readings: [{ mark: 'a', dxMm: 0.3, dyMm: 0.4 }] }])).toBeCloseTo(0.5, 12);
  });
});

describe('drawings', () => {
  const colours = [{ ink: 'C', readings: read(MARKS, { shiftX: 0.1 }) }];
  it('magnify vectors by a round number that keeps them on the sheet, and draw the scale', () => {
    const scale = vectorScale(colours, SHEET);
    expect(scale).toBe(1000);
    const scene = vectorScene(MARKS, colours, SHEET, { toleranceMm: 0.08, aside: ['M3'] });
    const arrow = scene.shapes.find((s) => s.ref === 'C at G1');
    expect(arrow).toMatchObject({ x1: 10, x2: expect.closeTo(110, 9), y1: 690 });
    expect(scene.shapes.some((s) => s.ref === 'reading at M3 set aside')).toBe(true);
    expect(scene.shapes.some((s) => s.kind === 'text' && s.text.includes('0.1 mm'))).toBe(true);
  });
  it('show a cross where the colour lies under the loupe', () => {
    const scene = loupeScene('K', [{ ink: 'C', dxMm: 0.1, dyMm: -0.05 }]);
    const bar = scene.shapes.find((s) => s.ref === 'C');
    expect(bar).toMatchObject({ y1: 48 + 2, x1: 48 + 4 - 22 });
    expect(scene.says).toContain('C 0.10 to the right');
  });
});
