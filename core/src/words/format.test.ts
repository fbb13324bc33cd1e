import { formatDuration, formatFigure, formatMoment, formatNumber } from './format';
import { findingSays, findingTitle, label, remedySays } from './en';

const place = { timeZone: 'Europe/Berlin', currency: 'EUR' };
const thin = '\u2009';

describe('numbers as they are shown', () => {
  test.each([
    ['thousands are set apart by a thin space', 1234567, 0, `1${thin}234${thin}567`],
    ['four digits too where they are counts', 2229, 0, `2${thin}229`],
    ['a true minus', -12, 0, '−12'],
    ['no minus before nothing', -0.001, 1, '0'],
    ['trailing noughts fall away', 1.5, 3, '1.5'],
    ['what is no number', NaN, 0, '–'],
    ['what has no end', Infinity, 0, '–'],
  ])('%s', (_name, value, decimals, shown) => {
    expect(formatNumber(value, decimals)).toBe(shown);
  });

  test.each([
    [45, '45 s'],
    [120, '2 min'],
    [3600, '1 h'],
    [4800, '1 h 20'],
    [36 * 3600, '36 h'],
    [108 * 3600, '4 d 12 h'],
    [240 * 3600, '10 d'],
  ])('%d seconds as a person says them', (seconds, shown) => {
    expect(formatDuration(seconds)).toBe(shown);
  });

  it('tells a moment in the plant’s own time, over the change to summer time', () => {
    expect(formatMoment(Date.UTC(2026, 2, 28, 12) / 1000, place.timeZone)).toBe('Sat 28 Mar 13:00');
    expect(formatMoment(Date.UTC(2026, 2, 29, 12) / 1000, place.timeZone)).toBe('Sun 29 Mar 14:00');
    expect(formatMoment(0, place.timeZone)).toBe('–');
  });

  test.each([
    [15_000, 'ppm', '1.5', '%'],
    [1, 'sheet', '1', 'sheet'],
    [2, 'sheet', '2', 'sheets'],
    [22, 'case', '22', 'cartons'],
    [12.345, 'money', '12.35', 'EUR'],
    [3600, 's', '1 h', ''],
    [8000, '1/h', `8${thin}000`, 'an hour'],
    [0.125, '1', '0.13', ''],
  ])('%d %s', (value, unit, number, shownUnit) => {
    expect(formatFigure(value, unit, place)).toEqual({ number, unit: shownUnit });
  });
});

describe('the catalogue', () => {
  it('puts the figure into the sentence', () => {
    expect(findingTitle('stock.short', { short: 410, stock: 'board', days: 3 })).toBe('410 sheets short');
    expect(findingSays('stock.short', { short: 410, stock: 'board', days: 3 })).toContain('3 days');
    expect(remedySays('remedy.aimMore', { more: 140 })).toBe('Aim 140 pieces higher');
  });
  it('shows a word it does not know as it is', () => {
    expect(label('moss green')).toBe('moss green');
    expect(findingTitle('no.such.code', {})).toBe('no.such.code');
  });
});
