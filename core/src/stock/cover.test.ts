import { usedAWeek, weeksOfCover } from './cover';

const WEEK = 7 * 86_400;

it.each([
  ['of a quarter of a year', { used: 13_000, firstS: 0, nowS: 100 * WEEK }, 1_000],
  ['of a works four weeks old', { used: 6_000, firstS: 0, nowS: 4 * WEEK }, 1_500],
  ['of the first day: of a week at least', { used: 700, firstS: 0, nowS: 86_400 }, 700],
])('reckons the use a week %s', (_name, use, aWeek) => {
  expect(usedAWeek(use)).toBeCloseTo(aWeek, 9);
});

it('says for how many weeks free stock lasts', () => {
  expect(weeksOfCover(900, 150)).toBe(6);
  expect(weeksOfCover(-200, 150)).toBe(0);
  expect(weeksOfCover(900, 0)).toBeNull();
  expect(() => weeksOfCover(900, -1)).toThrow('aWeek');
});
