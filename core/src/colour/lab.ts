import { portableCbrt } from '../quantity/portable-math';
import { ILLUMINANTS, type Illuminant, OBSERVER } from './cie-tables';
import type { Spectrum } from './spectrum';

export type Xyz = readonly [x: number, y: number, z: number];
/** Lightness 0 to 100, red–green, yellow–blue. */
export type Lab = readonly [l: number, a: number, b: number];

/** Weights of each wavelength: light × observer, scaled so that the perfect white has Y = 100. */
const weights = (light: Illuminant): readonly Xyz[] => {
  const s = ILLUMINANTS[light];
  const sum = OBSERVER.reduce((n, [, y], i) => n + y * (s[i] ?? 0), 0);
  return OBSERVER.map(([x, y, z], i) => [(100 * x * (s[i] ?? 0)) / sum, (100 * y * (s[i] ?? 0)) / sum, (100 * z * (s[i] ?? 0)) / sum]);
};
const WEIGHTS: Record<Illuminant, readonly Xyz[]> = { D50: weights('D50'), A: weights('A') };
const white = (light: Illuminant): Xyz =>
  WEIGHTS[light].reduce<[number, number, number]>((n, w) => [n[0] + w[0], n[1] + w[1], n[2] + w[2]], [0, 0, 0]);
/** XYZ of the perfect white under each light. */
export const WHITES: Record<Illuminant, Xyz> = { D50: white('D50'), A: white('A') };

/**
 * XYZ of a reflectance under a light, Y of the perfect white = 100.
 *
 * Formula: `X = Σ R(λ)·S(λ)·x̄(λ) · 100 / Σ S(λ)·ȳ(λ)`, likewise Y and Z, over 380 to 730 nm by 10 nm.
 * Source: CIE 15 (ISO 11664-3). Leaves out: the band-pass correction of some instruments.
 */
export function xyzOf(spectrum: Spectrum, light: Illuminant = 'D50'): Xyz {
  let [x, y, z] = [0, 0, 0];
  const w = WEIGHTS[light];
  for (let i = 0; i < w.length; i++) {
    const r = spectrum[i] ?? 0;
    const at = w[i] as Xyz;
    x += r * at[0];
    y += r * at[1];
    z += r * at[2];
  }
  return [x, y, z];
}

/** (6/29)³ and (29/3)³/116: where the cube root turns into its tangent. */
const EPSILON = 216 / 24389;
const KAPPA = 24389 / 27;
const f = (t: number): number => (t > EPSILON ? portableCbrt(t) : (KAPPA * t + 16) / 116);
const fInverse = (v: number): number => (v * v * v > EPSILON ? v * v * v : (116 * v - 16) / KAPPA);

/**
 * CIELAB of XYZ against a white. Source: ISO 11664-4.
 * @example labOfXyz([0, 0, 0]) // [0, 0, 0]
 */
export function labOfXyz([x, y, z]: Xyz, [xn, yn, zn]: Xyz = WHITES.D50): Lab {
  const [fx, fy, fz] = [f(x / xn), f(y / yn), f(z / zn)];
  return [116 * fy - 16, 500 * (fx - fy), 200 * (fy - fz)];
}
/**
 * XYZ of CIELAB: the same formula turned round.
 * @example xyzOfLab([100, 0, 0])[1] // 100
 */
export function xyzOfLab([l, a, b]: Lab, [xn, yn, zn]: Xyz = WHITES.D50): Xyz {
  const fy = (l + 16) / 116;
  return [xn * fInverse(fy + a / 500), yn * fInverse(fy), zn * fInverse(fy - b / 200)];
}
/** CIELAB of a reflectance under a light, against the white of that light. */
export const labOf = (spectrum: Spectrum, light: Illuminant = 'D50'): Lab => labOfXyz(xyzOf(spectrum, light), WHITES[light]);

/** XYZ (D50) to linear sRGB: Bradford to D65, then the primaries of sRGB. Source: IEC 61966-2-1; the product matrix from memory, held by a test against a colour library. */
const TO_SRGB = [
  [3.1338561, -1.6168667, -0.4906146],
  [-0.9787684, 1.9161415, 0.033454],
  [0.0719453, -0.2289914, 1.4052427],
] as const;

/**
 * A colour for the screen, as `rgb()`; what a screen cannot show is cut to the nearest it can.
 * @example screenColour([100, 0, 0]) // 'rgb(255, 255, 255)'
 */
export function screenColour(lab: Lab): string {
  const [x, y, z] = xyzOfLab(lab).map((v) => v / 100) as unknown as Xyz;
  const channel = ([a, b, c]: readonly [number, number, number]): number => {
    const linear = Math.min(Math.max(a * x + b * y + c * z, 0), 1);
    const root = portablePower24(linear);
    return Math.round(255 * (linear <= 0.0031308 ? 12.92 * linear : 1.055 * root - 0.055));
  };
  return `rgb(${TO_SRGB.map(channel).join(', ')})`;
}
/** v to the power 1/2.4 = v^(5/12): the fifth power's twelfth root. */
const portablePower24 = (v: number): number => portableCbrt(Math.sqrt(Math.sqrt(v * v * v * v * v)));
