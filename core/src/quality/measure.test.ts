import { allowedSays, isWithin, type Measure, measureName, readingSays, unitSays } from './measure';

const taper: Measure = { key: 'taper', unit: 'µm', most: 10 };
const diameter: Measure = { key: 'diameter', unit: 'mm.001', aim: 159.139, least: 159.129, most: 159.149 };
const cracks: Measure = { key: 'cracks', unit: '1', asked: true, most: 0 };

it.each<[Measure, number, boolean]>([
  [taper, 10, true],
  [taper, 10.1, false],
  [diameter, 159.129, true],
  [diameter, 159.149, true],
  [diameter, 159.1489999999999 + 1e-12, true],
  [diameter, 159.128, false],
  [cracks, 0, true],
  [cracks, 1, false],
  [{ key: 'hardness', unit: '1' }, 9_999, true],
])('tells a reading that may be from one that may not: %j %d', (measure, reading, may) => {
  expect(isWithin(measure, reading)).toBe(may);
});

it('says aim, bounds, reading and unit as people write them', () => {
  expect([taper, diameter, cracks].map(allowedSays)).toEqual(['10 µm or less', 'aim 159.139 mm; 159.129 to 159.149 mm', 'no']);
  expect(allowedSays({ key: 'cell100', unit: 'µm', aim: 180 })).toBe('aim 180 µm');
  expect(allowedSays({ key: 'wall', unit: 'µm', least: 5 })).toBe('5 µm or more');
  expect([readingSays(taper, 6.25), readingSays(diameter, 159.14), readingSays(cracks, 1)]).toEqual(['6.25 µm', '159.140 mm', 'yes']);
  expect([taper, diameter, cracks].map(unitSays)).toEqual(['µm', 'mm', '']);
  expect(measureName({ key: 'deltaE.r1', of: 'gold' })).toBe('colour difference ΔE, gold');
});
