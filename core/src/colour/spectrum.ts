import { OutOfRange } from '../quantity/errors';

/** The wavelengths every spectrum of the house is kept at: 380 to 730 nm by 10 nm. */
export const WAVELENGTHS_NM: readonly number[] = Array.from({ length: 36 }, (_, i) => 380 + 10 * i);
/** Reflectance factors, 0 to 1 (a bright paper may pass 1), one for each of `WAVELENGTHS_NM`. */
export type Spectrum = readonly number[];

/** What a measured reflectance may be: brightened paper reflects more than falls on it, ink never less than nothing. */
export const REFLECTANCE = { min: 0, max: 1.5 } as const;

export interface Resampled {
  spectrum: Spectrum;
  /** What was done to it, to be said beside it; empty where nothing was. */
  notes: ('resampled' | 'extended')[];
}

/**
 * A spectrum at other wavelengths brought to those of the house: linear between neighbours; beyond its ends the end value stands (CIE 15 allows it), and is named.
 *
 * Source: CIE 15 (truncation: the nearest measured value), from memory.
 * @throws OutOfRange fewer than 2 values, wavelengths not rising, a range that misses 400 to 700 nm, or a value outside REFLECTANCE
 */
export function resampled(wavelengthsNm: readonly number[], values: readonly number[]): Resampled {
  if (values.length < 2 || values.length !== wavelengthsNm.length)
    throw new OutOfRange('spectrum', `${values.length} values`, 'one value for each wavelength, two at least');
  for (let i = 1; i < wavelengthsNm.length; i++)
    if (!((wavelengthsNm[i] as number) > (wavelengthsNm[i - 1] as number)))
      throw new OutOfRange('wavelength', wavelengthsNm[i], 'rising from value to value');
  values.forEach((v, i) => {
    if (!(v >= REFLECTANCE.min && v <= REFLECTANCE.max))
      throw new OutOfRange(`reflectance at ${wavelengthsNm[i] ?? ''} nm`, v, `between 0 and 150 % (${REFLECTANCE.max})`);
  });
  const [first, last] = [wavelengthsNm[0] as number, wavelengthsNm[wavelengthsNm.length - 1] as number];
  if (!(first <= 400 && last >= 700)) throw new OutOfRange('wavelengths', `${first} to ${last} nm`, 'at least 400 to 700 nm');
  const same = wavelengthsNm.length === WAVELENGTHS_NM.length && WAVELENGTHS_NM.every((w, i) => wavelengthsNm[i] === w);
  if (same) return { spectrum: values, notes: [] };
  const at = (w: number): number => {
    if (w <= first) return values[0] as number;
    if (w >= last) return values[values.length - 1] as number;
    const i = wavelengthsNm.findIndex((x) => x >= w);
    const [x0, x1] = [wavelengthsNm[i - 1] as number, wavelengthsNm[i] as number];
    const [y0, y1] = [values[i - 1] as number, values[i] as number];
    return y0 + ((y1 - y0) * (w - x0)) / (x1 - x0);
  };
  return { spectrum: WAVELENGTHS_NM.map(at), notes: ['resampled', ...(first > 380 || last < 730 ? (['extended'] as const) : [])] };
}
