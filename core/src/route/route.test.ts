import fc from 'fast-check';
import { layIntoOpenHours } from './open-hours';
import { priceAt } from '../stock/purchase';
import { END } from './time-and-cost';

test.each([
  ['in one go', [[0, 100]], 10, 20, { start: 10, end: 30 }],
  ['waits for the morning', [[50, 100]], 10, 20, { start: 50, end: 70 }],
  [
    'split over the night',
    [
      [0, 10],
      [20, 30],
    ],
    5,
    8,
    { start: 5, end: 23 },
  ],
  ['beyond what is known', [[0, 10]], 5, 20, { start: 5, end: 25 }],
] as const)('lays work %s', (_name, open, earliest, length, expected) => {
  expect(layIntoOpenHours(open, earliest, length)).toMatchObject(expected);
});
it('says when the hours known end before the work does', () => {
  expect(layIntoOpenHours([[0, 10]], 5, 20).known).toBe(false);
  expect(layIntoOpenHours([[0, 30]], 5, 20).known).toBe(true);
});
it('works only in open hours: end is start, work and the closed hours between', () => {
  const open: [number, number][] = [
    [0, 50],
    [100, 150],
    [200, 900],
  ];
  fc.assert(
    fc.property(fc.integer({ min: 0, max: 300 }), fc.integer({ min: 0, max: 300 }), (earliest, length) => {
      const p = layIntoOpenHours(open, earliest, length);
      return (
        p.end === p.start + length + p.closedWithin &&
        p.start === earliest + p.closedBefore &&
        p.closedWithin >= 0 &&
        p.closedBefore >= 0 &&
        END.of({ start: p.start, setupS: length, runS: 0, closedS: p.closedWithin }) === p.end
      );
    }),
  );
});
test.each([
  [0, 196],
  [4999, 196],
  [5000, 178],
  [1e6, 165],
])('takes the price at the break %d reaches', (number, price) => {
  expect(
    priceAt(
      [
        [0, 196],
        [5000, 178],
        [20000, 165],
      ],
      number,
    ),
  ).toBe(price);
});
