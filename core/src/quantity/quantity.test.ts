import fc from 'fast-check';
import { OutOfRange } from './errors';
import { canonicalJson, hashOf, inKeyOrder } from './hash';
import { Ledger, fig, typed } from './ledger';
import type { Formula } from './figure';
import { idOf } from './id-of';
import { normalBelow, normalQuantile } from './normal-distribution';
import { portableExp, portableLog } from './portable-math';
import { ceilTolerant, floorTolerant } from './round-tolerant';
import { basisWeightFromGsm, gsmFromBasisWeight } from '../stock/basis-weight';
import { inchesFromMm, kgFromPounds, lengthMmFromText, mmFromInches, mmFromPoints, poundsFromKg } from './units';

describe('tolerant rounding', () => {
  test.each([
    ['floating-point noise is no sheet', 3969 / 0.98, 4050, 'by hand: 3969 / 0.98 = 4050'],
    ['a real fraction is one more', 4050.001, 4051, 'by hand'],
    ['whole stays whole', 7, 7, 'by hand'],
    ['nothing stays nothing', 0, 0, 'by hand'],
    ['large counts keep their pieces', 999_999_999.5, 1_000_000_000, 'by hand'],
  ])('%s', (_name, x, whole, _source) => {
    expect(ceilTolerant(x)).toBe(whole);
  });

  it('rounds down with the same tolerance', () => {
    expect(floorTolerant(0.3 / 0.1)).toBe(3);
    expect(floorTolerant(2.9)).toBe(2);
  });
  it('refuses what is no number', () => {
    expect(() => ceilTolerant(NaN)).toThrow(OutOfRange);
    expect(() => ceilTolerant(Infinity)).toThrow(OutOfRange);
  });
  it('never gives minus zero', () => {
    expect(Object.is(ceilTolerant(-0.0000000001), 0)).toBe(true);
    expect(Object.is(floorTolerant(0), 0)).toBe(true);
  });
});

describe('portable exponential and logarithm', () => {
  test.each([
    [1, Math.E],
    [0, 1],
    [-1, 1 / Math.E],
    [10, 22026.465794806716516957900645],
    [-745.2, 0],
    [710, Infinity],
  ])('e^%p', (x, expected) => {
    expect(portableExp(x)).toBeCloseTo(expected, 9);
  });
  it('agrees with the built-in to 2 units in the last place over the whole range', () => {
    fc.assert(
      fc.property(fc.double({ min: -700, max: 700, noNaN: true }), (x) => {
        const y = Math.exp(x);
        return Math.abs(portableExp(x) - y) <= y * 4.5e-16;
      }),
      { numRuns: 2000 },
    );
    fc.assert(
      fc.property(fc.double({ min: 1e-300, max: 1e300, noNaN: true }), (x) => {
        const y = Math.log(x);
        return Math.abs(portableLog(x) - y) <= Math.max(Math.abs(y), 1e-3) * 4.5e-16;
      }),
      { numRuns: 2000 },
    );
  });
  it('has the limits of the logarithm', () => {
    expect(portableLog(0)).toBe(-Infinity);
    expect(portableLog(-1)).toBeNaN();
    expect(portableLog(Infinity)).toBe(Infinity);
    expect(portableLog(1)).toBe(0);
  });
});

describe('normal distribution', () => {
  // Source: Abramowitz & Stegun, Handbook of Mathematical Functions (1964), table 26.1, values recalled to the digits given.
  test.each([
    [0, 0.5],
    [1, 0.841344746068543],
    [1.96, 0.97500210485178],
    [-2, 0.022750131948179],
    [3, 0.99865010196837],
    [-8, 6.22096057427178e-16],
  ])('below %p', (z, share) => {
    expect(Math.abs(normalBelow(z) - share)).toBeLessThan(share * 1e-9 + 1e-15);
  });
  it('is symmetric and rises', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -30, max: 30, noNaN: true }),
        (z) => Math.abs(normalBelow(z) + normalBelow(-z) - 1) < 1e-12 && normalBelow(z + 0.01) >= normalBelow(z),
      ),
    );
  });
  it('is undone by its quantile', () => {
    for (const p of [0.001, 0.05, 0.5, 0.95, 0.999]) expect(normalBelow(normalQuantile(p))).toBeCloseTo(p, 12);
    expect(normalQuantile(0.95)).toBeCloseTo(1.6448536269514722, 9);
  });
  it('refuses certainty and impossibility', () => {
    expect(() => normalQuantile(1)).toThrow(OutOfRange);
    expect(() => normalQuantile(0)).toThrow(OutOfRange);
  });
});

describe('units', () => {
  test.each([
    ['148', 148],
    ['148,5 mm', 148.5],
    ['5 1/2 in', 139.7],
    ['8.5″', 215.9],
    ['1/4 in', 6.35],
    ['72 pt', 25.4],
    ['2cm', 20],
    [' 210 ', 210],
  ])('reads “%s” as a length', (text, mm) => {
    expect(lengthMmFromText(text)).toBeCloseTo(mm, 9);
  });
  test.each(['', '5 1', '5 1/', 'abc', '1/0 in', '12 m', '--3'])('knows that “%s” is not (yet) a length', (text) => {
    expect(lengthMmFromText(text)).toBeNull();
  });
  it('converts there and back', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1e-3, max: 1e6, noNaN: true }),
        (x) => Math.abs(mmFromInches(inchesFromMm(x)) - x) < x * 1e-12 && Math.abs(kgFromPounds(poundsFromKg(x)) - x) < x * 1e-12,
      ),
    );
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 64 * 60 }),
        (sixtyFourths) => Math.round(inchesFromMm(mmFromInches(sixtyFourths / 64)) * 64) === sixtyFourths,
      ),
    );
    expect(mmFromPoints(72)).toBe(25.4);
    expect(basisWeightFromGsm('cover', gsmFromBasisWeight('cover', 65))).toBeCloseTo(65, 9);
  });
});

describe('ledger', () => {
  const AREA: Formula<'w' | 'h'> = { id: 'test.area', unit: 'mm', source: 'test', of: ({ w, h }) => w * h };
  it('computes a value from its formula and terms, and finds terms that are figures', () => {
    const ledger = new Ledger();
    ledger.figure('a', AREA, { w: typed(3, 'mm', 'w'), h: typed(4, 'mm', 'h') });
    expect(ledger.figure('b', AREA, { w: fig('a'), h: typed(2, 'mm', 'h') })).toBe(24);
    expect(ledger.figures['b']).toMatchObject({ value: 24, unit: 'mm', formula: 'test.area' });
  });
  it('carries the width of guesses along, adding them', () => {
    const ledger = new Ledger();
    ledger.figure('a', AREA, {
      w: { value: 10, unit: 'mm', from: 'guess', at: 'w', pm: 1 },
      h: { value: 5, unit: 'mm', from: 'guess', at: 'h', pm: 1 },
    });
    expect(ledger.figures['a']?.pm).toBeCloseTo(15, 9); // ±1·5 and ±1·10
  });
  it('lets an override take effect until its end, and keeps the computed value beside it', () => {
    const override = { value: 99, reason: 'measured', by: 'test', until: 100 };
    const during = new Ledger({ a: override }, 50);
    expect(during.figure('a', AREA, { w: typed(3, 'mm', 'w'), h: typed(4, 'mm', 'h') })).toBe(99);
    expect(during.figures['a']).toMatchObject({ value: 99, computed: 12, instead: override });
    expect(new Ledger({ a: override }, 100).figure('a', AREA, { w: typed(3, 'mm', 'w'), h: typed(4, 'mm', 'h') })).toBe(12);
  });
});

describe('hashes', () => {
  it('is the published SHA-256 of the text', () => {
    // Source: FIPS 180-4 example "abc" is of the bytes abc; here of the JSON text "abc" with quotes, checked with sha256sum.
    expect(hashOf({})).toBe('44136fa355b3678a1146ad16f7e8649e94fb4fc21fe77e8310c060f61caaff8a');
  });
  it('does not depend on the order of keys', () => {
    fc.assert(
      fc.property(fc.dictionary(fc.string(), fc.jsonValue()), (o) => {
        const turned = Object.fromEntries(Object.entries(o).reverse());
        return hashOf(o) === hashOf(turned) && JSON.stringify(inKeyOrder(o)) === JSON.stringify(inKeyOrder(turned));
      }),
    );
    expect(canonicalJson({ b: 1, a: [undefined, { d: undefined, c: 'x' }] })).toBe('{"a":[null,{"c":"x"}],"b":1}');
  });
});

describe('ids', () => {
  it('are made of owner and name, the same however often they are asked for', () => {
    fc.assert(
      fc.property(
        fc.string(),
        fc.string(),
        (owner, what) => idOf(owner, what) === `${owner}.${what}` && idOf(owner, what) === idOf(owner, what),
      ),
    );
  });
  it('stay right when very many owners have been asked for', () => {
    for (let i = 0; i < 12_000; i++) idOf(`owner ${i}`, 'run');
    expect(idOf('owner 1', 'run')).toBe('owner 1.run');
    expect(idOf('owner 11999', 'good')).toBe('owner 11999.good');
  });
});
