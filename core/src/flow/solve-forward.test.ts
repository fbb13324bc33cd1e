import fc from 'fast-check';
import { Ledger } from '../quantity/ledger';
import type { Counted } from '../plant/plant';
import type { Flow, Net, Step } from './net';
import { batchesOf, solveBackward } from './solve-backward';
import { RATE_PRIOR_CYCLES, solveForward } from './solve-forward';

const flow = (unit: Flow['unit'], perGood = 1): Flow => ({ unit, part: 'p', item: 'i', perGood });
const step = (from: string, to: string, per: [number, number], loss: Partial<Step['loss']> = {}, whole = true): Step => ({
  process: 'any',
  stone: to,
  takes: [{ flow: from, per: per[0] }],
  gives: [{ flow: to, per: per[1] }],
  loss: { setupCycles: 0, runningPpm: 0, samples: 0, ...loss },
  whole,
  machine: 'm',
  needs: [],
  waits: [],
  cautions: [],
});
/** Sheets printed, cut six up, banded in sixes. */
const net: Net = {
  flows: { paper: flow('sheet', 1 / 6), printed: flow('sheet', 1 / 6), copies: flow('copy'), bands: flow('band', 1 / 6) },
  steps: {
    print: step('paper', 'printed', [1, 1], { setupCycles: 100, runningPpm: 20_000, samples: 5 }),
    cut: step('printed', 'copies', [1, 6], { setupCycles: 2, runningPpm: 2_000 }),
    band: step('copies', 'bands', [6, 1], {}, false),
  },
  wanted: { bands: { order: { value: 1_000, unit: 'piece', from: 'typed', at: 'order' } } },
};
function forward(counted: Record<string, Counted>, there: Record<string, number> = {}): { ledger: Ledger; value: (id: string) => number } {
  const ledger = new Ledger();
  solveForward(net, solveBackward(net, ledger), counted, ledger, there);
  return { ledger, value: (id) => ledger.value(id) };
}

describe('counting forward', () => {
  it('comes out as planned when nothing is counted yet', () => {
    const { value } = forward({});
    for (const id of Object.keys(net.steps)) expect(value(`${id}.realRun`)).toBeGreaterThanOrEqual(value(`${id}.run`));
    expect(value('bands.real')).toBeGreaterThanOrEqual(1_000);
  });
  it('keeps a finished step as it was counted, and gives the next what it left', () => {
    // By hand: 900 good sheets; cut: 900 − 2 − ⌈898 · 0.2 %⌉ = 896, six each are 5,376 copies, 896 bands.
    const { value } = forward({ print: { run: 1_100, good: 900, done: true, setup: 150 } });
    expect(['cut.realRun', 'cut.realGood', 'copies.real', 'bands.real'].map(value)).toEqual([900, 896, 5_376, 896]);
  });
  it('takes what is really there for what the plan pulls', () => {
    const planned = forward({}).value('print.realRun');
    expect(forward({}, { paper: 500 }).value('print.realRun')).toBe(500);
    expect(planned).toBeGreaterThan(500);
  });
  it('never runs fewer than were counted, though fewer were said to be there', () => {
    expect(forward({ print: { run: 800, good: 600, done: false } }, { paper: 500 }).value('print.realRun')).toBe(800);
  });
  it('sets up once: what is left of a run that was begun loses no setup again', () => {
    const begun = forward({ print: { run: 200, good: 90, done: false, setup: 110 } }, { paper: 1_000 });
    // By hand: 0 lost of 90 cycles after setup, the plan's 2 % of 500 beside: 10 / 590; 800 to go lose ⌈13.56⌉ = 14.
    expect(begun.value('print.realPpm')).toBeCloseTo((10 / (90 + RATE_PRIOR_CYCLES)) * 1e6, 6);
    expect(begun.value('print.realGood')).toBe(90 + 800 - 14);
  });
  it('follows the rate of the run the more, the longer it runs', () => {
    const rate = (cycles: number): number =>
      forward({ print: { run: cycles, good: cycles * 0.9, done: false } }, { paper: 100_000 }).value('print.realPpm');
    expect(rate(100)).toBeLessThan(rate(1_000));
    expect(rate(1_000)).toBeLessThan(rate(50_000));
    expect(rate(50_000) / 100_000).toBeCloseTo(1, 1);
  });
  it('part-fills the last band, and no more', () => {
    const { value } = forward({ cut: { run: 900, good: 899.5, done: true } }); // 5,397 copies
    expect([value('copies.real'), value('band.realRun'), value('bands.real')]).toEqual([5_397, 899.5, 899]);
  });
  it('never promises more for one that lost more', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 300, max: 1_500 }),
        fc.integer({ min: 0, max: 250 }),
        fc.integer({ min: 1, max: 40 }),
        (run, lost, more) => {
          const bands = (l: number): number => forward({ print: { run, good: run - l, done: true } }).value('bands.real');
          return bands(lost + more) <= bands(lost);
        },
      ),
    );
  });
  it('loses nothing on the way: good, lost and left of every step are what reached it', () => {
    fc.assert(
      fc.property(fc.integer({ min: 200, max: 3_000 }), fc.integer({ min: 0, max: 100 }), (run, lost) => {
        const { value } = forward({ print: { run, good: run - lost, done: true } });
        return (
          value('cut.realRun') === run - lost &&
          value('cut.realGood') <= value('cut.realRun') &&
          value('copies.real') === value('cut.realGood') * 6 &&
          value('bands.real') === Math.floor(value('copies.real') / 6)
        );
      }),
    );
  });
});

describe('what is lost at batches', () => {
  const lost = (loss: Partial<Step['loss']>): { run: number; lost: number; good: number } => {
    const rolls: Net = {
      flows: { web: flow('metre', 0.5), print: flow('piece') },
      steps: { wind: step('web', 'print', [0.5, 1], loss) },
      wanted: { print: { order: { value: 6_041, unit: 'piece', from: 'typed', at: 'order' } } },
    };
    const ledger = new Ledger();
    const counts = solveBackward(rolls, ledger);
    const value = (id: string | undefined): number => (id === undefined ? 0 : ledger.value(id));
    return {
      run: value(counts.steps['wind']?.run),
      lost: value(counts.steps['wind']?.lost.batch),
      good: value(counts.steps['wind']?.good),
    };
  };
  it('adds up over their kinds: 8 a reel of 3,200 and 2 a roll of 4,495 are 20 of 6,138', () => {
    const perBatch = [
      { cycles: 3_200, lost: 8 },
      { cycles: 4_495, lost: 2 },
    ];
    expect(lost({ setupCycles: 15, runningPpm: 10_000, perBatch })).toEqual({ run: 6_138, lost: 20, good: 6_041 });
    expect(lost({})).toEqual({ run: 6_041, lost: 0, good: 6_041 });
  });
  it('of plans of older programs is one kind, not a list', () => {
    const one = { cycles: 6_300, lost: 30 };
    // As it stands in what they stored.
    const stored = JSON.parse(JSON.stringify(one)) as never;
    expect(batchesOf(stored, 'print')).toEqual(batchesOf([one], 'print'));
  });
});
