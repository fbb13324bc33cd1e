import type { LogRow } from '../counts/logbook';
import { LINDMOOR } from '../plan/line-1.fixture';
import { logRows } from './logbook-rows';

const ROW: LogRow = {
  ...{ job: 2408, title: 'Menu', customer: 'Choir', stocks: ['gone'], process: 'offset', machine: 'press3', at: 1_796_000_000 },
  ...{ allowedSetup: 200, setup: 180, allowedPpm: 20_000, cycles: 1_010, lost: 12, setupS: 1_800, runS: 900, planPerHour: 8_000.4 },
  ...{ stops: { feeder: { seconds: 120, times: 2 } }, waste: { setup: 180 }, samples: 5, destroyed: 0, pieceKg: 0.1 },
};

it('says each step in names, moments and numbers, with a column a reason of any of them', () => {
  const [first, second] = logRows([ROW, { ...ROW, stops: {}, waste: { dirt: 10 } }], LINDMOOR);
  expect(first).toMatchObject({
    ...{ job: 2408, stock: 'gone', machine: 'Press 3', ended: '2026-11-30T00:53:20.000Z', 'cycles set aside': 221 },
    ...{ 'stopped s, feeder': 120, 'waste kg, setup': 18, 'waste kg, dirt': 0, 'samples kg': 0.5, 'cycles an hour planned': 8_000 },
  });
  expect(second).toMatchObject({ 'stopped s, feeder': 0, 'waste kg, setup': 0, 'waste kg, dirt': 1 });
  expect(Object.keys(first!)).toEqual(Object.keys(second!));
  expect(logRows([], LINDMOOR)).toEqual([]);
});
