import { gsmFromBasisWeight, mWeightPounds } from './basis-weight';
import { caliperUm, densityKgPerM3, pagesPerInch } from './caliper';
import { PILE_HEIGHT, sheetsInHeight } from './pile';
import { sheetMassKg } from './sheet-mass';
import { isoSize } from './sheet-sizes';

test.each([
  ['A0', 841, 1189],
  ['A4', 210, 297],
  ['B5', 176, 250],
  ['C4', 229, 324],
  ['RA2', 430, 610],
  ['SRA3', 320, 450],
])('%s is %d × %d mm (ISO 216, 269, 217)', (name, widthMm, heightMm) => {
  expect(isoSize(name)).toEqual({ widthMm, heightMm });
});
test.each(['A11', 'D4', 'SRA5', 'a', ''])('knows no size “%s”', (name) => {
  expect(isoSize(name)).toBeNull();
});

test.each([
  ['60 lb text', 'text', 60, 88.808789, 'definition of basis weight; paper.json'],
  ['65 lb cover', 'cover', 65, 175.767395, 'definition of basis weight; paper.json'],
])('%s', (_n, grade, pounds, gsm, _source) => {
  expect(gsmFromBasisWeight(grade, pounds)).toBeCloseTo(gsm, 5);
});
it('refuses an unknown class, and pounds not above 0', () => {
  expect(() => gsmFromBasisWeight('cloth', 60)).toThrow('grade');
  expect(() => gsmFromBasisWeight('text', NaN)).toThrow('pounds');
});
it('doubles the mass of twice the sheets', () => {
  const one = sheetMassKg({ sheets: 500, widthMm: 210, heightMm: 297, gsm: 80 });
  expect(one).toBeCloseTo(2.4948, 9);
  expect(sheetMassKg({ sheets: 1000, widthMm: 210, heightMm: 297, gsm: 80 })).toBeCloseTo(2 * one, 9);
});
it('weighs a thousand sheets of the basic size at twice the basis weight', () => {
  expect(mWeightPounds('text', 70, [25, 38])).toBeCloseTo(140, 9);
});
it('derives caliper, density and pages an inch from bulk (ISO 534)', () => {
  expect(caliperUm({ gsm: 80, bulkCm3PerG: 1.25 })).toBeCloseTo(100, 9);
  expect(densityKgPerM3(1.25)).toBeCloseTo(800, 9);
  expect(pagesPerInch(100)).toBeCloseTo(508, 9);
});
it('lifts 250 sheets of 0.4 mm in 100 mm, and piles 3,000 of them to 1.2 m', () => {
  expect(sheetsInHeight(100, 400)).toBe(250);
  expect(PILE_HEIGHT.of({ sheets: 3000, caliperUm: 400 })).toBe(1200);
}); // trade check values, common practice
