import { portableExp } from '../quantity/portable-math';
import { WAVELENGTHS_NM } from './spectrum';

/*
 * The observer and the lights, at the wavelengths of the house. Source: CIE 1931 2° standard observer and CIE illuminant D50 (CIE 15), entered from memory and
 * held by check sums in the tests: the white points they give are those of the standard.
 */

export const OBSERVER: readonly (readonly [x: number, y: number, z: number])[] = [
  [0.0014, 0.0, 0.0065],
  [0.0042, 0.0001, 0.0201],
  [0.0143, 0.0004, 0.0679],
  [0.0435, 0.0012, 0.2074],
  [0.1344, 0.004, 0.6456],
  [0.2839, 0.0116, 1.3856],
  [0.3483, 0.023, 1.7471],
  [0.3362, 0.038, 1.7721],
  [0.2908, 0.06, 1.6692],
  [0.1954, 0.091, 1.2876],
  [0.0956, 0.139, 0.813],
  [0.032, 0.208, 0.4652],
  [0.0049, 0.323, 0.272],
  [0.0093, 0.503, 0.1582],
  [0.0633, 0.71, 0.0782],
  [0.1655, 0.862, 0.0422],
  [0.2904, 0.954, 0.0203],
  [0.4334, 0.995, 0.0087],
  [0.5945, 0.995, 0.0039],
  [0.7621, 0.952, 0.0021],
  [0.9163, 0.87, 0.0017],
  [1.0263, 0.757, 0.0011],
  [1.0622, 0.631, 0.0008],
  [1.0026, 0.503, 0.0003],
  [0.8544, 0.381, 0.0002],
  [0.6424, 0.265, 0.0],
  [0.4479, 0.175, 0.0],
  [0.2835, 0.107, 0.0],
  [0.1649, 0.061, 0.0],
  [0.0874, 0.032, 0.0],
  [0.0468, 0.017, 0.0],
  [0.0227, 0.0082, 0.0],
  [0.0114, 0.0041, 0.0],
  [0.0058, 0.0021, 0.0],
  [0.0029, 0.001, 0.0],
  [0.0014, 0.0005, 0.0],
];

const D50: readonly number[] = [
  24.488, 29.871, 49.308, 56.513, 60.034, 57.818, 74.825, 87.247, 90.612, 91.368, 95.109, 91.963, 95.724, 96.613, 97.129, 102.099, 100.755,
  102.317, 100.0, 97.735, 98.918, 93.499, 97.688, 99.269, 99.042, 95.722, 98.857, 95.667, 98.19, 103.003, 99.133, 87.381, 91.604, 92.889,
  76.854, 86.511,
];

/** Illuminant A by its own formula: `S(λ) = 100 (560/λ)⁵ (e^(1.435·10⁷/(2848·560)) − 1) / (e^(1.435·10⁷/(2848·λ)) − 1)`, λ in nm. Source: CIE 15 (ISO 11664-2). */
function illuminantA(nm: number): number {
  const r = 560 / nm;
  const [top, below] = [portableExp(1.435e7 / (2848 * 560)) - 1, portableExp(1.435e7 / (2848 * nm)) - 1];
  return (100 * r * r * r * r * r * top) / below;
}

/** Lights a colour is judged under: D50 is the light of the viewing booth (ISO 3664), A a lamp at home. */
export const ILLUMINANTS = { D50, A: WAVELENGTHS_NM.map(illuminantA) } as const satisfies Record<string, readonly number[]>;
export type Illuminant = keyof typeof ILLUMINANTS;
