import { FOIL_DIES, FOIL_DIE_PRICE, IMAGING_TIME, PLATE_LIFE, platesOfInk, PLATES, PLATES_OF_VERSIONS, PRICE_OF, REMAKES } from './plates';

describe('plates', () => {
  it('counts colours unchanged and versions of those that change', () => {
    // Trade check value: 4/4 in five languages, black changes on both sides: 6 + 5 × 2 = 16; common practice, no source
    const languages = ['en', 'de', 'fr', 'it', 'es'].map((name, i) => ({ name, changes: i === 0 ? [] : ['K'] }));
    const side = ['K', 'C', 'M', 'Y'].map((ink) => platesOfInk(ink, languages).length);
    expect(2 * side.reduce((a, b) => a + b, 0)).toBe(16);
    expect(PLATES_OF_VERSIONS.of({ unchanged: 3, changed: 5 })).toBe(8);
    expect(platesOfInk('K', languages)).toEqual(['en', 'de', 'fr', 'it', 'es']);
    expect(
      platesOfInk(
        'K',
        languages.map((v) => ({ ...v, changes: ['K'] })),
      ),
    ).toHaveLength(5);
    expect(platesOfInk('K', [{ name: 'only', changes: ['K'] }])).toHaveLength(1);
    expect(PLATES.of({ inks: 4 })).toBe(4);
  });

  it('images the wedge first, then plate after plate; nothing takes no time', () => {
    expect(IMAGING_TIME.of({ plates: 5, each: 165, wedge: 120 })).toBe(945);
    expect(IMAGING_TIME.of({ plates: 0, each: 165, wedge: 120 })).toBe(0);
  });

  test.each([
    ['within its life', 100_000, 0],
    ['to the last impression', 200_000, 0],
    ['one more', 200_001, 4],
    ['a second set worn out', 400_001, 8],
  ])('makes the set again: %s', (_name, cycles, plates) => {
    expect(REMAKES.of({ cycles, life: 200_000, perSet: 4 })).toBe(plates);
  });

  it('makes nothing again where no life is known', () => {
    expect(REMAKES.of({ cycles: 1e6, life: 0, perSet: 4 })).toBe(0);
  });

  it('lasts less under lamp-dried ink', () => {
    expect(PLATE_LIFE.of({ rated: 200_000, factor: 0.4 })).toBe(80_000);
  });
});

describe('foil dies', () => {
  it('are one a copy and area', () => {
    expect(FOIL_DIES.of({ copiesUp: 6, areas: 1 })).toBe(6);
    expect(FOIL_DIES.of({ copiesUp: 6, areas: 2 })).toBe(12);
  });

  test.each([
    ['by area', 40, 30, 5, 86.4],
    ['at least the least price', 10, 10, 18, 108],
  ])('cost %s', (_name, widthMm, heightMm, least, money) => {
    expect(FOIL_DIE_PRICE.of({ dies: 6, widthMm, heightMm, perCm2: 1.2, least })).toBeCloseTo(money, 6);
  });

  it('a number at a price', () => {
    expect(PRICE_OF.of({ number: 5, price: 9.5 })).toBe(47.5);
  });
});
