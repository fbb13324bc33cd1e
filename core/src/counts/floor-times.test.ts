import fc from 'fast-check';
import { learnedTimes, type TimeFact } from './learned-times';
import { simulatedRun, type SimulatedMachine } from './simulated-counter';
import { stepTimes, type TimeEntry, timesAfter, timesUpTo } from './step-times';

const at = (kind: TimeEntry['kind'], minutes: number, reason = ''): TimeEntry => ({ kind, at: minutes * 60, reason });

describe('a step by the clock', () => {
  it('adds up setup, run and stops', () => {
    const log = [at('setupStart', 0), at('setupEnd', 25), at('runStart', 30), at('stop', 60, 'blanket'), at('go', 72), at('runEnd', 90)];
    expect(stepTimes(log)).toEqual({
      state: 'done',
      open: null,
      setupS: 25 * 60,
      runS: 60 * 60,
      stops: { blanket: { seconds: 12 * 60, times: 1 } },
      since: 90 * 60,
      stopReason: '',
    });
  });
  it('counts what is open up to now, and says why it stands', () => {
    expect(timesUpTo(stepTimes([at('runStart', 0), at('stop', 10, 'waitPile')]), 15 * 60)).toMatchObject({
      state: 'stopped',
      runS: 15 * 60,
      stopReason: 'waitPile',
      since: 10 * 60,
      stops: { waitPile: { seconds: 5 * 60, times: 1 } },
    });
  });
  it('ends a setup nobody ended when the run begins', () => {
    expect(stepTimes([at('setupStart', 0), at('runStart', 20), at('runEnd', 50)])).toMatchObject({ setupS: 1_200, runS: 1_800 });
  });
  it('takes up a step again that was done too early', () => {
    const log = [at('runStart', 0), at('runEnd', 10), at('runStart', 20)];
    expect(timesUpTo(stepTimes(log), 25 * 60)).toMatchObject({ state: 'running', runS: 15 * 60 });
  });
  it('reads entries that came late in the order of their clocks', () => {
    const log = [at('runEnd', 50), at('setupStart', 0), at('runStart', 20)];
    expect(stepTimes(log)).toEqual(stepTimes([...log].reverse()));
  });
  it('stands the same read entry by entry as read at once, whatever came in whatever order', () => {
    const kinds = ['setupStart', 'setupEnd', 'runStart', 'runEnd', 'stop', 'go', 'note', 'good'] as const;
    const entry = fc.record({
      kind: fc.constantFrom(...kinds),
      at: fc.integer({ min: 0, max: 10_000 }),
      reason: fc.constantFrom('tool', 'fault'),
    });
    fc.assert(
      fc.property(fc.array(entry, { maxLength: 20 }), fc.nat(20), fc.nat(10_000), (log, cut, later) => {
        const sorted = [...log].sort((a, b) => a.at - b.at);
        const known = stepTimes(sorted.slice(0, cut));
        expect(sorted.slice(cut).reduce(timesAfter, known)).toEqual(stepTimes(sorted));
        // Looking twice adds nothing twice; no second is counted that has not passed.
        const up = timesUpTo(stepTimes(sorted), 10_000 + later);
        expect(up.setupS + up.runS).toBeLessThanOrEqual(10_000 + later);
        expect(timesUpTo(stepTimes(sorted), 10_000 + later)).toEqual(up);
      }),
    );
  });
  it('waits before anything is logged', () => {
    expect(stepTimes([])).toMatchObject({ state: 'waiting', setupS: 0, runS: 0, since: null });
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
