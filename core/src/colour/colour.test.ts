import { converter, differenceCiede2000 } from 'culori';
import fc from 'fast-check';
import { ILLUMINANTS } from './cie-tables';
import { deltaE2000 } from './delta-e';
import { density, dotArea, toneIncrease, trapping } from './dot-area';
import { filmReflectance, innerReflectance, measuredReflectance, ratioOfOpaque } from './kubelka-munk';
import { type Lab, labOf, labOfXyz, screenColour, WHITES, xyzOf, xyzOfLab } from './lab';
import { resampled, WAVELENGTHS_NM } from './spectrum';

const all = (value: number): number[] => WAVELENGTHS_NM.map(() => value);

describe('observer and lights', () => {
  // White points of the standard: CIE 15, table T.3 (2° observer). 10 nm from 380 to 730 nm comes within 0.1 %.
  test.each([
    ['D50', [96.42, 100, 82.51]],
    ['A', [109.85, 100, 35.58]],
  ] as const)('give the white point of %s', (light, white) => {
    white.forEach((v, i) => {
      expect(Math.abs((WHITES[light][i] as number) / v - 1)).toBeLessThan(1.2e-3);
    });
  });
  it('are whole: 36 values each, and equal to 100 at 560 nm', () => {
    expect(ILLUMINANTS.D50).toHaveLength(36);
    expect(ILLUMINANTS.D50[18]).toBe(100);
    expect(ILLUMINANTS.A[18]).toBeCloseTo(100, 9);
    // CIE 15, table T.1: illuminant A at 400 and 700 nm
    expect(ILLUMINANTS.A[2]).toBeCloseTo(14.708, 2);
    expect(ILLUMINANTS.A[32]).toBeCloseTo(198.26, 1);
  });
});

describe('CIELAB', () => {
  it('of the perfect white is 100, 0, 0; of black 0, 0, 0; of a grey that reflects 18 % L* 49.5', () => {
    for (const light of ['D50', 'A'] as const) {
      labOf(all(1), light).forEach((v, i) => {
        expect(v).toBeCloseTo([100, 0, 0][i] as number, 9);
      });
      expect(labOf(all(0.184187), light)[0]).toBeCloseTo(50, 3); // by hand: ((50 + 16)/116)³ = 0.184187
    }
    expect(labOf(all(0))[0]).toBeCloseTo(0, 9);
  });
  it('agrees with a general-purpose colour library, both ways', () => {
    const white = { X: 0.3457 / 0.3585, Y: 1, Z: (1 - 0.3457 - 0.3585) / 0.3585 }; // the D50 the library works with
    const toLab = converter('lab');
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.double({ min: 0, max: 0.8, noNaN: true }),
        (x, y, z) => {
          const theirs = toLab({ mode: 'xyz50', x, y, z });
          const ours = labOfXyz([100 * x, 100 * y, 100 * z], [100 * white.X, 100, 100 * white.Z]);
          [theirs.l, theirs.a, theirs.b].forEach((v, i) => {
            expect(Math.abs((ours[i] as number) - v)).toBeLessThan(1e-6 * Math.max(1, Math.abs(v)));
          });
        },
      ),
    );
    const back = xyzOfLab(labOfXyz([30, 20, 10]));
    [30, 20, 10].forEach((v, i) => {
      expect(back[i]).toBeCloseTo(v, 9);
    });
  });
  it('shows on a screen as the library shows it', () => {
    const toRgb = converter('rgb');
    for (const lab of [
      [50, 0, 0],
      [60, 30, 40],
      [40, -20, -25],
      [85, -5, 60],
    ] as Lab[]) {
      const theirs = toRgb({ mode: 'lab', l: lab[0], a: lab[1], b: lab[2] });
      const ours = screenColour(lab).match(/\d+/g)?.map(Number) ?? [];
      [theirs.r, theirs.g, theirs.b].forEach((v, i) => {
        expect(Math.abs((ours[i] as number) - 255 * Math.min(Math.max(v, 0), 1))).toBeLessThan(1.6);
      });
    }
    expect(screenColour([100, 0, 0])).toBe('rgb(255, 255, 255)');
  });
  it('adds up: a mixture of lights is a mixture of XYZ', () => {
    const [half, whole] = [xyzOf(all(0.5)), xyzOf(all(1))];
    half.forEach((v, i) => {
      expect(2 * v).toBeCloseTo(whole[i] as number, 9);
    });
  });
});

/**
 * Hues just opposite each other: there the formula jumps (its mean hue turns by 180°), and two programs that round differently may stand on either side.
 * Source: Sharma, Wu, Dalal, The CIEDE2000 Color-Difference Formula, 2005, section on discontinuities (from memory).
 */
function areOpposed([, a1, b1]: readonly number[], [, a2, b2]: readonly number[]): boolean {
  const [one, two] = [Math.hypot(a1!, b1!), Math.hypot(a2!, b2!)];
  const mean = ((one + two) / 2) ** 7;
  const stretch = 1 + 0.5 * (1 - Math.sqrt(mean / (mean + 25 ** 7)));
  const [x1, x2] = [a1! * stretch, a2! * stretch];
  const lengths = Math.hypot(x1, b1!) * Math.hypot(x2, b2!);
  return x1 * x2 + b1! * b2! < 0 && Math.abs(x1 * b2! - x2 * b1!) <= 1e-6 * lengths;
}

describe('CIEDE2000', () => {
  // Sharma, Wu & Dalal 2005, Table 1: pairs 2, 13 and 20, beyond those the published cases run through `npm run checks`.
  test.each([
    [[50, 3.1571, -77.2803], [50, 0, -82.7485], 2.8615],
    [[50, 2.49, -0.001], [50, -2.49, 0.0011], 7.2195],
    [[50, 2.5, 0], [50, 3.2592, 0.335], 1.0],
    [[2.0776, 0.0795, -1.135], [0.9033, -0.0636, -0.5514], 0.9082],
  ] as [Lab, Lab, number][])('of %j and %j', (one, two, expected) => {
    expect(deltaE2000(one, two)).toBeCloseTo(expected, 4);
  });
  it('agrees with a general-purpose colour library, is the same both ways, and nothing from itself', () => {
    const theirs = differenceCiede2000();
    const axis = fc.double({ min: -90, max: 90, noNaN: true });
    const colour = fc.tuple(fc.double({ min: 0, max: 100, noNaN: true }), axis, axis);
    fc.assert(
      fc.property(colour, colour, (one, two) => {
        fc.pre(!areOpposed(one, two));
        const d = deltaE2000(one, two);
        expect(d).toBeCloseTo(deltaE2000(two, one), 9);
        expect(
          Math.abs(d - theirs({ mode: 'lab65', l: one[0], a: one[1], b: one[2] }, { mode: 'lab65', l: two[0], a: two[1], b: two[2] })),
        ).toBeLessThan(1e-6);
        expect(deltaE2000(one, one)).toBe(0);
      }),
    );
  });
});

describe('density and dot area', () => {
  it('knows one hundredth as 2.0, all of it as 0', () => {
    expect(density(0.01)).toBeCloseTo(2, 12);
    expect(density(1)).toBeCloseTo(0, 12);
    expect(() => density(0)).toThrow('reflectance');
  });
  test.each([
    ['Murray–Davies, by hand: (1 − 10^−0.3)/(1 − 10^−1.5)', { paper: 0, solid: 1.5, tint: 0.3 }, 1, 0.515102],
    ['paper taken off first', { paper: 0.1, solid: 1.6, tint: 0.4 }, 1, 0.515102],
    ['Yule–Nielsen n = 2, by hand: (1 − 10^−0.15)/(1 − 10^−0.75)', { paper: 0, solid: 1.5, tint: 0.3 }, 2, 0.355223],
  ])('%s', (_name, d, n, area) => {
    expect(dotArea(d, n)).toBeCloseTo(area, 4);
  });
  it('is 0 on paper, 1 on the solid, and less the more light spreads', () => {
    expect(dotArea({ paper: 0.05, solid: 1.4, tint: 0.05 })).toBe(0);
    expect(dotArea({ paper: 0.05, solid: 1.4, tint: 1.4 })).toBe(1);
    fc.assert(
      fc.property(
        fc.double({ min: 0.01, max: 1.39, noNaN: true }),
        (tint) => dotArea({ paper: 0, solid: 1.4, tint }, 2) <= dotArea({ paper: 0, solid: 1.4, tint }, 1) + 1e-12,
      ),
    );
    expect(toneIncrease(0.66, 0.5)).toBeCloseTo(16, 9);
  });
  test.each([
    [{ paper: 0.2, solid: 0.1, tint: 0.15 }, 1, 'solid'],
    [{ paper: 0, solid: 1, tint: 1.1 }, 1, 'tint'],
    [{ paper: 0, solid: 1, tint: 0.5 }, 0.5, 'n'],
  ])('refuses %j at n %s', (d, n, field) => {
    expect(() => dotArea(d, n)).toThrow(field);
  });
  it('tells how well an ink takes on a wet one', () => {
    expect(trapping({ first: 0.2, second: 1.4, both: 1.32 })).toBeCloseTo(0.8, 12); // (1.32 − 0.2)/1.4
  });
});

describe('Kubelka and Munk', () => {
  // The limits stand in Kubelka 1948; each by its own way of reckoning.
  it('shows the ground where there is no film, the film alone where it is thick', () => {
    expect(filmReflectance({ k: 0.3, s: 0.4, x: 0, ground: 0.8 })).toBeCloseTo(0.8, 12);
    const opaque = filmReflectance({ k: 0.3, s: 0.4, x: 1e3, ground: 0.8 });
    expect(ratioOfOpaque(opaque)).toBeCloseTo(0.75, 9); // K/S = 0.3/0.4
    expect(filmReflectance({ k: 0.3, s: 0.4, x: 1e3, ground: 0 })).toBeCloseTo(opaque, 12);
  });
  it('absorbs as a filter passed twice where nothing scatters, and covers where nothing absorbs', () => {
    expect(filmReflectance({ k: 0.5, s: 0, x: 1, ground: 0.8 })).toBeCloseTo(0.8 * Math.exp(-1), 12);
    expect(filmReflectance({ k: 0, s: 2, x: 1, ground: 0 })).toBeCloseTo(2 / 3, 12); // SX/(1 + SX)
    expect(filmReflectance({ k: 1e-7, s: 2, x: 1, ground: 0 })).toBeCloseTo(2 / 3, 5);
    expect(filmReflectance({ k: 0.5, s: 1e-8, x: 1, ground: 0.8 })).toBeCloseTo(0.8 * Math.exp(-1), 6);
  });
  it('puts two films of half the mass together as one', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.001, max: 3, noNaN: true }),
        fc.double({ min: 0.001, max: 3, noNaN: true }),
        fc.double({ min: 0.05, max: 3, noNaN: true }),
        fc.double({ min: 0, max: 0.95, noNaN: true }),
        (k, s, x, ground) => {
          const half = filmReflectance({ k, s, x: x / 2, ground });
          expect(filmReflectance({ k, s, x: x / 2, ground: half })).toBeCloseTo(filmReflectance({ k, s, x, ground }), 9);
        },
      ),
    );
  });
  it('takes the surface off and puts it on again', () => {
    // Saunderson 1942: a perfect inner white reads (1 − k1), since the surface's own reflection is trapped
    expect(measuredReflectance(1)).toBeCloseTo(0.96, 12);
    for (const r of [0.01, 0.2, 0.7, 0.9]) expect(measuredReflectance(innerReflectance(r))).toBeCloseTo(r, 12);
  });
  it('refuses what no film is', () => {
    expect(() => filmReflectance({ k: -1, s: 0, x: 1, ground: 1 })).toThrow('K');
    expect(() => ratioOfOpaque(0)).toThrow('R∞');
  });
});

describe('a spectrum from elsewhere', () => {
  it('stays as it is at our own wavelengths', () => {
    expect(resampled(WAVELENGTHS_NM, all(0.4))).toEqual({ spectrum: all(0.4), notes: [] });
  });
  it('is resampled from 20 nm, and says that its ends were held', () => {
    const nm = Array.from({ length: 16 }, (_, i) => 400 + 20 * i);
    const { spectrum, notes } = resampled(
      nm,
      nm.map((w) => w / 1000),
    );
    expect(notes).toEqual(['resampled', 'extended']);
    expect(spectrum[0]).toBe(0.4);
    expect(spectrum[3]).toBeCloseTo(0.41, 12);
    expect(spectrum[35]).toBe(0.7);
  });
  test.each([
    ['a value below nothing', [400, 700], [-0.1, 0.5], 'reflectance at 400 nm'],
    ['more than 150 %', [400, 700], [0.1, 55], 'reflectance at 700 nm'],
    ['too short a range', [420, 680], [0.1, 0.2], 'wavelengths'],
    ['wavelengths that fall', [700, 400], [0.1, 0.2], 'wavelength'],
    ['a value missing', [400, 500, 700], [0.1, 0.2], 'spectrum'],
  ])('refuses %s', (_name, nm, values, field) => {
    expect(() => resampled(nm, values)).toThrow(field);
  });
});

describe('hues that lie opposite', () => {
  // Sharma, Wu & Dalal 2005, Table 1, pairs 11 to 14: up to 0.0010 the hues count as opposite or less, beyond as more.
  test.each([
    [0.0009, 4.8045],
    [0.001, 4.8045],
    [0.0011, 4.7461],
    [0.0012, 4.7461],
  ])('finds opposite hues opposite, whatever the last bit says: a = ∓%d', (a, expected) => {
    expect(deltaE2000([50, -0.001, 2.49], [50, a, -2.49])).toBeCloseTo(expected, 4);
    expect(deltaE2000([50, a, -2.49], [50, -0.001, 2.49])).toBeCloseTo(expected, 4);
  });
});
