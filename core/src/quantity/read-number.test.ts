import { readNumber, readWhole, unclearNumber } from './read-number';

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
    ['1,234,567', 1_234_567],
    ['1.234.567', 1_234_567],
    ['1.234,5', 1_234.5],
    ['1,234.5', 1_234.5],
    ['1,5', 1.5],
    ['1,200', 1.2],
  ])('%s is %d', (text, value) => {
    expect(readNumber(text)).toBe(value);
  });
  test.each(['', ' ', 'abc', '1,2,3', '1,23,456', '1.234.5', '1e5', '0x10', 'Infinity', '12 mm', '--1', ','])('“%s” is none', (text) => {
    expect(readNumber(text)).toBeNaN();
  });
});

describe('a typed count', () => {
  test.each([
    ['7,500', 7_500],
    ['7.500', 7_500],
    ['10 000', 10_000],
    ['1.234.567', 1_234_567],
    ['-50', -50],
    ['0', 0],
  ])('%s is %d', (text, value) => {
    expect(readWhole(text)).toBe(value);
  });
  test.each(['', '1.5', '1,2', '1,23,456', '7.500,000', '1e3', 'x'])('“%s” is none', (text) => {
    expect(readWhole(text)).toBeNaN();
  });
});

test.each([
  ['1,200', [1.2, 1_200]],
  ['-12,500', [-12.5, -12_500]],
  ['1.200', null],
  ['0,200', null],
  ['1,20', null],
  ['1,200,000', null],
])('“%s” can be read as %p', (text, readings) => {
  expect(unclearNumber(text)).toEqual(readings);
});
