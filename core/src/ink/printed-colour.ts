import { deltaE2000 } from '../colour/delta-e';
import { filmOver, INK_SURFACE, innerReflectance, measuredReflectance } from '../colour/kubelka-munk';
import { type Lab, labOf } from '../colour/lab';
import type { Spectrum } from '../colour/spectrum';
import type { Surface } from '../plant/plant';

/** A film of ink as the model sees it. */
export interface Film {
  k: readonly number[];
  s: readonly number[];
  gsm: number;
}

/**
 * Reflectance of a film printed on a ground, as a 45°/0° instrument reads it.
 *
 * Formula: the ground without its surface (Saunderson), the film over it (Kubelka–Munk), the surface on again.
 * Leaves out: optical brightener that the ink hides, dots (solids only), gloss.
 */
export function printedSpectrum({ k, s, gsm }: Film, ground: Spectrum): number[] {
  return ground.map((rg, i) => measuredReflectance(filmOver(k[i] ?? 0, s[i] ?? 0, gsm, innerReflectance(rg, INK_SURFACE)), INK_SURFACE));
}
export const printedLab = (film: Film, ground: Spectrum): Lab => labOf(printedSpectrum(film, ground));

/**
 * Two inks one on the other, the second on a wet first: less of it stays on.
 *
 * Formula: the second film, times the trapping factor, printed over the first. Source: Preucil 1958 for the factor; films over films: Kubelka 1954.
 * `trap` is 1 on a dry ink; wet on wet 0.7 to 0.95 (common practice, no source).
 */
export const overprintSpectrum = (first: Film, second: Film, ground: Spectrum, trap: number): number[] =>
  printedSpectrum({ ...second, gsm: second.gsm * trap }, printedSpectrum(first, ground));

/** How far a colour moves when it is printed on another stock; from this on the eye sees it side by side. */
export const SHIFT_SEEN = 2;
export interface StockShift {
  onWhite: Lab;
  onStock: Lab;
  deltaE: number;
  /** To be warned of: the ink lets the stock show through, and it is seen. */
  seen: boolean;
}
/** The same ink on a white reference and on the job's stock. */
export function stockShift(film: Film, white: Spectrum, stock: Spectrum): StockShift {
  const [onWhite, onStock] = [printedLab(film, white), printedLab(film, stock)];
  const deltaE = deltaE2000(onWhite, onStock);
  return { onWhite, onStock, deltaE, seen: deltaE > SHIFT_SEEN };
}

/** Reflectance of paper by its surface, where a stock card says nothing: nearly flat, a little less in the blue. Invented for the works; no measured paper. */
export function usualPaper(surface: Surface | undefined): number[] {
  const [blue, rest] = surface === 'gloss' ? [0.86, 0.89] : surface === 'matt' ? [0.85, 0.88] : [0.8, 0.85];
  return Array.from({ length: 36 }, (_, i) =>
    i < 4 ? 0.55 + ((blue - 0.55) * i) / 4 : i < 14 ? blue + ((rest - blue) * (i - 4)) / 10 : rest,
  );
}
