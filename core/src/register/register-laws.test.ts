import fc from 'fast-check';
import { normalQuantile } from '../quantity/normal-distribution';
import { seeded } from '../quantity/seeded';
import { adviseRegister, USUAL_STEPS } from './corrections';
import { fitRegister, REGISTER_TERMS, type RegisterFit, type RegisterTerm } from './fit';
import { MOST_TURNS, practicePress, practiceScore, PRACTICE_LEVELS, pullSheets, setUnits, idealSequence } from './practice-press';
import { type Mark, type Reading, usualMarks } from './reading';

const SHEET: [number, number] = [1000, 700];
const MARKS = usualMarks(SHEET);
/** Readings of an honest reader: any misregister, noise of a few microns, no wrong one. */
const readings = fc.integer({ min: 1, max: 1e6 }).map((seed): Reading[] => {
  const random = seeded(seed);
  const draw = (sd: number): number => sd * normalQuantile(Math.max(random(), 1e-10));
  const [tx, ty, slant, stretch] = [draw(0.2), draw(0.2), draw(0.1), draw(0.05)];
  return MARKS.map((m) => ({
    mark: m.id,
    dxMm: tx + (stretch * (m.xMm - 500)) / 1000 + draw(0.003),
    dyMm: ty + (slant * (m.xMm - 500)) / 1000 + draw(0.003),
  }));
});
const valuesOf = ({ terms }: RegisterFit): Record<RegisterTerm, number> =>
  Object.fromEntries(REGISTER_TERMS.map((t) => [t, terms[t].known ? terms[t].value : NaN])) as Record<RegisterTerm, number>;
const same = (a: RegisterFit, expected: Record<RegisterTerm, number>): void => {
  const found = valuesOf(a);
  for (const t of REGISTER_TERMS) expect(found[t]).toBeCloseTo(expected[t], 9);
};

describe('the fit of a colour, as laws', () => {
  it('does not care in what order the marks were read', () => {
    fc.assert(
      fc.property(readings, (read) => {
        same(fitRegister(MARKS, [...read].reverse(), SHEET), valuesOf(fitRegister(MARKS, read, SHEET)));
      }),
    );
  });
  it('moved as a whole, moves its shifts by that and nothing else', () => {
    const move = fc.double({ min: -0.5, max: 0.5, noNaN: true });
    fc.assert(
      fc.property(readings, move, move, (read, x, y) => {
        const was = valuesOf(fitRegister(MARKS, read, SHEET));
        const moved = read.map((r) => ({ ...r, dxMm: r.dxMm + x, dyMm: r.dyMm + y }));
        same(fitRegister(MARKS, moved, SHEET), { ...was, shiftX: was.shiftX + x, shiftY: was.shiftY + y });
      }),
    );
  });
  it('of the sheet seen from behind turns the sides’ signs and keeps the others', () => {
    const behind: Mark[] = MARKS.map((m) => ({ ...m, xMm: SHEET[0] - m.xMm }));
    fc.assert(
      fc.property(readings, (read) => {
        const was = valuesOf(fitRegister(MARKS, read, SHEET));
        const turned = read.map((r) => ({ ...r, dxMm: -r.dxMm }));
        same(fitRegister(behind, turned, SHEET), { ...was, shiftX: -was.shiftX, slantX: -was.slantX, slantY: -was.slantY });
      }),
    );
  });
  it('explains all it can: what is left has no shift any more', () => {
    fc.assert(
      fc.property(readings, (read) => {
        const { left } = fitRegister(MARKS, read, SHEET);
        for (const way of ['dxMm', 'dyMm'] as const) expect(left.reduce((n, l) => n + l[way], 0)).toBeCloseTo(0, 9);
      }),
    );
  });
});

describe('what to set, as laws', () => {
  it('whatever a press’s steps and signs, the print is moved to within half a step', () => {
    const sign = fc.constantFrom<1 | -1>(1, -1);
    const step = fc.constantFrom(0.005, 0.01, 0.02, 0.05);
    fc.assert(
      fc.property(readings, step, step, sign, sign, (read, lateralMm, roundMm, lateralSign, roundSign) => {
        const fit = fitRegister(MARKS, read, SHEET);
        const steps = { ...USUAL_STEPS, lateralMm, roundMm, lateralSign, roundSign };
        const { settings, inside } = adviseRegister(fit, MARKS, SHEET, 0.01, steps);
        const was = valuesOf(fit);
        const of = (by: string) => settings.find((s) => s.by === by) ?? { mm: 0, steps: 0 };
        if (inside) {
          expect(settings).toEqual([]);
          return;
        }
        expect(Math.abs(was.shiftX + of('lateral').mm)).toBeLessThanOrEqual(lateralMm / 2 + 1e-12);
        expect(Math.abs(was.shiftY + of('round').mm)).toBeLessThanOrEqual(roundMm / 2 + 1e-12);
        expect(of('lateral').steps * lateralMm * lateralSign).toBeCloseTo(of('lateral').mm, 9);
        expect(Math.abs(of('cock').mm)).toBeLessThanOrEqual(USUAL_STEPS.mostCockMm);
      }),
    );
  });
  it('leaves a colour that is inside alone, and asks no remedy for it', () => {
    fc.assert(
      fc.property(readings, (read) => {
        const { settings, remedies, inside, worstMm, afterMm } = adviseRegister(fitRegister(MARKS, read, SHEET), MARKS, SHEET, 5);
        expect({ settings, inside }).toEqual({ settings: [], inside: true });
        expect(remedies).toEqual([]);
        expect(Math.max(worstMm, afterMm)).toBeLessThan(5);
      }),
    );
  });
});

describe('the practice press, as laws', () => {
  const press = fc
    .record({ seed: fc.integer({ min: 1, max: 1e6 }), level: fc.constantFrom(...PRACTICE_LEVELS) })
    .map(({ seed, level }) => practicePress(seed, level, MARKS, SHEET));
  it('counts every sheet: waste is turns times the sheets of a turn, whatever is set between', () => {
    fc.assert(
      fc.property(press, fc.integer({ min: 1, max: 6 }), (start, turns) => {
        let now = start;
        for (let i = 0; i < turns; i++) now = setUnits(pullSheets(now).press, { M: [{ by: 'round', mm: 0.1, steps: 10 }] });
        expect(now).toMatchObject({ turns, waste: turns * start.sheetsATurn });
      }),
      { numRuns: 30 },
    );
  });
  it('moves only the colour that was set', () => {
    fc.assert(
      fc.property(press, (start) => {
        const set = setUnits(start, { C: [{ by: 'lateral', mm: 0.2, steps: 20 }] });
        expect(set.inks.slice(1)).toEqual(start.inks.slice(1));
        expect(set.inks[0]?.shiftX).toBeCloseTo((start.inks[0]?.shiftX ?? NaN) + 0.2, 12);
      }),
      { numRuns: 30 },
    );
  });
  it('gives points from 0 to 100, fewer for more waste', () => {
    fc.assert(
      fc.property(press, fc.integer({ min: 0, max: 400 }), fc.integer({ min: 0, max: 400 }), (start, a, b) => {
        const ideal = idealSequence(start);
        expect(ideal.turns.length).toBeLessThanOrEqual(MOST_TURNS);
        const points = [Math.min(a, b), Math.max(a, b)].map((more) => practiceScore({ waste: 1 + more, inside: true }, ideal));
        for (const p of points) expect(p >= 0 && p <= 100).toBe(true);
        expect(points[1]).toBeLessThanOrEqual(points[0] as number);
      }),
      { numRuns: 20 },
    );
  });
});
