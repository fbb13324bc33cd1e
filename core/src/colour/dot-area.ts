import { OutOfRange, requireAboveZero } from '../quantity/errors';
import { portableExp, portableLog } from '../quantity/portable-math';

/**
 * Density of a reflectance in the band of a filter.
 *
 * Formula: `D = −log₁₀ R`. Source: ISO 5-4 (definition). @throws OutOfRange a reflectance not above 0
 * @example density(0.01) // 2
 */
export function density(reflectance: number): number {
  requireAboveZero('reflectance', reflectance);
  return -portableLog(reflectance) / Math.LN10;
}
const tenTo = (x: number): number => portableExp(x * Math.LN10);

export interface DotDensities {
  paper: number;
  solid: number;
  tint: number;
}

/**
 * Share of the area that looks covered, 0 to 1, from densities of paper, tint and solid.
 *
 * Formula: Murray–Davies `a = (1 − 10^−(Dt−Dp)) / (1 − 10^−(Ds−Dp))`; with n above 1 Yule–Nielsen, exponents divided by n, which takes the light spread in the paper out.
 * Source: Murray, J. Franklin Inst. 221 (1936); Yule & Nielsen, TAGA Proc. 1951. n is about 1 to 3, by paper and screen.
 *
 * @throws OutOfRange a solid not denser than the paper, a tint outside them, or n outside 1 to 10
 * @example dotArea({ paper: 0, solid: 1.5, tint: 0.3 }) // 0.5151
 */
export function dotArea({ paper, solid, tint }: DotDensities, n = 1): number {
  if (!(solid > paper)) throw new OutOfRange('solid', solid, `above the paper's density, ${paper}`);
  if (!(tint >= paper && tint <= solid)) throw new OutOfRange('tint', tint, `between paper and solid, ${paper} to ${solid}`);
  if (!(n >= 1 && n <= 10)) throw new OutOfRange('n', n, 'between 1 and 10');
  return (1 - tenTo(-(tint - paper) / n)) / (1 - tenTo(-(solid - paper) / n));
}

/**
 * Tone value increase in points of a hundred: what is seen less what the plate file holds. Source: ISO 12647-1 (definition).
 * @example toneIncrease(0.64, 0.5) // 14
 */
export const toneIncrease = (seen: number, file: number): number => 100 * (seen - file);

/**
 * How well a second ink takes on a first that is still wet, as a share.
 *
 * Formula: `(D12 − D1) / D2`, densities through the filter of the second ink. Source: Preucil, TAGA Proc. 1958.
 * @throws OutOfRange second ink of no density
 * @example trapping({ first: 0.2, second: 1.4, both: 1.32 }) // 0.8
 */
export function trapping({ first, second, both }: { first: number; second: number; both: number }): number {
  requireAboveZero('second', second);
  return (both - first) / second;
}
