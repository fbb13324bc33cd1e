import { ascending } from './ascending';

test('numbers are put in order as numbers, and the list given stays as it was', () => {
  const given = [10, 9, 100, -1];
  expect(ascending(given)).toEqual([-1, 9, 10, 100]);
  expect(given).toEqual([10, 9, 100, -1]);
});
