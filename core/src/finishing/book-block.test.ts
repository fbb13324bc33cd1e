import { blockMm, spineMm } from './book-block';

/* Values beside published ones: checks/geometry.json. */
describe('book block and spine', () => {
  it('has two pages a leaf: 320 pages of 100 µm are 16 mm', () => {
    expect(blockMm(320, 100)).toBe(16);
  });
  it('adds the cover twice, and glue once', () => {
    expect(spineMm({ block: 6.4896, coverCaliperMm: 0.28 })).toBeCloseTo(7.0496, 10);
    expect(spineMm({ block: 6.4896, coverCaliperMm: 0.28, glueMm: 0.3 })).toBeCloseTo(7.3496, 10);
  });
  it('refuses what has no thickness', () => {
    expect(() => blockMm(0, 100)).toThrow('pages');
    expect(() => blockMm(100, 0)).toThrow('caliperUm');
  });
});
