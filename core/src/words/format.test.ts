import fc from 'fast-check';
import { lengthMmFromText, MM_PER_INCH } from '../quantity/units';
import { formatDuration, formatFigure, formatMoment, formatNumber, typedLength, typingUnit } from './format';
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
    [0.0047, 'kg', '4.7', 'g'],
    [0, 'kg', '0', 'kg'],
  ])('%d %s', (value, unit, number, shownUnit) => {
    expect(formatFigure(value, unit, place)).toEqual({ number, unit: shownUnit });
  });
});

describe('the catalogue', () => {
  it('puts the figure into the sentence', () => {
    expect(findingTitle('stock.short', { short: 410, stock: 'board', days: 3 })).toBe('410 sheets short');
    expect(findingSays('stock.short', { short: 410, stock: 'board', days: 3 })).toContain('3 days');
    expect(remedySays('remedy.layReserve', { share: 95 })).toBe('Lay a reserve so that 95 of 100 such jobs come out');
  });
  it('shows a word it does not know as it is', () => {
    expect(label('moss green')).toBe('moss green');
    expect(findingTitle('no.such.code', {})).toBe('no.such.code');
  });
});

describe('inches, pounds and points', () => {
  const abroad = { ...place, units: 'imperial' as const };
  test.each([
    ['a length on the rule', 139.7, 'mm', '5 1/2', 'in', 'by definition: 5.5 · 25.4'],
    ['a whole one', 254, 'mm', '10', 'in', 'by definition'],
    ['less than one', 3.175, 'mm', '1/8', 'in', 'by definition: 25.4 / 8'],
    ['nothing', 0, 'mm', '0', 'in', 'by definition'],
    ['one between the marks', 100, 'mm', '3.937', 'in', 'by hand: 100 / 25.4 = 3.93700…'],
    ['a mass', 0.45359237, 'kg', '1', 'lb', 'by definition'],
    ['a caliper', 254, 'µm', '10', 'pt', 'by definition: 10 thousandths of an inch'],
    ['a length of web', 304.8, 'm', `1${thin}000`, 'ft', 'by definition: 0.3048 m a foot'],
    ['a grammage stays', 300, 'g/m²', '300', 'g/m²', 'a basis weight needs the paper’s class'],
    ['a count stays', 2, 'sheet', '2', 'sheets', ''],
  ])('%s', (_name, value, unit, number, shown, _source) => {
    expect(formatFigure(value, unit, abroad)).toEqual({ number, unit: shown });
  });
  it('metric stays as it was', () => {
    expect(formatFigure(139.7, 'mm', { ...place, units: 'metric' })).toEqual(formatFigure(139.7, 'mm', place));
  });
  it('what is typed in sixty-fourths of an inch is shown as typed, whatever is stored', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 64 * 190 }), (parts) => {
        const mm = (parts * MM_PER_INCH) / 64;
        const shown = typedLength(mm, 'imperial');
        const back = lengthMmFromText(shown, 'in');
        return back !== null && Math.abs(back - mm) < 1e-9 && typedLength(back, 'imperial') === shown;
      }),
      { numRuns: 2000 },
    );
  });
  it('any length typed back is the same to a hundredth of a millimetre', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.1, max: 5_000, noNaN: true }),
        fc.constantFrom('metric' as const, 'imperial' as const),
        (mm, system) => {
          const back = lengthMmFromText(typedLength(mm, system), system === 'imperial' ? 'in' : 'mm');
          return back !== null && Math.abs(back - mm) < 0.01;
        },
      ),
    );
  });
  test.each([
    ['5 1/2', 'in', 139.7],
    ['5 1/2', 'mm', 5.5],
    ['100 mm', 'in', 100],
    ['72 pt', 'in', 25.4],
  ] as const)('“%s” without a unit of its own is %s', (text, plain, mm) => {
    expect(lengthMmFromText(text, plain)).toBeCloseTo(mm, 9);
  });
  test.each([
    ['s', place, 'min', 60],
    ['ppm', place, '%', 10_000],
    ['kg', place, 'kg', 1],
    ['kg', abroad, 'lb', 0.45359237],
    ['mm', abroad, 'in', 25.4],
    ['money', place, 'EUR', 1],
  ])('%s is typed in a unit that is said', (unit, where, says, per) => {
    expect(typingUnit(unit, where)).toEqual({ unit: says, per });
  });
});
