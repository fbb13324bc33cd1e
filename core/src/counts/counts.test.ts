import fc from 'fast-check';
import { goodCycles, leastRun, MOST_CYCLES } from '../flow/counts';
import { seeded } from '../quantity/seeded';
import { allowanceFactor, LIKELY, OWN_ALLOWANCE, spreadOf } from './allowance';
import { leftAsARule, lossAt, reserveTimes, shareEnough, type StepAtRisk } from './drawn-jobs';

const terms = { setup: 0, runningPpm: 0, samples: 0 };

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
      { need: 9000, ...terms, batches: [{ cycles: 4500, lost: 30 }] },
      9090,
      'by hand: 9,090 in 3 batches lose 90',
    ],
    [
      '8 a reel of 3,200, 2 a roll of 4,495',
      {
        need: 6_041,
        ...terms,
        setup: 15,
        runningPpm: 10_000,
        batches: [
          { cycles: 3_200, lost: 8 },
          { cycles: 4_495, lost: 2 },
        ],
      },
      6_138,
      'by hand: 6,138 − 15 − 62 − 2 · 8 − 2 · 2 = 6,041',
    ],
    ['nothing wanted, nothing run', { need: 0, ...terms, setup: 200 }, 0, 'by hand'],
  ])('%s', (_name, t, run, _source) => {
    expect(leastRun(t)).toBe(run);
  });

  const any = fc.record({
    setup: fc.integer({ min: 0, max: 500 }),
    runningPpm: fc.integer({ min: 0, max: 400_000 }),
    samples: fc.integer({ min: 0, max: 50 }),
    batches: fc.array(fc.record({ cycles: fc.constantFrom(400, 3_200, 4_500), lost: fc.integer({ min: 0, max: 30 }) }), { maxLength: 3 }),
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
    expect(leastRun({ need: 10, ...terms, batches: [{ cycles: 10, lost: 10 }] })).toBe(MOST_CYCLES);
  });
});

describe('an allowance', () => {
  it('is what 85 of 100 jobs stay under: the mean lies well below', () => {
    // By hand: σ = √ln 1.5625 = 0.668; z of 0.85 = 1.0364; e^(−0.2231 + 0.6923) = 1.599.
    expect(allowanceFactor(spreadOf(0.75), 0.85)).toBeCloseTo(1.599, 3);
    expect(LIKELY.of({ allowance: 160, spread: spreadOf(0.75), share: 0.85 })).toBeCloseTo(100.1, 1);
  });
  it('follows from mean and spread of the own log, and leads back to them', () => {
    for (const spread of [0, 0.2, 0.6])
      expect(LIKELY.of({ allowance: OWN_ALLOWANCE.of({ mean: 70, spread, share: 0.85 }), spread, share: 0.85 })).toBeCloseTo(70, 9);
  });
  it('refuses a share that is certain and a spread below 0', () => {
    expect(() => allowanceFactor(0.5, 1)).toThrow('share');
    expect(() => allowanceFactor(-0.1, 0.85)).toThrow('spread');
    expect(() => spreadOf(-1)).toThrow('variation');
  });
});

describe('chance of enough', () => {
  const spread = spreadOf(0.75);
  /** Steps in a row, each with one loss of which the allowance is kept. */
  const chain = (allowances: number[], common = spread, more = 0): StepAtRisk[] =>
    allowances.map((a, i) => ({
      kept: a * (1 + more),
      losses: [{ loss: a / allowanceFactor(spread, 0.85), spread, common }],
      next: i + 1 < allowances.length ? i + 1 : null,
    }));
  it('is the share that an allowance is for, where all losses of a job go together, however many steps there are', () => {
    for (const allowances of [[100], [100, 40], [225, 113, 65, 5, 35]]) expect(shareEnough(chain(allowances), 0)).toBeCloseTo(0.85, 2);
  });
  it('agrees with chance draws of the same model, step by step', () => {
    const random = seeded(5);
    const z = (): number => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random()); // Box and Muller 1958
    const steps = chain([100, 60, 60, 20, 40, 10], 0.3);
    let enough = 0;
    for (let job = 0; job < 40_000; job++) {
      const x = z();
      const lost = steps.map(
        ({ losses: [l] }) => (l?.loss ?? 0) * Math.exp(0.3 * x + Math.sqrt(spread * spread - 0.09) * z() - (spread * spread) / 2),
      );
      const holds = steps.every((_, k) => lost.slice(k).reduce((a, b) => a + b, 0) <= steps.slice(k).reduce((a, s) => a + s.kept, 0));
      if (holds) enough++;
    }
    expect(Math.abs(shareEnough(steps, 0) - enough / 40_000)).toBeLessThan(0.012);
  });
  it('asks of every step whether what lies before it lasts: kindness before a stop is not carried on', () => {
    const [first, second] = chain([1_000, 100]) as [StepAtRisk, StepAtRisk];
    expect(
      shareEnough(
        [
          { ...first, kept: 5_000 },
          { ...second, kept: 0 },
        ],
        0,
      ),
    ).toBe(0);
  });
  it('lets two branches that join lose each its own', () => {
    // By hand: text and cover, both of allowance 100, join in a step that loses nothing: each branch is enough in 85 of 100, the same ones.
    const branch = { kept: 100, losses: [{ loss: 100 / allowanceFactor(spread, 0.85), spread, common: spread }], next: 2 };
    expect(shareEnough([branch, branch, { kept: 0, losses: [], next: null }], 0)).toBeCloseTo(0.85, 2);
  });
  it('rises with what is kept and what the order leaves open, and is certain where nothing is lost', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 3, noNaN: true }), fc.double({ min: 0, max: 500, noNaN: true }), (more, slack) => {
        const steps = chain([225, 65, 35], 0.3);
        return shareEnough(chain([225, 65, 35], 0.3, more), slack) >= shareEnough(steps, 0);
      }),
      { numRuns: 40 },
    );
    expect(shareEnough([{ kept: 0, losses: [], next: null }], 0)).toBe(1);
  });
  it('is reached by the reserve of the wish, and one per cent of reserve less does not', () => {
    for (const common of [spread, 0.3, 0])
      for (const wish of [0.9, 0.95, 0.99]) {
        const allowances = [225, 113, 65, 35];
        const times = reserveTimes(chain(allowances, common), allowances, 0, wish);
        expect(shareEnough(chain(allowances, common, times - 1), 0)).toBeGreaterThanOrEqual(wish);
        expect(shareEnough(chain(allowances, common, times * 0.99 - 1), 0)).toBeLessThan(wish + 0.002);
      }
  });
  it('takes no reserve where allowances suffice', () => {
    expect(reserveTimes(chain([100, 50]), [100, 50], 0, 0.85)).toBe(1);
  });
  it('gives back at the first step what the middle job leaves', () => {
    // By hand: median of the loss 62.5 · e^(−0.2231) = 50.0; 100 kept.
    expect(leftAsARule(chain([100]), 0)).toBeCloseTo(50, 0);
    expect(lossAt([{ loss: 62.5, spread: 0, common: 0 }], 0.95)).toBe(62.5);
  });
});
