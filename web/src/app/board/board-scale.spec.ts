import type { BoardBar } from '@druckerei/contract';
import { busiest, loadByDay } from './load-by-day';
import { barAt, besideAt, boundsOf, closedIn, LANE_PX, neighbour } from './board-scale';
import { axisOf, foldsOf } from './time-axis';

const HOUR = 3600;
const bar = (work: string, machine: string, start: number, end: number): BoardBar => ({
  ...{ work, job: '00000000-0000-4000-8000-000000000001', step: work, name: work, machine },
  ...{ start, makeReadyAt: start, runAt: start, end, changes: [], runs: false, fresh: false, quoted: false, off: null, pin: null },
});
const lanes = [[bar('a', 'press', 0, HOUR), bar('b', 'press', 2 * HOUR, 3 * HOUR)], [], [bar('c', 'cutter', 2 * HOUR, 4 * HOUR)]];

const { xOf } = axisOf({ from: 0, until: 10 * HOUR }, 'day');

describe('the board’s scale', () => {
  it('begins before what began first and ends a day behind the last end', () => {
    expect(boundsOf({ asOf: 10 * HOUR + 60, bars: [bar('a', 'x', 8 * HOUR + 5, 9 * HOUR)] })).toEqual({
      from: 8 * HOUR,
      until: 18 * HOUR + 60 + 24 * HOUR,
    });
    expect(axisOf({ from: HOUR, until: 9 * HOUR }, 'day').xOf(2 * HOUR)).toBe(38);
  });
  it('knows closed hours as far as hours are known, and none behind', () => {
    const open: [number, number][] = [
      [6, 22],
      [30, 46],
      [54, 70],
    ];
    expect(closedIn(open, 0, 28)).toEqual([
      [0, 6],
      [22, 28],
    ]);
    expect(closedIn(open, 8, 20)).toEqual([]);
    expect(closedIn(open, 40, 100)).toEqual([[46, 54]]);
  });
  it('folds what is closed for every machine of the house, and nothing else; there and back are one', () => {
    const open: [number, number][] = [
      [6 * HOUR, 14 * HOUR],
      [30 * HOUR, 38 * HOUR],
    ];
    const late: [number, number][] = [[6 * HOUR, 22 * HOUR]];
    const supplier: [number, number][] = [[-HOUR, 1e9]];
    const bounds = { from: 0, until: 40 * HOUR };
    const laid = [open, late, supplier].map((o, i) => ({ machine: `m${i}`, name: '', open: o }));
    const folds = foldsOf({ lanes: laid }, bounds, 'day');
    expect(folds).toEqual([
      [0, 6 * HOUR],
      [22 * HOUR, 30 * HOUR],
    ]);
    const axis = axisOf(bounds, 'day', folds);
    expect(axis.width).toBe(8 + 16 * 38 + 8 + 10 * 38);
    for (const at of [0, 3 * HOUR, 6 * HOUR, 15.5 * HOUR, 22 * HOUR, 29 * HOUR, 30 * HOUR, 39 * HOUR])
      expect(axis.atOf(axis.xOf(at))).toBeCloseTo(at, 6);
    // What is no wider than a fold stays as it is.
    const withNoon: [number, number][] = [
      [0, 4 * HOUR],
      [5 * HOUR, 40 * HOUR],
    ];
    expect(foldsOf({ lanes: [{ machine: 'm', name: '', open: withNoon }] }, bounds, 'week')).toEqual([]);
    expect(foldsOf({ lanes: [{ machine: 'm', name: '', open: withNoon }] }, bounds, 'day')).toEqual([[4 * HOUR, 5 * HOUR]]);
  });
  it('finds the bar under a point, a thin one too', () => {
    expect(barAt(lanes, xOf(30 * 60), 10, xOf)?.work).toBe('a');
    expect(barAt(lanes, xOf(90 * 60), 10, xOf)).toBeNull();
    expect(barAt(lanes, xOf(3 * HOUR), 2 * LANE_PX + 5, xOf)?.work).toBe('c');
    expect(barAt([[bar('thin', 'press', 0, 60)]], 2, 5, axisOf({ from: 0, until: HOUR }, 'month').xOf)?.work).toBe('thin');
  });
  it.each([
    ['ArrowRight', 'a', 'b'],
    ['ArrowLeft', 'b', 'a'],
    ['ArrowLeft', 'a', undefined],
    ['ArrowDown', 'a', 'c'],
    ['ArrowUp', 'c', 'b'],
    ['ArrowDown', 'c', undefined],
  ])('walks by %s from %s to %s', (key, from, to) => {
    expect(neighbour(lanes, lanes.flat().find((b) => b.work === from) ?? null, key)?.work).toBe(to);
  });
  it.each([
    // Dragged along the press from 0–1 h, 2–3 h, 4–5 h; where it is already is no place.
    ['a', 2.2, { beside: 'b', side: 'before' }, false],
    ['a', 2.8, { beside: 'b', side: 'behind' }, true],
    ['a', 6, { beside: 'd', side: 'behind' }, true],
    ['d', 0.2, { beside: 'a', side: 'before' }, true],
    ['d', 2.9, { beside: 'b', side: 'behind' }, false],
  ] as const)('takes %s dragged to %d h to %j: %s', (work, hours, place, isMove) => {
    const press = [[bar('a', 'press', 0, HOUR), bar('b', 'press', 2 * HOUR, 3 * HOUR), bar('d', 'press', 4 * HOUR, 5 * HOUR)]];
    const held = press[0]!.find((b) => b.work === work)!;
    expect(besideAt(press[0] ?? [], held, xOf(hours * HOUR), xOf)).toEqual(isMove ? place : null);
  });
  it('begins to walk at the first bar', () => {
    expect(neighbour([[], ...lanes], null, 'ArrowDown')?.work).toBe('a');
    expect(neighbour([[]], null, 'ArrowDown')).toBeNull();
  });
});

describe('the load of a machine', () => {
  // Lindmoor's clock is an hour ahead of UTC: its Monday 2026-03-02 begins at 23:00 UTC the day before.
  const MONDAY = Date.UTC(2026, 2, 1, 23) / 1000;
  const shift = (d: number): [number, number] => [MONDAY + (24 * d + 6) * HOUR, MONDAY + (24 * d + 22) * HOUR];
  const page = {
    ...{ asOf: MONDAY + 10 * HOUR, timeZone: 'Europe/Berlin' },
    lanes: [
      { machine: 'press', name: 'Press', open: [shift(0), shift(1)] },
      { machine: 'cutter', name: 'Cutter', open: [[MONDAY, MONDAY + 48 * HOUR] as [number, number]] },
    ],
    // From 20:00 over the night to 10:00: two of its hours today, four tomorrow.
    bars: [bar('a', 'press', MONDAY + 20 * HOUR, MONDAY + 34 * HOUR), bar('c', 'cutter', MONDAY + 11 * HOUR, MONDAY + 12 * HOUR)],
  };
  it('counts open hours from now on, and work while its machine is open', () => {
    const [today, tomorrow, after] = loadByDay(page, 'press');
    expect(today).toEqual({ day: '2026-03-02', openH: 12, takenH: 2 });
    expect(tomorrow).toEqual({ day: '2026-03-03', openH: 16, takenH: 4 });
    expect(after).toEqual({ day: '2026-03-04', openH: 0, takenH: 0 });
    expect(busiest(page)).toBe('press');
    expect(loadByDay(page, 'none').every((d) => d.openH === 0 && d.takenH === 0)).toBe(true);
  });
});
