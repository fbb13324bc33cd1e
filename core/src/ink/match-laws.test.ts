import fc from 'fast-check';
import type { Lab } from '../colour/lab';
import { randomBases } from './invented-inks';
import { type MatchAsk, type MatchFound, matchRecipes, PARTS } from './match';
import { usualPaper } from './printed-colour';

const PAPER = usualPaper('gloss');
const lab = fc
  .tuple(
    fc.double({ min: 25, max: 85, noNaN: true }),
    fc.double({ min: -40, max: 40, noNaN: true }),
    fc.double({ min: -30, max: 50, noNaN: true }),
  )
  .map(([l, a, b]): Lab => [l, a, b]);
const bases = fc.integer({ min: 1, max: 1e4 }).map((seed) => randomBases(6, seed));
const best = (more: Pick<MatchAsk, 'bases' | 'target'> & Partial<MatchAsk>): MatchFound => {
  const { found, exact } = matchRecipes({ stock: PAPER, filmGsm: 1.2, most: 2, wish: 3, leftOverShare: 0, neededKg: 5, ...more });
  expect(exact).toBe(true);
  return found[0] as MatchFound;
};
const RUNS = { numRuns: 10 };
const over = (f: MatchFound, wish = 3): number => Math.max(f.deltaE - wish, 0);

/** Laws of a search that looks at every recipe. */
describe('the best recipe', () => {
  it('is the same in whatever order the bases stand', () => {
    fc.assert(
      fc.property(bases, lab, (of, target) => {
        const [a, b] = [best({ bases: of, target: { lab: target } }), best({ bases: [...of].reverse(), target: { lab: target } })];
        const named = (f: MatchFound): string[] => f.parts.map((p) => `${p.base} ${p.parts}`).sort();
        expect(named(a)).toEqual(named(b));
      }),
      RUNS,
    );
  });
  it('never lies farther from the wish with one base more to choose from, nor with one more in a recipe', () => {
    fc.assert(
      fc.property(bases, lab, (of, target) => {
        const wide = best({ bases: of, target: { lab: target } });
        expect(over(wide)).toBeLessThanOrEqual(over(best({ bases: of.slice(1), target: { lab: target } })) + 1e-9);
        expect(over(wide)).toBeLessThanOrEqual(over(best({ bases: of, target: { lab: target }, most: 1 })) + 1e-9);
      }),
      RUNS,
    );
  });
  it('never costs more where the wish is wider and both are met', () => {
    fc.assert(
      fc.property(bases, lab, (of, target) => {
        const [near, wide] = [4, 9].map((wish) => best({ bases: of, target: { lab: target }, wish })) as [MatchFound, MatchFound];
        if (near.withinWish) {
          expect(wide.withinWish).toBe(true);
          expect(wide.pricePerKg).toBeLessThanOrEqual(near.pricePerKg + 1e-9);
        }
      }),
      RUNS,
    );
  });
  it('offers no left-over outside the wish, whatever it would save', () => {
    fc.assert(
      fc.property(bases, lab, (of, target) => {
        const withPail = of.map((b, i) => (i === 0 ? { ...b, leftOverKg: 5 } : b));
        const { found } = matchRecipes({
          bases: withPail,
          target: { lab: target },
          stock: PAPER,
          filmGsm: 1.2,
          most: 2,
          wish: 3,
          leftOverShare: 1,
          neededKg: 5,
        });
        expect(found.filter((f) => f.leftOverShare > 0 && !f.withinWish)).toEqual([]);
        expect(found.length).toBeGreaterThan(0);
      }),
      RUNS,
    );
  });
  it('takes of a left-over what was asked for where colour allows, never more than there is, and pays nothing for it', () => {
    fc.assert(
      fc.property(bases, lab, fc.double({ min: 0.2, max: 5, noNaN: true }), (of, target, kg) => {
        const withPail = of.map((b, i) => (i === 0 ? { ...b, leftOverKg: kg } : b));
        const most = Math.min(Math.floor((PARTS * kg) / 5), PARTS) / PARTS;
        const found = best({ bases: withPail, target: { lab: target }, leftOverShare: Math.min(most, 0.3), wish: 100 });
        expect(found.leftOverShare).toBeLessThanOrEqual(most + 1e-9);
        expect(found.leftOverShare).toBeGreaterThanOrEqual(Math.min(most, 0.3) - 1e-9);
        const paid = found.parts.reduce(
          (n, p) => n + (p.base === of[0]?.id ? 0 : (of.find((b) => b.id === p.base)?.pricePerKg ?? NaN) * p.parts),
          0,
        );
        expect(found.pricePerKg).toBeCloseTo(paid / PARTS, 9);
      }),
      RUNS,
    );
  });
});
