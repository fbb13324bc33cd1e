import { OutOfRange, requireNotNegative } from '../quantity/errors';
import { portableExp } from '../quantity/portable-math';

/** Reflection at the surface: of light that falls on it (k1) and of light that comes from within (k2). */
export interface Surface {
  k1: number;
  k2: number;
}
/** A varnish-like binder of refractive index 1.5: k1 = ((1.5 − 1)/(1.5 + 1))², k2 as usual for diffuse light. Source: Saunderson 1942; values common in print, from memory. */
export const INK_SURFACE: Surface = { k1: 0.04, k2: 0.6 };

/**
 * What is reflected within, from what a 45°/0° instrument reads (its gloss trap keeps the surface's own reflection out).
 *
 * Formula: `R = Rm / ((1 − k1)(1 − k2) + k2·Rm)`, the inverse of `measuredReflectance`.
 * Source: Saunderson, J. Opt. Soc. Am. 32 (1942).
 * @example innerReflectance(0.5, { k1: 0.04, k2: 0.6 }) // 0.73099
 */
export const innerReflectance = (measured: number, { k1, k2 }: Surface = INK_SURFACE): number =>
  measured / ((1 - k1) * (1 - k2) + k2 * measured);
/**
 * What a 45°/0° instrument reads of what is reflected within: `Rm = (1 − k1)(1 − k2)·R / (1 − k2·R)`. Source: Saunderson 1942.
 * @example measuredReflectance(0.722543, { k1: 0.04, k2: 0.6 }) // 0.4898
 */
export const measuredReflectance = (inner: number, { k1, k2 }: Surface = INK_SURFACE): number =>
  ((1 - k1) * (1 - k2) * inner) / (1 - k2 * inner);

/**
 * K/S of a layer so thick that nothing beneath shows: `(1 − R∞)² / (2 R∞)`. Source: Kubelka & Munk 1931.
 * @throws OutOfRange R∞ outside 0 (excluded) to 1
 * @example ratioOfOpaque(0.5) // 0.25
 */
export function ratioOfOpaque(opaque: number): number {
  if (!(opaque > 0 && opaque <= 1)) throw new OutOfRange('R∞', opaque, 'above 0 and at most 1');
  return ((1 - opaque) * (1 - opaque)) / (2 * opaque);
}

/** Below these, scattering or absorption of a film counts as none: the limits of the formula stand in for it. */
const NO_SCATTER = 1e-9;
const NO_ABSORPTION = 1e-9;

/**
 * Reflectance within of a film over a ground.
 *
 * Formula: `R = (1 − Rg(a − b·coth bSX)) / (a − Rg + b·coth bSX)` with a = 1 + K/S, b = √(a² − 1); no scattering: `R = Rg·e^(−2KX)`; no absorption:
 * `R = (Rg + SX(1 − Rg)) / (1 + SX(1 − Rg))`. K and S per g/m², X in g/m².
 * Source: Kubelka & Munk, Z. techn. Physik 12 (1931); Kubelka, J. Opt. Soc. Am. 38 (1948), hyperbolic form.
 *
 * @throws OutOfRange a negative K, S, X or ground
 * @example filmReflectance({ k: 0, s: 0, x: 1, ground: 0.8 }) // 0.8
 */
export function filmReflectance({ k, s, x, ground }: { k: number; s: number; x: number; ground: number }): number {
  requireNotNegative('K', k);
  requireNotNegative('S', s);
  requireNotNegative('X', x);
  requireNotNegative('ground', ground);
  return filmOver(k, s, x, ground);
}
/**
 * The same without its guards, for loops that have checked what they hand in.
 * @example filmOver(0, 0, 1, 0.8) // 0.8
 */
export function filmOver(k: number, s: number, x: number, ground: number): number {
  const sx = s * x;
  if (sx < NO_SCATTER) return ground * portableExp(-2 * k * x);
  if (k * x < NO_ABSORPTION) {
    const less = sx * (1 - ground);
    return (ground + less) / (1 + less);
  }
  const a = 1 + k / s;
  const b = Math.sqrt(a * a - 1);
  const e = portableExp(-2 * b * sx);
  const bCoth = (b * (1 + e)) / (1 - e);
  return (1 - ground * (a - bCoth)) / (a - ground + bCoth);
}
