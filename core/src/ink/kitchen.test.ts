import fc from 'fast-check';
import { deltaE2000 } from '../colour/delta-e';
import { filmReflectance, innerReflectance, measuredReflectance } from '../colour/kubelka-munk';
import type { Lab } from '../colour/lab';
import { BaseInkSchema, flagsOf, mixed, type RecipePart } from './base-ink';
import { correctBatch } from './correction';
import { judgeDrawDown, type Measurement, MeasurementSchema, opensPress } from './draw-down';
import { INVENTED_BASES, inventedRecipes, randomBases } from './invented-inks';
import { type MatchAsk, matchRecipes, PARTS, recipesOf } from './match';
import { overprintSpectrum, printedLab, printedSpectrum, stockShift, usualPaper } from './printed-colour';
import { batchKg, reweigh, weighOut } from './weigh-out';

const PAPER = usualPaper('gloss');
const KRAFT = Array.from({ length: 36 }, (_, i) => 0.12 + 0.011 * i);
const base = (id: string) => INVENTED_BASES.find((b) => b.id === id) as (typeof INVENTED_BASES)[number];
const labOfParts = (parts: readonly RecipePart[], bases = INVENTED_BASES): Lab => {
  const of = parts.map((p) => bases.find((b) => b.id === p.base) as (typeof INVENTED_BASES)[number]);
  const { k, s } = mixed(
    of,
    parts.map((p) => p.parts),
  );
  return printedLab({ k, s, gsm: 1.2 }, PAPER);
};

describe('a printed film', () => {
  it('of no mass is the paper; one ink at 100 % is that ink', () => {
    expect(deltaE2000(printedLab({ ...base('ember'), gsm: 0 }, PAPER), printedLab({ ...base('clear'), gsm: 0 }, PAPER))).toBeCloseTo(0, 9);
    const alone = mixed([base('ember'), base('soot')], [1, 0]);
    expect(alone.k).toEqual(base('ember').k);
    expect(alone.s).toEqual(base('ember').s);
  });
  it('goes by surface, film and surface again, worked by hand at one wavelength', () => {
    const i = 20;
    const { k, s } = base('ember');
    const inner = filmReflectance({ k: k[i] as number, s: s[i] as number, x: 1.2, ground: innerReflectance(PAPER[i] as number) });
    expect(printedSpectrum({ k, s, gsm: 1.2 }, PAPER)[i]).toBeCloseTo(measuredReflectance(inner), 12);
  });
  it('lets coloured stock show through where it is transparent, and warns; an opaque one holds', () => {
    const clearInk = stockShift({ ...base('harbour'), gsm: 1.2 }, PAPER, KRAFT);
    expect(clearInk.seen).toBe(true);
    const thick = stockShift({ ...base('white'), gsm: 40 }, PAPER, KRAFT);
    expect(thick.deltaE).toBeLessThan(2);
    expect(thick.seen).toBe(false);
  });
  it('takes less of a second ink on a wet first: less trapping, nearer to the first', () => {
    const [y, c] = [
      { ...base('lemon'), gsm: 1.1 },
      { ...base('harbour'), gsm: 1.1 },
    ];
    const full = overprintSpectrum(y, c, PAPER, 1);
    const none = overprintSpectrum(y, c, PAPER, 0);
    none.forEach((v, i) => expect(v).toBeCloseTo(printedSpectrum(y, PAPER)[i] as number, 9));
    expect(full[26]).toBeLessThan(none[26] as number);
  });
});

describe('matching', () => {
  const ask = (more: Partial<MatchAsk>): MatchAsk => ({
    bases: INVENTED_BASES.slice(0, 6),
    target: { lab: [60, 20, 45] },
    stock: PAPER,
    filmGsm: 1.2,
    most: 3,
    wish: 2,
    leftOverShare: 0,
    neededKg: 5,
    ...more,
  });
  /** Every recipe one by one, by the slow functions: the reference. */
  const bruteForce = ({ bases, target, most, wish, leftOverShare, neededKg }: MatchAsk) => {
    let best: { score: [number, number, number]; parts: RecipePart[] } | null = null;
    const cap = bases.map((b) => (b.leftOverKg === undefined ? PARTS : Math.floor((PARTS * b.leftOverKg) / neededKg)));
    const look = (of: number[], parts: number[]): void => {
      if (parts.some((p, i) => p > (cap[of[i] as number] as number))) return;
      const chosen = of.map((i) => bases[i] as (typeof bases)[number]);
      const { k, s } = mixed(chosen, parts);
      const deltaE = deltaE2000(printedLab({ k, s, gsm: 1.2 }, PAPER), target.lab);
      const left = chosen.reduce((n, b, i) => n + (b.leftOverKg === undefined ? 0 : (parts[i] as number)), 0) / PARTS;
      const cost = chosen.reduce((n, b, i) => n + (b.leftOverKg === undefined ? b.pricePerKg * (parts[i] as number) : 0), 0) / PARTS;
      // No left-over outside the wish, whatever it would save.
      if (deltaE > wish && left > 0) return;
      const score: [number, number, number] = [Math.max(deltaE - wish, 0), Math.max(leftOverShare - left, 0), cost];
      const first = best ? score.findIndex((v, i) => Math.abs(v - (best?.score[i] as number)) > 1e-12) : -1;
      if (!best || (first >= 0 && (score[first] as number) < (best.score[first] as number)))
        best = { score, parts: chosen.map((b, i) => ({ base: b.id, parts: parts[i] as number })) };
    };
    const sets = (of: number[]): void => {
      if (of.length === 1) look(of, [100]);
      if (of.length === 2) for (let a = 1; a < 100; a++) look(of, [a, 100 - a]);
      if (of.length === 3) for (let a = 1; a < 99; a++) for (let b = 1; a + b < 100; b++) look(of, [a, b, 100 - a - b]);
      if (of.length < most) for (let n = (of.at(-1) ?? -1) + 1; n < bases.length; n++) sets([...of, n]);
    };
    sets([]);
    return best as { score: [number, number, number]; parts: RecipePart[] } | null;
  };

  test.each([
    ['a colour within the wish: the cheapest', ask({ bases: [base('clear'), base('lemon'), base('ember'), base('earth')], wish: 6 })],
    ['a colour out of reach: the nearest', ask({ bases: INVENTED_BASES.slice(0, 4), most: 2, target: { lab: [40, -50, -30] } })],
    ['ten bases, two in a recipe', ask({ bases: randomBases(10, 11), most: 2 })],
    [
      'left-overs asked for, of which there is little',
      ask({
        bases: [base('clear'), base('lemon'), { ...base('ember'), leftOverKg: 1.1 }],
        leftOverShare: 0.3,
        target: { lab: [62, 35, 25] },
      }),
    ],
  ])('is equal to looking at every recipe: %s', (_name, asked) => {
    const { found, exact } = matchRecipes(asked);
    expect(exact).toBe(true);
    const best = bruteForce(asked);
    const cost = (parts: readonly RecipePart[]): number =>
      parts.reduce((n, p) => {
        const b = asked.bases.find((x) => x.id === p.base);
        return n + (b?.leftOverKg === undefined ? (b?.pricePerKg ?? 0) * p.parts : 0);
      }, 0) / PARTS;
    expect(cost(found[0]?.parts ?? [])).toBeCloseTo(best?.score[2] ?? NaN, 9);
    expect(Math.max((found[0]?.deltaE ?? 0) - asked.wish, 0)).toBeCloseTo(best?.score[0] ?? NaN, 9);
  });
  it('counts the recipes it would have to look at: 10 + 45·99 + 120·4851 for ten bases and three', () => {
    expect(recipesOf(10, 3)).toBe(10 + 45 * 99 + 120 * 4851);
  });
  it('beyond that says that it may miss a better one', () => {
    const { exact, found } = matchRecipes(ask({ bases: randomBases(40, 5), most: 4, target: { lab: [55, 10, 20] } }));
    expect(exact).toBe(false);
    expect(found[0]?.deltaE).toBeLessThan(2);
  });
  // A recipe planted by our own model and found again is a regression test, not evidence that the model is true.
  it('finds colours that its own model printed', () => {
    for (const recipe of inventedRecipes(5, 3)) {
      const lab = labOfParts(recipe.parts);
      const { found } = matchRecipes(ask({ bases: INVENTED_BASES, most: 4, target: { lab }, wish: 0.5 }));
      expect(found[0]?.deltaE).toBeLessThan(1);
    }
  });
  it('always gives recipes that add up, each base once, ranked as it says', () => {
    fc.assert(
      fc.property(fc.double({ min: 20, max: 90, noNaN: true }), fc.double({ min: -50, max: 50, noNaN: true }), (l, a) => {
        const { found } = matchRecipes(ask({ bases: randomBases(14, 2), target: { lab: [l, a, 10] }, wish: 1.5 }));
        for (const f of found) {
          expect(f.parts.reduce((n, p) => n + p.parts, 0)).toBe(PARTS);
          expect(new Set(f.parts.map((p) => p.base)).size).toBe(f.parts.length);
          expect(f.parts.every((p) => Number.isInteger(p.parts) && p.parts >= 1)).toBe(true);
        }
        const over = found.map((f) => Math.max(f.deltaE - 1.5, 0));
        expect([...over].sort((x, y) => x - y)).toEqual(over);
      }),
      { numRuns: 8 },
    );
  });
  it('shows metamerism where the target is known by its spectrum', () => {
    const spectrum = printedSpectrum({ ...mixed([base('ember'), base('reed')], [1, 1]), gsm: 1.2 }, PAPER);
    const lab = printedLab({ ...mixed([base('ember'), base('reed')], [1, 1]), gsm: 1.2 }, PAPER);
    const without = INVENTED_BASES.filter((b) => b.id !== 'ember' && b.id !== 'reed');
    const { found } = matchRecipes(ask({ bases: without, most: 4, target: { lab, spectrum }, wish: 1 }));
    expect(found[0]?.deltaEUnderA).toBeGreaterThan(0);
    expect(matchRecipes(ask({ target: { lab } })).found[0]?.deltaEUnderA).toBeNull();
  });
  it('refuses what is no question', () => {
    expect(() => matchRecipes(ask({ bases: [] }))).toThrow('bases');
    expect(() => matchRecipes(ask({ filmGsm: 0 }))).toThrow('filmGsm');
    expect(() => matchRecipes(ask({ most: 0 }))).toThrow('most');
  });
});

describe('weighing out', () => {
  const parts = [
    { base: 'ember', parts: 12 },
    { base: 'clear', parts: 80 },
    { base: 'soot', parts: 8 },
  ];
  it('weighs the largest first, each after the other, to a tenth of a gram', () => {
    const rows = weighOut(parts, 2.5);
    expect(rows.map((r) => r.base)).toEqual(['clear', 'ember', 'soot']);
    expect(rows.map((r) => r.kg)).toEqual([2, 0.3, 0.2].map((v) => expect.closeTo(v, 9)));
    expect(rows.map((r) => r.totalKg)).toEqual([2, 2.3, 2.5].map((v) => expect.closeTo(v, 9)));
    expect(rows[0]?.toleranceKg).toBeCloseTo(0.01, 9);
    expect(weighOut(parts, 0.02)[2]?.toleranceKg).toBe(0.0005);
  });
  it('makes too much of one good by more of the others', () => {
    const { massKg, weighings } = reweigh(parts, 2.5, { clear: 2.2 });
    expect(massKg).toBeCloseTo(2.75, 9);
    expect(weighings.find((w) => w.base === 'clear')?.kg).toBeCloseTo(2.2, 4);
    expect(weighings.find((w) => w.base === 'soot')?.kg).toBeCloseTo(0.22, 4);
    expect(reweigh(parts, 2.5, { clear: 1.9 }).massKg).toBe(2.5); // what is missing is topped up
    expect(() => reweigh(parts, 2.5, { lemon: 1 })).toThrow('base');
  });
  it('mixes what the job needs and a reserve', () => {
    expect(batchKg(3.2, 0.15)).toBeCloseTo(3.68, 12);
    expect(() => batchKg(0, 0.1)).toThrow('neededKg');
  });
});

describe('a draw-down', () => {
  const measured = (lab: Lab, more: Partial<Measurement> = {}): Measurement => ({
    lab,
    mode: 'M1',
    backing: 'white',
    from: 'typed',
    ...more,
  });
  it('is judged by CIEDE2000 against the sample, and says when it was measured unlike', () => {
    // Sharma, Wu & Dalal 2005, Table 1, pair 14: 2.9 for ΔE00 = 4.8045 pair 16
    expect(judgeDrawDown(measured([50, 2.5, 0]), measured([50, 0, -2.5]), 2).deltaE).toBeCloseTo(4.3065, 3);
    expect(judgeDrawDown(measured([50, 2.5, 0]), measured([50, 3.2592, 0.335]), 1.01)).toMatchObject({
      inside: true,
      unlike: false,
      deltaEUnderA: null,
    });
    expect(judgeDrawDown(measured([50, 0, 0]), measured([50, 0, 0], { mode: 'M0' }), 1).unlike).toBe(true);
  });
  it('opens the press when it is accepted, or decided by somebody', () => {
    expect([opensPress('accept'), opensPress('decide'), opensPress('adjust'), opensPress(null)]).toEqual([true, true, false, false]);
  });
  it('names in planner’s words what a measurement cannot be', () => {
    const says = (m: unknown): string =>
      MeasurementSchema.safeParse(m)
        .error?.issues.map((i) => `${i.path.join('.')} ${i.message}`)
        .join('; ') ?? '';
    expect(says(measured([120, 0, 0]))).toContain('lab.0 L* is at most 100');
    expect(says(measured([50, 0, 0], { spectrum: Array.from({ length: 36 }, () => -0.1) }))).toContain('reflects less than nothing');
    expect(says(measured([50, 0, 0], { spectrum: [0.1] }))).toContain('needs 36 values');
    expect(says(measured([50, 0, 0], { spectrum: Array.from({ length: 36 }, () => 0.9) }))).toContain('is not the colour of the spectrum');
  });

  const batch = [
    { base: 'clear', kg: 1.6 },
    { base: 'ember', kg: 0.3 },
    { base: 'soot', kg: 0.1 },
  ];
  const modelled = (pail: readonly { base: string; kg: number }[]): Lab =>
    labOfParts(pail.map(({ base: b, kg }) => ({ base: b, parts: kg })));
  it('that lacks a base gets it added: the batch comes to its target though the model is off', () => {
    const wanted = [...batch.map((b) => (b.base === 'ember' ? { ...b, kg: 0.4 } : b))];
    const shift = [0.8, -0.6, 0.5]; // what this press, paper and hand do beside the model
    const off = (lab: Lab): Lab => lab.map((v, i) => v + (shift[i] as number)) as unknown as Lab;
    const found = correctBatch({
      batch,
      bases: INVENTED_BASES,
      measured: off(modelled(batch)),
      target: off(modelled(wanted)),
      stock: PAPER,
      filmGsm: 1.2,
      aim: 0.5,
      mostShare: 0.5,
    });
    expect(found.deltaE).toBeLessThanOrEqual(0.5);
    expect(found.add.map((a) => a.base)).toContain('ember');
    const grams = 1000 * found.add.reduce((n, a) => n + a.kg, 0);
    expect(grams).toBeGreaterThan(50);
    expect(grams).toBeLessThan(160);
  });
  it('that is right gets nothing; one that nothing betters says so by adding nothing', () => {
    const now = modelled(batch);
    const same = { batch, bases: INVENTED_BASES, stock: PAPER, filmGsm: 1.2, mostShare: 0.5, aim: 1 };
    expect(correctBatch({ ...same, measured: now, target: now }).add).toEqual([]);
    expect(
      correctBatch({
        ...same,
        bases: INVENTED_BASES.filter((b) => batch.some((x) => x.base === b.id)),
        measured: now,
        target: [now[0], -60, now[2]],
        mostShare: 0.0005,
      }).add,
    ).toEqual([]);
    expect(() => correctBatch({ ...same, batch: [{ base: 'nobody', kg: 1 }], measured: now, target: now })).toThrow('base');
  });
});

describe('the library of the demo', () => {
  it('holds at least 200 recipes of different names, whose bases exist and add up to a hundred', () => {
    const recipes = inventedRecipes(220, 7);
    expect(new Set(recipes.map((r) => r.name)).size).toBe(220);
    for (const r of recipes) {
      expect(r.parts.reduce((n, p) => n + p.parts, 0)).toBe(100);
      expect(r.parts.every((p) => INVENTED_BASES.some((b) => b.id === p.base))).toBe(true);
    }
  });
  it('passes its own door, and a mixture stands only what all of it stands', () => {
    for (const b of INVENTED_BASES) expect(BaseInkSchema.safeParse(b).success).toBe(true);
    expect(flagsOf([base('ember'), base('rosehip')])).toMatchObject({ fast: ['fat', 'heat'], lowMigration: true });
    expect(flagsOf([base('tin')]).lowMigration).toBe(false);
    expect(BaseInkSchema.safeParse({ ...base('ember'), k: base('ember').k.map((v) => -v) }).success).toBe(false);
  });
});
