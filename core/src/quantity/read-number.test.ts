import { readNumber } from './read-number';

describe('a typed number', () => {
  test.each([
    ['12', 12],
    ['0,15', 0.15],
    ['0.15', 0.15],
    ['.5', 0.5],
    ['1 234,5', 1_234.5],
    ['10\u2009000', 10_000],
    ['−3,25', -3.25],
    ['+7', 7],
    ["1'500", 1_500],
    [' 4 ', 4],
  ])('%s is %d', (text, value) => {
    expect(readNumber(text)).toBe(value);
  });
  test.each(['', ' ', 'abc', '1,2,3', '1e5', '0x10', 'Infinity', '12 mm', '--1', ','])('“%s” is none', (text) => {
    expect(readNumber(text)).toBeNaN();
  });
});
