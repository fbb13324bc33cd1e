import fc from 'fast-check';
import { goodCycles, leastRun, MOST_CYCLES } from '../flow/counts';
import { allowanceFor, chanceOfEnough } from './chance-of-enough';

const terms = { setup: 0, runningPpm: 0, samples: 0, batchCycles: 0, batchLost: 0 };

describe('least run', () => {
  test.each([
    ['no loss', { need: 1000, ...terms }, 1000, 'by hand'],
    ['2 % of 4,050', { need: 3969, ...terms, runningPpm: 20_000 }, 4050, 'by hand: 4,050 − 81 = 3,969'],
    ['setup and samples', { need: 1000, ...terms, setup: 200, samples: 10 }, 1210, 'by hand: 1,210 − 200 − 10'],
    [
      'setup, 1 % and samples',
      { need: 1980, ...terms, setup: 150, runningPpm: 10_000, samples: 0 },
      2150,
      'by hand: 2,000 · 1 % = 20, 2,150 − 150 − 20 = 1,980',
    ],
    [
      'a splice of 30 for each 4,500',
      { need: 9000, ...terms, batchCycles: 4500, batchLost: 30 },
      9090,
      'by hand: 9,090 in 3 batches lose 90',
    ],
    ['nothing wanted, nothing run', { need: 0, ...terms, setup: 200 }, 0, 'by hand'],
  ])('%s', (_name, t, run, _source) => {
    expect(leastRun(t)).toBe(run);
  });

  const any = fc.record({
    setup: fc.integer({ min: 0, max: 500 }),
    runningPpm: fc.integer({ min: 0, max: 400_000 }),
    samples: fc.integer({ min: 0, max: 50 }),
    batchCycles: fc.constantFrom(0, 100, 4500),
    batchLost: fc.integer({ min: 0, max: 30 }),
  });
  it('leaves enough, and one cycle fewer would not', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 50_000 }), any, (need, t) => {
        const run = leastRun({ need, ...t });
        return goodCycles(run, t) >= need && goodCycles(run - 1, t) < need;
      }),
      { numRuns: 500 },
    );
  });
  it('more copies never need fewer sheets', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 50_000 }),
        fc.integer({ min: 0, max: 1000 }),
        any,
        (need, more, t) => leastRun({ need: need + more, ...t }) >= leastRun({ need, ...t }),
      ),
      { numRuns: 500 },
    );
  });
  it('ends where the losses eat what is made', () => {
    expect(leastRun({ need: 10, ...terms, runningPpm: 1_000_000 })).toBe(MOST_CYCLES);
    expect(leastRun({ need: 10, ...terms, batchCycles: 10, batchLost: 10 })).toBe(MOST_CYCLES);
  });
});

describe('chance of enough', () => {
  it('is 63 % when just the expected loss is allowed for: the mean of a skewed loss lies above its median', () => {
    expect(chanceOfEnough({ allowance: 300, expected: 300, variation: 0.75 })).toBeCloseTo(0.6308, 3);
  }); // by hand: Φ(½·√ln 1.5625) = Φ(0.334)
  it('is undone by the allowance for a certainty', () => {
    for (const certainty of [0.5, 0.9, 0.95, 0.99])
      expect(
        chanceOfEnough({ allowance: allowanceFor({ certainty, expected: 200, variation: 0.75 }), expected: 200, variation: 0.75 }),
      ).toBeCloseTo(certainty, 9);
  });
  it('rises with the allowance', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 1e4, noNaN: true }),
        fc.double({ min: 0, max: 1e3, noNaN: true }),
        (allowance, more) =>
          chanceOfEnough({ allowance: allowance + more, expected: 100, variation: 0.75 }) >=
          chanceOfEnough({ allowance, expected: 100, variation: 0.75 }),
      ),
    );
  });
  it('agrees with a simulation of the same lognormal', () => {
    // Sum of twelve uniforms would not do for tails: a seeded quasi-random sweep over the normal quantile instead.
    const n = 4000;
    const sigma = Math.sqrt(Math.log(1 + 0.5625));
    const { normalQuantile } = jest.requireActual<typeof import('../quantity/normal-distribution')>('../quantity/normal-distribution');
    const enough = Array.from({ length: n }, (_, i) => 200 * Math.exp((-sigma * sigma) / 2 + sigma * normalQuantile((i + 0.5) / n))).filter(
      (loss) => loss <= 350,
    ).length;
    expect(chanceOfEnough({ allowance: 350, expected: 200, variation: 0.75 })).toBeCloseTo(enough / n, 2);
  });
  it('knows the ends and refuses nonsense', () => {
    expect(chanceOfEnough({ allowance: 0, expected: 1, variation: 0.75 })).toBe(0);
    expect(chanceOfEnough({ allowance: 0, expected: 0, variation: 0.75 })).toBe(1);
    expect(() => chanceOfEnough({ allowance: -1, expected: 1, variation: 1 })).toThrow('allowance');
    expect(() => allowanceFor({ certainty: 1, expected: 1, variation: 1 })).toThrow('certainty');
  });
});
