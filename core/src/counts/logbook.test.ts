import * as fc from 'fast-check';
import { allowanceKept, LATE_DAYS, logged, type LogRow, lossesInTime, promisesKept, speedsInTime, stopsByReason, wasteOf } from './logbook';

const row = (more: Partial<LogRow> = {}): LogRow => ({
  job: 2401,
  title: 'Winter card',
  customer: 'Choir',
  stocks: ['ivory'],
  process: 'offset',
  machine: 'press3',
  at: 1_000,
  allowedSetup: 200,
  setup: 150,
  allowedPpm: 20_000,
  cycles: 1_000,
  lost: 10,
  setupS: 1_800,
  runS: 600,
  planPerHour: 8_000,
  stops: {},
  waste: {},
  samples: 0,
  destroyed: 0,
  pieceKg: 0.1,
  ...more,
});

describe('the logbook', () => {
  it('is narrowed by machine, work, stock, customer and time', () => {
    const rows = [
      row(),
      row({ machine: 'knife1', process: 'guillotine' }),
      row({ customer: 'Bakery', at: 9_000, stocks: ['ivory', 'cotton'] }),
    ];
    expect(logged(rows, {})).toHaveLength(3);
    expect(logged(rows, { machine: 'press3' })).toHaveLength(2);
    expect(logged(rows, { process: 'guillotine' })).toHaveLength(1);
    expect(logged(rows, { stock: 'cotton', customer: 'Bakery' })).toHaveLength(1);
  });

  it('shows losses in time beside what was planned, with the middle of the last ten and their middle half', () => {
    const points = lossesInTime([row({ at: 2_000, lost: 30 }), row({ at: 1_000, lost: 10 }), row({ at: 3_000, cycles: 99, lost: 50 })]);
    expect(points.map((p) => [p.was, p.planned, p.middle, p.quarters])).toEqual([
      [10_000, 20_000, 10_000, [10_000, 10_000]],
      [30_000, 20_000, 20_000, [15_000, 25_000]],
    ]);
    // Ten and no more: what was long ago no longer moves the middle.
    const long = lossesInTime(Array.from({ length: 12 }, (_, i) => row({ at: i, lost: i < 2 ? 900 : 20 })));
    expect(long.at(-1)).toMatchObject({ middle: 20_000, quarters: [20_000, 20_000] });
  });

  it('shows speeds over the whole run; a run of a minute tells none', () => {
    expect(speedsInTime([row(), row({ runS: 60 })]).map((p) => [p.was, p.planned])).toEqual([[6_000, 8_000]]);
  });

  it('sums stops by reason, the longest first, in time and money', () => {
    const rows = [
      row({ stops: { feeder: { seconds: 600, times: 3 }, blanket: { seconds: 1_800, times: 1 } } }),
      row({ machine: 'knife1', stops: { feeder: { seconds: 600, times: 1 } } }),
    ];
    const sums = stopsByReason(rows, (machine) => (machine === 'press3' ? 120 : 60));
    expect(sums).toEqual([
      { reason: 'blanket', times: 1, seconds: 1_800, money: 60, upTo: 0.6 },
      { reason: 'feeder', times: 4, seconds: 1_200, money: 30, upTo: 1 },
    ]);
    expect(stopsByReason([row()], () => 100)).toEqual([]);
  });

  it('weighs waste by class and reason', () => {
    const { byClass, byReason } = wasteOf([
      row({ waste: { setup: 200, dirt: 30 }, samples: 10, destroyed: 2 }),
      row({ waste: { dirt: 10 } }),
    ]);
    expect(byClass).toEqual({
      setup: expect.closeTo(20),
      running: expect.closeTo(4),
      samples: expect.closeTo(1),
      destroyed: expect.closeTo(0.2),
    });
    expect(byReason).toEqual([
      { reason: 'setup', kg: expect.closeTo(20) as number },
      { reason: 'dirt', kg: expect.closeTo(4) as number },
    ]);
  });

  it('says how often the allowance was enough', () => {
    // 200 + 20 set aside, 160 lost; then 100 + 0 set aside and 130 lost.
    expect(allowanceKept([row(), row({ allowedSetup: 100, allowedPpm: 0, setup: 130, lost: 0 })])).toEqual({
      steps: 2,
      kept: 1,
      allowed: 320,
      lost: 290,
    });
    expect(allowanceKept([])).toEqual({ steps: 0, kept: 0, allowed: 0, lost: 0 });
  });

  it('tells promises kept from those missed, by days', () => {
    const day = 86_400;
    const late = (days: number) => ({ job: 1, title: '', customer: '', stocks: [], due: 0, delivered: days * day });
    const kept = promisesKept([late(-2), late(0), late(0.2), late(1), late(1.1), late(30)]);
    expect(kept).toEqual({ jobs: 6, kept: 2, late: [2, 1, 0, 0, 0, 0, 1] });
    expect(kept.late).toHaveLength(LATE_DAYS);
  });

  it('loses no row and no second on the way', () => {
    const stops = fc.dictionary(fc.constantFrom('feeder', 'blanket', 'fault'), fc.record({ seconds: fc.nat(9_000), times: fc.nat(20) }));
    fc.assert(
      fc.property(
        fc.array(fc.record({ stops, setup: fc.nat(500), lost: fc.nat(500), days: fc.integer({ min: -9, max: 40 }) })),
        (drawn) => {
          const rows = drawn.map((d) => row(d));
          const seconds = rows.flatMap((r) => Object.values(r.stops)).reduce((sum, s) => sum + s.seconds, 0);
          expect(stopsByReason(rows, () => 1).reduce((sum, s) => sum + s.seconds, 0)).toBe(seconds);
          const promises = promisesKept(
            drawn.map((d) => ({ job: 1, title: '', customer: '', stocks: [], due: 0, delivered: d.days * 86_400 })),
          );
          expect(promises.kept + promises.late.reduce((sum, n) => sum + n, 0)).toBe(promises.jobs);
          expect(allowanceKept(rows).kept).toBeLessThanOrEqual(rows.length);
        },
      ),
    );
  });
});
