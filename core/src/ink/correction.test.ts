import fc from 'fast-check';
import { deltaE2000 } from '../colour/delta-e';
import type { Lab } from '../colour/lab';
import { mixed } from './base-ink';
import { correctBatch } from './correction';
import { INVENTED_BASES } from './invented-inks';
import { printedLab, usualPaper } from './printed-colour';
import { simulatedReading } from './simulated-spectro';
import { reweigh, weighOut } from './weigh-out';

const PAPER = usualPaper('matt');
const BASES = INVENTED_BASES.filter((b) => ['clear', 'reed', 'lemon', 'soot'].includes(b.id));
const labOf = (batch: readonly { base: string; kg: number }[]): Lab => {
  const of = batch.flatMap((b) => BASES.find((x) => x.id === b.base) ?? []);
  return printedLab(
    {
      ...mixed(
        of,
        batch.map((b) => b.kg),
      ),
      gsm: 1.2,
    },
    PAPER,
  );
};
const mass = fc.double({ min: 0.05, max: 2, noNaN: true });

describe('a correction', () => {
  it('never makes it worse, never adds less than nothing nor more than it may, whatever the batch and the target', () => {
    fc.assert(
      fc.property(mass, mass, mass, fc.double({ min: 30, max: 90, noNaN: true }), (clear, reed, lemon, l) => {
        const batch = [
          { base: 'clear', kg: clear },
          { base: 'reed', kg: reed },
          { base: 'lemon', kg: lemon },
        ];
        const [measured, target]: [Lab, Lab] = [labOf(batch), [l, -20, 30]];
        const { add, deltaE } = correctBatch({
          batch,
          bases: BASES,
          measured,
          target,
          stock: PAPER,
          filmGsm: 1.2,
          aim: 0.5,
          mostShare: 0.3,
        });
        const all = clear + reed + lemon;
        const added = add.reduce((n, a) => n + a.kg, 0);
        expect(deltaE).toBeLessThanOrEqual(deltaE2000(measured, target) + 1e-9);
        expect(add.every((a) => a.kg > 0)).toBe(true);
        expect(added).toBeLessThanOrEqual(0.3 * all * (1 + 1e-6));
      }),
      { numRuns: 8 },
    );
  });
  it('expects of the next draw-down what the model is off on this one', () => {
    const batch = [
      { base: 'clear', kg: 1 },
      { base: 'reed', kg: 0.2 },
    ];
    const now = labOf(batch);
    const measured: Lab = [now[0] + 1, now[1], now[2] - 2];
    const found = correctBatch({ batch, bases: BASES, measured, target: measured, stock: PAPER, filmGsm: 1.2, aim: 0.5, mostShare: 0.3 });
    expect(found.add).toEqual([]);
    expect(found.modelOff).toBeCloseTo(deltaE2000(now, measured), 9);
    found.lab.forEach((v, i) => expect(v).toBeCloseTo(measured[i] as number, 9));
  });
});

describe('the simulated spectrophotometer', () => {
  const film = { ...mixed(BASES.slice(0, 2), [4, 1]), gsm: 1.2 };
  it('reads the same batch the same at the same reading, and near to itself at the next', () => {
    expect(simulatedReading(film, PAPER, 7, 1)).toEqual(simulatedReading(film, PAPER, 7, 1));
    const [first, second] = [simulatedReading(film, PAPER, 7, 1), simulatedReading(film, PAPER, 7, 2)];
    expect(first.lab).not.toEqual(second.lab);
    expect(deltaE2000(first.lab, second.lab)).toBeLessThan(0.5);
    expect(first.from).toBe('simulated');
  });
  it('is off the model by something that belongs to the batch', () => {
    const model = printedLab(film, PAPER);
    const off = Array.from({ length: 40 }, (_, i) => deltaE2000(model, simulatedReading(film, PAPER, i, 1).lab));
    expect(Math.max(...off)).toBeGreaterThan(0.4);
    expect(Math.max(...off)).toBeLessThan(6);
  });
});

describe('a weigh-out', () => {
  const parts = fc
    .array(fc.integer({ min: 1, max: 60 }), { minLength: 1, maxLength: 6 })
    .map((p) => p.map((n, i) => ({ base: `b${i}`, parts: n })));
  it('loses nothing: its rows come to the mass asked, the scale rises row by row', () => {
    fc.assert(
      fc.property(parts, fc.double({ min: 0.1, max: 50, noNaN: true }), (recipe, kg) => {
        const rows = weighOut(recipe, kg);
        expect(rows.reduce((n, r) => n + r.kg, 0)).toBeCloseTo(kg, 2);
        expect(rows.map((r) => r.totalKg)).toEqual([...rows.map((r) => r.totalKg)].sort((a, b) => a - b));
        expect(rows.every((r, i) => i === 0 || r.kg <= (rows[i - 1]?.kg ?? 0) + 1e-9)).toBe(true);
      }),
    );
  });
  it('grown for too much of one keeps every share', () => {
    fc.assert(
      fc.property(parts, fc.double({ min: 1, max: 2, noNaN: true }), (recipe, times) => {
        const all = recipe.reduce((n, p) => n + p.parts, 0);
        const [first] = recipe;
        const { massKg, weighings } = reweigh(recipe, 10, { b0: ((10 * (first?.parts ?? 0)) / all) * times });
        expect(massKg).toBeCloseTo(10 * times, 9);
        for (const w of weighings) expect(w.kg / massKg).toBeCloseTo((recipe.find((p) => p.base === w.base)?.parts ?? 0) / all, 3);
      }),
    );
  });
});
