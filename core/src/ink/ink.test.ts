import fc from 'fast-check';
import { foilPull } from './foil-pull';
import { inkOnSheetsKg } from './ink-mass';
import { INK_ORDER_SCHOOLS, inkOrder } from './ink-order';
import { washUpBetween } from './wash-up';

it('takes 9.8 g for a box of 1.63 m² fully covered at 6 g/m²', () => {
  expect(inkOnSheetsKg({ areaMm2: 1.63e6, coveragePercent: 100, filmGsm: 6, impressions: 1 })).toBeCloseTo(0.00978, 6);
}); // common practice, no source
it('a 20 kg pail does about 2,000 such boxes', () => {
  expect(20 / inkOnSheetsKg({ areaMm2: 1.63e6, coveragePercent: 100, filmGsm: 6, impressions: 1 })).toBeGreaterThan(2000);
});
it('refuses a negative coverage', () => {
  expect(() => inkOnSheetsKg({ areaMm2: 1, coveragePercent: -1, filmGsm: 1, impressions: 1 })).toThrow('coveragePercent');
});

test.each([
  ['blackFirst', ['K', 'C', 'M', 'Y', 'moss']],
  ['cyanFirst', ['C', 'M', 'Y', 'K', 'moss']],
  ['yellowFirst', ['Y', 'M', 'C', 'K', 'moss']],
  ['fallingTack', ['K', 'C', 'M', 'Y', 'moss']],
  ['groundFirst', ['Y', 'M', 'C', 'moss', 'K']],
  ['groundLast', ['K', 'moss', 'C', 'M', 'Y']],
] as const)('%s', (school, order) => {
  expect(inkOrder(['moss', 'Y', 'K', 'M', 'C'], school)).toEqual(order);
});
it('lays an opaque ground beneath on paper and last on film, varnish over all; specials as asked', () => {
  const asked = ['K', 'gloss varnish', 'old gold', 'Y', 'rose', 'moss'];
  expect(inkOrder(asked, 'groundFirst')).toEqual(['old gold', 'Y', 'rose', 'moss', 'K', 'gloss varnish']);
  expect(inkOrder(asked, 'groundLast')).toEqual(['K', 'rose', 'moss', 'Y', 'old gold', 'gloss varnish']);
  expect(inkOrder(asked, 'blackFirst')).toEqual(['K', 'Y', 'gloss varnish', 'old gold', 'rose', 'moss']);
});
it('goes by the tack of the series where its card says so', () => {
  expect(inkOrder(['M', 'C', 'moss', 'tea'], 'fallingTack', { C: 9, M: 12, tea: 14 })).toEqual(['tea', 'M', 'C', 'moss']);
});
it('neither loses nor doubles an ink', () => {
  fc.assert(
    fc.property(
      fc.uniqueArray(fc.string({ minLength: 1 }), { maxLength: 8 }),
      fc.constantFrom(...(Object.keys(INK_ORDER_SCHOOLS) as (keyof typeof INK_ORDER_SCHOOLS)[])),
      (inks, school) => JSON.stringify([...inkOrder(inks, school)].sort()) === JSON.stringify([...inks].sort()),
    ),
  );
});

describe('foil pull', () => {
  it('interleaves three strikes of 40 mm in a pitch of 154', () => {
    expect(foilPull({ imageMm: 40, gapMm: 3, pitchMm: 154, dies: 3 })).toEqual({
      strikes: 3,
      shortMm: 43,
      jumpMm: 2 * 154 + 43,
      perStrokeMm: (43 + 43 + 351) / 3,
    });
  }); // by hand
  test.each([
    [250, [57, 57, 57, 307], 119.5],
    [100, [157], 157],
  ])('two dies %d apart, image and gap 57, advance %j', (pitchMm, advances, perStrokeMm) => {
    const pull = foilPull({ imageMm: 54, gapMm: 3, pitchMm, dies: 2 }); // by hand: after the jump the first die lies one advance behind where the last one struck
    expect([...Array.from({ length: pull.strikes - 1 }, () => pull.shortMm), pull.jumpMm]).toEqual(advances);
    expect(pull.perStrokeMm).toBe(perStrokeMm);
  });
  it('a single die moves by its image and the gap', () => {
    expect(foilPull({ imageMm: 40, gapMm: 3, pitchMm: 0, dies: 1 }).perStrokeMm).toBe(43);
  });
  it('refuses an image of nothing', () => {
    expect(() => foilPull({ imageMm: 0, gapMm: 3, pitchMm: 100, dies: 2 })).toThrow('imageMm');
  });
  it('never strikes foil that was struck before, and draws what it says on average', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 5, max: 120 }),
        fc.integer({ min: 0, max: 10 }),
        fc.integer({ min: 0, max: 300 }),
        fc.integer({ min: 2, max: 6 }),
        (imageMm, gapMm, more, dies) => {
          const pitchMm = imageMm + gapMm + more;
          const pull = foilPull({ imageMm, gapMm, pitchMm, dies });
          const used: [number, number][] = [];
          let at = 0;
          for (let stroke = 0; stroke < 3 * pull.strikes; stroke++) {
            for (let d = 0; d < dies; d++) used.push([at + d * pitchMm, at + d * pitchMm + imageMm]);
            at += (stroke + 1) % pull.strikes === 0 ? pull.jumpMm : pull.shortMm;
          }
          expect(at).toBeCloseTo(3 * pull.strikes * pull.perStrokeMm, 6);
          used.sort((a, b) => a[0] - b[0]);
          for (let i = 1; i < used.length; i++)
            expect((used[i] as [number, number])[0]).toBeGreaterThanOrEqual((used[i - 1] as [number, number])[1] - 1e-9);
        },
      ),
      { numRuns: 200 },
    );
  });
});

describe('washing up between two jobs', () => {
  it('washes special inks by their lightness: light after dark is the long one', () => {
    expect(washUpBetween(['navy blue'], ['pale pink']).units[0]?.wash).toBe('deep');
    expect(washUpBetween(['pale pink'], ['navy blue']).units[0]?.wash).toBe('wash');
    expect(washUpBetween(['gold'], ['K']).units[0]?.wash).toBe('wash');
    expect(washUpBetween(['K'], ['moss green']).units[0]?.wash).toBe('deep');
  });
  it('takes a unit nothing where its ink stays, long where a lighter one follows a darker', () => {
    // by hand: K stays 0, M → Y is lighter 20, Y → C is darker 8
    expect(washUpBetween(['K', 'M', 'Y'], ['K', 'Y', 'C'])).toEqual({
      units: [
        { unit: 1, from: 'K', to: 'K', wash: 'none' },
        { unit: 2, from: 'M', to: 'Y', wash: 'deep' },
        { unit: 3, from: 'Y', to: 'C', wash: 'wash' },
      ],
      minutes: 28,
    });
  });
  it('is nothing after itself, and nothing in units that stood empty', () => {
    expect(washUpBetween(['K', 'C', 'M', 'Y'], ['K', 'C', 'M', 'Y']).minutes).toBe(0);
    expect(washUpBetween([], ['K', 'C']).minutes).toBe(0);
    // Two units held ink of another series, the third none.
    expect(washUpBetween(['K', 'C'], ['K', 'C', 'M'], true)).toMatchObject({
      minutes: 40,
      units: [{ wash: 'deep' }, { wash: 'deep' }, { wash: 'none' }],
    });
  });
});
