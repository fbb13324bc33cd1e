import { WAVELENGTHS_NM } from '../colour/spectrum';
import { cgatsTable, measuredFromTable, NoColour } from './measured-colour';
import { readingsFromTable } from './register-csv';

const CGATS = (head: string, data: string): string =>
  `CGATS.17\nORIGINATOR "test bench"\nNUMBER_OF_FIELDS 4\nBEGIN_DATA_FORMAT\n${head}\nEND_DATA_FORMAT\nNUMBER_OF_SETS 1\nBEGIN_DATA\n${data}\nEND_DATA\n`;

describe('measurements out of a text file', () => {
  it('reads L*, a*, b* with quoted names', () => {
    const table = cgatsTable(CGATS('SAMPLE_ID SAMPLE_NAME LAB_L LAB_A LAB_B', '1 "tea green" 52.1 -31.5 22.25'));
    expect(table && measuredFromTable(table.head, table.lines)).toEqual({
      rows: [{ name: 'tea green', lab: [52.1, -31.5, 22.25], notes: [] }],
      bad: [],
    });
  });
  it('reads spectra by wavelength, as shares or percent, and says what it did', () => {
    const head = ['SAMPLE_NAME', ...WAVELENGTHS_NM.map((w) => `SPECTRAL_NM${w}`)];
    const share = measuredFromTable(head, [['a', ...WAVELENGTHS_NM.map(() => '0.5')]]).rows[0];
    expect(share?.lab[0]).toBeCloseTo(76.07, 1); // by hand: 116·∛0.5 − 16
    expect(share?.notes).toEqual([]);
    const percent = measuredFromTable(head, [['a', ...WAVELENGTHS_NM.map(() => '50')]]).rows[0];
    expect(percent?.lab).toEqual(share?.lab);
    expect(percent?.notes).toEqual(['percent']);
    const coarse = measuredFromTable(['nm400', 'nm500', 'nm600', 'nm700'], [['0,5', '0,5', '0,5', '0,5']]).rows[0];
    expect(coarse?.notes).toEqual(['resampled', 'extended']);
  });
  test.each([
    ['a column missing', ['LAB_L', 'LAB_A'], 'Column LAB_B is missing'],
    ['no colour at all', ['CMYK_C', 'CMYK_M'], 'No colour is in this file'],
  ])('names %s', (_name, head, says) => {
    expect(() => measuredFromTable(head, [])).toThrow(says);
  });
  it('names bad lines and keeps the good ones', () => {
    const { rows, bad } = measuredFromTable(
      ['ID', 'L', 'a', 'b'],
      [
        ['1', '50', '0', '0'],
        ['2', 'x', '0', '0'],
        ['3', '180', '0', '0'],
      ],
    );
    expect(rows).toHaveLength(1);
    expect(bad).toEqual([
      { line: 3, says: 'lacks L*, a* or b*' },
      { line: 4, says: 'has an L* of 180: it lies between 0 and 100' },
    ]);
    const below = measuredFromTable(
      ['nm400', 'nm700'],
      [
        ['-0.2', '0.4'],
        ['0.2', ''],
      ],
    );
    expect(below.bad.map((b) => b.says)).toEqual([expect.stringContaining('reflectance at 400 nm is -0.2'), 'has no number at 700 nm']);
  });
  it('knows a file that breaks off, and one that is none', () => {
    expect(() => cgatsTable('BEGIN_DATA_FORMAT\nLAB_L\nEND_DATA_FORMAT\nBEGIN_DATA\n1')).toThrow(NoColour);
    expect(cgatsTable('L;a;b\n1;2;3')).toBeNull();
  });
});

describe('register readings out of a table', () => {
  it('are read in millimetres or micrometres, ink by ink', () => {
    const file = readingsFromTable(
      ['ink', 'mark', 'dx_um', 'dy_um'],
      [
        ['C', 'G1', '120', '-40'],
        ['M', 'G1', '10', '0'],
        ['C', 'G3', '80', '5'],
      ],
    );
    expect(file.inks.map((i) => [i.ink, i.readings.length])).toEqual([
      ['C', 2],
      ['M', 1],
    ]);
    expect(file.inks[0]?.readings[0]).toEqual({ mark: 'G1', dxMm: 0.12, dyMm: -0.04 });
  });
  it('in another unit are questioned, not taken', () => {
    const { inks, bad } = readingsFromTable(
      ['ink', 'mark', 'dx', 'dy'],
      [
        ['C', 'G1', '100', '0'],
        ['', 'G1', '0', '0'],
      ],
    );
    expect(inks).toEqual([]);
    expect(bad[0]?.says).toContain('was it read in another unit?');
    expect(bad[1]?.says).toBe('names no ink');
  });
  it('name the column that is missing', () => {
    expect(() => readingsFromTable(['ink', 'mark', 'dx'], [])).toThrow('Column dy is missing');
  });
});
