import fc from 'fast-check';
import type { Flow, Step } from '../flow/net';
import { balanceOf } from './balance';
import { type StepUnits, stepUnits } from './step-units';
import { type CountSum, INTO, OUT_OF, tallyOf } from './tally';

const flow = (unit: Flow['unit']): Flow => ({ unit, part: 'p', item: 'i', perGood: 1 });
const step = (takes: number, gives: number): Step => ({
  process: 'any',
  stone: 's',
  takes: [{ flow: 'in', per: takes }],
  gives: [{ flow: 'out', per: gives }],
  loss: { setupCycles: 0, runningPpm: 0, samples: 0 },
  whole: true,
  machine: 'm',
  needs: [],
  waits: [],
  cautions: [],
});
const units = (takes: number, gives: number, from: Flow['unit'] = 'sheet', to: Flow['unit'] = 'sheet'): StepUnits =>
  stepUnits(step(takes, gives), { in: flow(from), out: flow(to) });
const sum = (kind: CountSum['kind'], quantity: number, more: Partial<CountSum> = {}): CountSum => ({
  step: 'cut',
  pile: null,
  kind,
  reason: '',
  quantity,
  ...more,
});

describe('what a step is counted in', () => {
  test.each([
    ['a press: sheets', units(1, 1), { unit: 'sheet', perCycle: 1 }],
    ['a guillotine six up: copies', units(1, 6, 'sheet', 'copy'), { unit: 'copy', perCycle: 6 }],
    ['bands of six: copies', units(6, 1, 'copy', 'band'), { unit: 'copy', perCycle: 6 }],
    ['a web: repeats', units(0.7143, 1, 'metre', 'repeat'), { unit: 'repeat', perCycle: 1 }],
  ])('%s', (_name, of, expected) => {
    expect(of).toMatchObject(expected);
  });
});

describe('a balance', () => {
  const cutting = [{ step: 'cut', units: units(1, 6, 'sheet', 'copy'), done: true }];
  it('closes when all that was received is good, wasted, pulled or destroyed', () => {
    // By hand: 100 sheets are 600 copies = 580 good + 12 cut wrongly + 5 samples + 3 destroyed.
    const sums = [sum('take', 100), sum('good', 580), sum('waste', 12, { reason: 'cut' }), sum('samples', 5), sum('destroyed', 3)];
    const { steps, differences } = balanceOf(cutting, [], sums);
    expect(steps[0]).toMatchObject({ received: 600, good: 580, waste: { cut: 12 }, inHand: 0, off: 0, run: 100 });
    expect(differences).toEqual([]);
  });
  it('names what is missing once the step is done, with the pile it came from', () => {
    const sums = [sum('take', 100, { pile: 'A' }), sum('good', 590, { pile: 'B' })];
    expect(balanceOf(cutting, [], sums).differences).toEqual([{ step: 'cut', pile: 'A', off: 10 }]);
  });
  it('takes what is missing for in hand while the step runs', () => {
    const sums = [sum('take', 100), sum('good', 300)];
    expect(balanceOf([{ ...cutting[0]!, done: false }], [], sums)).toMatchObject({ steps: [{ inHand: 300, off: 0 }], differences: [] });
  });
  it('names what is too many at once, even while the step runs, with the pile it was laid on', () => {
    const sums = [sum('take', 100), sum('good', 607, { pile: 'B' })];
    expect(balanceOf([{ ...cutting[0]!, done: false }], [], sums).differences).toEqual([{ step: 'cut', pile: 'B', off: -7 }]);
  });
  it('asks nothing of a step nothing was counted into, unless the job must balance', () => {
    const sums = [sum('good', 90)];
    expect(balanceOf(cutting, [], sums).differences).toEqual([]);
    expect(balanceOf([{ ...cutting[0]!, mustBalance: true }], [], sums).differences).toEqual([{ step: 'cut', pile: null, off: -90 }]);
  });
  it('is closed by a recount', () => {
    expect(balanceOf(cutting, [], [sum('take', 100), sum('good', 590), sum('recount', -10)]).differences).toEqual([]);
  });
  it('forgives a part of a metre where a repeat is none', () => {
    const web = [{ step: 'cut', units: units(0.7143, 1, 'metre', 'repeat'), done: true }];
    expect(balanceOf(web, [], [sum('take', 1_000), sum('good', 1_399)]).differences).toEqual([]); // 1,000 m are 1,399.97 repeats
    expect(balanceOf(web, [], [sum('take', 1_000), sum('good', 1_390)]).differences).toHaveLength(1);
  });
  it('forgives a last carton that is not full', () => {
    const packing = [
      { step: 'cut', units: stepUnits({ ...step(34, 1), whole: false }, { in: flow('copy'), out: flow('case') }), done: true },
    ];
    expect(balanceOf(packing, [], [sum('take', 3_000), sum('good', 89)]).differences).toEqual([]); // 88 full, one with 8
    expect(balanceOf(packing, [], [sum('take', 3_000), sum('good', 90)]).differences).toHaveLength(1);
  });
  it('follows piles through splits, merges and what is taken of them', () => {
    const piles = ['A', 'B', 'C'].map((id) => ({ id, flow: 'out' }));
    const sums = [
      sum('good', 500, { pile: 'A' }),
      sum('split', 200, { pile: 'A', reason: OUT_OF }),
      sum('split', 200, { pile: 'B', reason: INTO }),
      sum('merge', 200, { pile: 'B', reason: OUT_OF }),
      sum('merge', 200, { pile: 'C', reason: INTO }),
      sum('take', 150, { pile: 'C', step: 'fold' }),
      sum('scrap', 20, { pile: 'A', step: null }),
    ];
    expect(balanceOf([], piles, sums).piles.map((p) => [p.id, p.inHand])).toEqual([
      ['A', 280],
      ['B', 0],
      ['C', 50],
    ]);
  });
  it('names a pile of which more was taken than it held', () => {
    const sums = [sum('good', 100, { pile: 'A' }), sum('take', 120, { pile: 'A', step: 'fold' })];
    expect(balanceOf([], [{ id: 'A', flow: 'out' }], sums).differences).toEqual([{ step: null, pile: 'A', off: -20 }]);
  });
  it('loses no piece: whatever is split and merged, what piles hold is what was laid less what was taken', () => {
    const ids = ['A', 'B', 'C', 'D'];
    const move = fc.record({
      from: fc.constantFrom(...ids),
      to: fc.constantFrom(...ids),
      n: fc.integer({ min: 1, max: 500 }),
      kind: fc.constantFrom('split' as const, 'merge' as const),
    });
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 0, max: 1_000 }), { minLength: 4, maxLength: 4 }), fc.array(move), (laid, moves) => {
        const sums = [
          ...laid.map((n, i) => sum('good', n, { pile: ids[i] ?? null })),
          ...moves.flatMap((m) => [sum(m.kind, m.n, { pile: m.from, reason: OUT_OF }), sum(m.kind, m.n, { pile: m.to, reason: INTO })]),
        ];
        const held = balanceOf(
          [],
          ids.map((id) => ({ id, flow: 'out' })),
          sums,
        ).piles.reduce((n, p) => n + p.inHand, 0);
        return held === laid.reduce((a, b) => a + b, 0);
      }),
    );
  });
  it('balances at every step: received and recounted are all that became of it', () => {
    const n = fc.integer({ min: 0, max: 10_000 });
    fc.assert(
      fc.property(n, n, n, n, fc.integer({ min: -50, max: 50 }), fc.boolean(), (take, goods, waste, samples, recount, done) => {
        const sums = [sum('take', take), sum('good', goods), sum('waste', waste), sum('samples', samples), sum('recount', recount)];
        const s = balanceOf([{ step: 'cut', units: units(1, 1), done, mustBalance: true }], [], sums).steps[0]!;
        return s.received + s.recounted === s.good + s.wasted + s.samples + s.destroyed + s.inHand + s.off;
      }),
    );
  });
});

it('tells cycles run from what came out, good or not', () => {
  const t = tallyOf('cut', units(1, 6, 'sheet', 'copy'), [sum('good', 588), sum('waste', 12, { reason: 'setup' })]);
  expect(t).toMatchObject({ run: 100, goodCycles: 98, setupCycles: 2 });
});
