import fc from 'fast-check';
import { learnedTimes, type TimeFact } from './learned-times';
import { simulatedRun, type SimulatedMachine } from './simulated-counter';
import { stepTimes, type TimeEntry } from './step-times';

const at = (kind: TimeEntry['kind'], minutes: number, reason = ''): TimeEntry => ({ kind, at: minutes * 60, reason });

describe('a step by the clock', () => {
  it('adds up setup, run and stops', () => {
    const log = [at('setupStart', 0), at('setupEnd', 25), at('runStart', 30), at('stop', 60, 'blanket'), at('go', 72), at('runEnd', 90)];
    expect(stepTimes(log, 99_999)).toEqual({
      state: 'done',
      setupS: 25 * 60,
      runS: 60 * 60,
      stops: { blanket: { seconds: 12 * 60, times: 1 } },
      since: 90 * 60,
      stopReason: '',
    });
  });
  it('counts what is open up to now, and says why it stands', () => {
    expect(stepTimes([at('runStart', 0), at('stop', 10, 'waitPile')], 15 * 60)).toMatchObject({
      state: 'stopped',
      runS: 15 * 60,
      stopReason: 'waitPile',
      since: 10 * 60,
      stops: { waitPile: { seconds: 5 * 60, times: 1 } },
    });
  });
  it('ends a setup nobody ended when the run begins', () => {
    expect(stepTimes([at('setupStart', 0), at('runStart', 20), at('runEnd', 50)], 0)).toMatchObject({ setupS: 1_200, runS: 1_800 });
  });
  it('takes up a step again that was done too early', () => {
    const log = [at('runStart', 0), at('runEnd', 10), at('runStart', 20)];
    expect(stepTimes(log, 25 * 60)).toMatchObject({ state: 'running', runS: 15 * 60 });
  });
  it('reads entries that came late in the order of their clocks', () => {
    const log = [at('runEnd', 50), at('setupStart', 0), at('runStart', 20)];
    expect(stepTimes(log, 0)).toEqual(stepTimes([...log].reverse(), 0));
  });
  it('waits before anything is logged', () => {
    expect(stepTimes([], 5)).toMatchObject({ state: 'waiting', setupS: 0, runS: 0, since: null });
  });
});

describe('what a machine’s time teaches', () => {
  const fact = (perHour: number, more: Partial<TimeFact> = {}): TimeFact => ({
    job: 'j',
    machine: 'press3',
    repeat: false,
    setupS: 1_500,
    runS: 3_600,
    cycles: perHour,
    planPerHour: 9_000,
    stops: {},
    ...more,
  });
  it('is the speed of the middle job, which one forgotten end does not move', () => {
    const own = learnedTimes([7_800, 8_000, 8_200, 8_100].map((s) => fact(s)).concat(fact(8_000, { runS: 60_000 })))['press3'];
    expect(own).toMatchObject({ jobs: 5, netPerHour: 8_000, planPerHour: 9_000 });
  });
  it('keeps setups of new and repeat work apart, and knows none where none was logged', () => {
    const own = learnedTimes([fact(1, { setupS: 1_000 }), fact(1, { setupS: 2_000 }), fact(1, { repeat: true, setupS: 600 })])['press3'];
    expect(own).toMatchObject({ setupS: 1_500, setupRepeatS: 600 });
    expect(learnedTimes([fact(1)])['press3']?.setupRepeatS).toBeNull();
  });
  it('lists stops, the longest first, and their share of the run', () => {
    const stops = { blanket: { seconds: 300, times: 1 }, feeder: { seconds: 600, times: 4 } };
    expect(learnedTimes([fact(8_000, { stops })])['press3']).toMatchObject({
      stoppedShare: 0.25,
      stops: [
        { reason: 'feeder', seconds: 600, times: 4 },
        { reason: 'blanket', seconds: 300, times: 1 },
      ],
    });
  });
});

describe('the simulated counter', () => {
  const machine: SimulatedMachine = {
    seed: 7,
    perHour: 8_000,
    runningPpm: 20_000,
    stopsPerHour: 2,
    stopS: 240,
    wasteReasons: ['running', 'register'],
    stopReasons: ['feeder'],
  };
  const run = (m: SimulatedMachine, cycles: number): { out: number; clock: number; stops: number; goes: number } => {
    const events = [...simulatedRun(m, cycles, 10)];
    return {
      out: events.reduce((n, e) => n + e.quantity, 0),
      clock: events.at(-1)?.at ?? 0,
      stops: events.filter((e) => e.kind === 'stop').length,
      goes: events.filter((e) => e.kind === 'go').length,
    };
  };
  it('sends every cycle out, good or lost, whatever the machine', () => {
    const any = fc.record({
      seed: fc.integer(),
      perHour: fc.integer({ min: 60, max: 40_000 }),
      runningPpm: fc.integer({ min: 0, max: 300_000 }),
      stopsPerHour: fc.integer({ min: 0, max: 20 }),
    });
    fc.assert(
      fc.property(any, fc.integer({ min: 1, max: 5_000 }), (more, cycles) => {
        const { out, stops, goes } = run({ ...machine, ...more }, cycles);
        return out === cycles && stops === goes;
      }),
      { numRuns: 40 },
    );
  });
  it('runs at its speed, longer with stops, and the same from the same seed', () => {
    const steady = run({ ...machine, stopsPerHour: 0 }, 8_000);
    expect(steady.clock).toBeGreaterThanOrEqual(3_600);
    expect(steady.clock).toBeLessThan(3_700);
    expect(run(machine, 16_000).clock).toBeGreaterThan(7_200);
    expect(run(machine, 3_000)).toEqual(run(machine, 3_000));
  });
});
