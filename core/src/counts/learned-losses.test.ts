import fc from 'fast-check';
import { learnedLosses, type StepFact } from './learned-losses';
import { lossVariation, spreadWidth, widened } from './loss-variation';
import { chanceOfEnough } from './chance-of-enough';
import { seeded } from '../quantity/seeded';
import { HIDDEN, HIDDEN_COMMON, normal, shareShort } from './simulated-shop.fixture';

const fact = (job: number, more: Partial<StepFact> = {}): StepFact => ({
  job: String(job),
  process: 'fold',
  machine: 'folder2',
  expectedSetup: 35,
  setup: 35,
  cycles: 10_000,
  lost: 50,
  ...more,
});

describe('what the works learns', () => {
  it('of jobs that all lost the same is just that', () => {
    const { losses, leftAside } = learnedLosses(Array.from({ length: 30 }, (_, i) => fact(i)));
    expect(losses['fold@folder2']).toMatchObject({ jobs: 30, meanPpm: 5_050, sdPpm: 0, setupFactor: 1, setupSpread: 0 }); // (50 + ½) / 10,000
    expect(leftAside).toEqual([]);
  });
  it('is kept by machine and for all machines of a process', () => {
    const { losses } = learnedLosses([
      ...Array.from({ length: 20 }, (_, i) => fact(i, { lost: 40 })),
      ...Array.from({ length: 20 }, (_, i) => fact(100 + i, { machine: 'folder5', lost: 160 })),
    ]);
    expect(losses['fold@folder2']?.meanPpm).toBe(4_050);
    expect(losses['fold@folder5']?.meanPpm).toBe(16_050);
    expect(losses['fold']?.jobs).toBe(40);
  });
  it('leaves a mistyped count aside and names it', () => {
    const random = seeded(3);
    const honest = Array.from({ length: 60 }, (_, i) => fact(i, { lost: Math.round(50 * Math.exp(0.4 * normal(random))) }));
    const { losses, leftAside } = learnedLosses([...honest, fact(999, { lost: 5_000 })]);
    expect(leftAside).toMatchObject([{ job: '999', what: 'running', machine: 'folder2' }]);
    expect(leftAside[0]?.times).toBeGreaterThan(50);
    expect(losses['fold@folder2']).toEqual(learnedLosses(honest).losses['fold@folder2']);
  });
  it('takes an entry for a slip only when there are enough like it to tell', () => {
    expect(learnedLosses([fact(1), fact(2, { lost: 90 })]).leftAside).toEqual([]);
  });
  it('finds what is hidden in 2,000 simulated jobs: losses, spreads and what they share', () => {
    const random = seeded(11);
    const facts = Array.from({ length: 2_000 }, (_, j) => {
      const common = normal(random);
      return HIDDEN.map((t): StepFact => {
        const draw = (s: number): number =>
          Math.exp(HIDDEN_COMMON * common + Math.sqrt(s * s - HIDDEN_COMMON ** 2) * normal(random) - (s * s) / 2);
        return {
          job: String(j),
          process: t.process,
          machine: t.machine,
          expectedSetup: t.handbookSetup,
          setup: t.handbookSetup * t.setupFactor * draw(t.setupSpread),
          cycles: 20_000,
          lost: (20_000 * t.ppm * draw(t.runningSpread)) / 1e6,
        };
      });
    }).flat();
    const { losses, together } = learnedLosses(facts);
    for (const t of HIDDEN) {
      const own = losses[`${t.process}@${t.machine}`];
      expect((own?.meanPpm ?? 0) / t.ppm).toBeCloseTo(1, 1);
      expect((own?.setupFactor ?? 0) / t.setupFactor).toBeCloseTo(1, 1);
      expect(own?.runningSpread).toBeCloseTo(t.runningSpread, 1);
      expect(own?.setupSpread).toBeCloseTo(t.setupSpread, 1);
    }
    expect(together?.spread).toBeCloseTo(HIDDEN_COMMON, 1);
    expect(together?.jobs).toBe(2_000);
  });
});

describe('a wished certainty', () => {
  // Hidden truth, fixed seeds, 2,000 jobs each; the works starts from the handbook and learns from its own jobs as they close.
  test.each([
    [0.9, 21],
    [0.95, 22],
    [0.99, 23],
  ])('of %d is kept within 1.5 points once 100 jobs are logged', (certainty, seed) => {
    const short = shareShort(certainty, { jobs: 2_000, from: 100, seed });
    expect(Math.abs(short - (1 - certainty))).toBeLessThan(0.015);
  });
  it('is kept though one count in a hundred is mistyped', () => {
    expect(Math.abs(shareShort(0.95, { jobs: 2_000, from: 100, seed: 24, slips: 0.01 }) - 0.05)).toBeLessThan(0.015);
  });
});

describe('the spread of a whole job', () => {
  it('of one loss is that of a lognormal', () => {
    expect(lossVariation([{ loss: 100, spread: 0.5, common: 0.2 }], 100)).toBeCloseTo(Math.sqrt(Math.exp(0.25) - 1), 12);
  });
  it('is smaller where losses do not go together, and greatest where they do', () => {
    const two = (common: number): number =>
      lossVariation(
        [
          { loss: 50, spread: 0.6, common },
          { loss: 50, spread: 0.6, common },
        ],
        100,
      );
    expect(two(0)).toBeCloseTo(lossVariation([{ loss: 100, spread: 0.6, common: 0 }], 100) / Math.SQRT2, 12);
    expect(two(0.6)).toBeCloseTo(lossVariation([{ loss: 100, spread: 0.6, common: 0 }], 100), 12);
  });
  it('never lowers the risk when a spread grows, for allowances above the expected loss', () => {
    fc.assert(
      fc.property(fc.double({ min: 1.5, max: 4, noNaN: true }), fc.double({ min: 0.05, max: 0.6, noNaN: true }), (times, spread) => {
        const chance = (s: number): number =>
          chanceOfEnough({ allowance: 100 * times, expected: 100, variation: lossVariation([{ loss: 100, spread: s, common: 0 }], 100) });
        return chance(spread + 0.05) <= chance(spread) + 1e-12;
      }),
    );
  });
  test.each([
    [20, 1.08, 'by hand: √(1.05 · 19/17)'],
    [100, 1.015, 'by hand: √(1.01 · 99/97)'],
  ])('is widened for the next job by what %d jobs leave open', (jobs, times, _source) => {
    expect(widened(1, jobs)).toBeCloseTo(times, 2);
  });
  it('is known to a tenth after 51 jobs', () => {
    expect(spreadWidth(51)).toBeCloseTo(0.1, 12); // 1/√100
  });
});
