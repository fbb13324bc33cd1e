import * as z from 'zod';
import { WAVELENGTHS_NM } from '../colour/spectrum';
import { FASTNESS, type Fastness } from '../plant/fastness';
import { idText } from '../plant/plant-schema';

/** An ink to mix from: absorption and scattering by wavelength, in 1 per g/m² of wet film, as fitted from draw-downs of the works. */
export interface BaseInk {
  id: string;
  name: string;
  k: number[];
  s: number[];
  pricePerKg: number;
  /** Lets what is beneath show through. */
  transparent: boolean;
  /** Tack as the tack meter of the works reads it: the first down has the highest. */
  tack: number;
  drying: 'oxidative' | 'lamp';
  lowMigration: boolean;
  fast: Fastness[];
}

const coefficients = z.array(z.number().min(0, 'must not be below 0').max(1e3)).length(WAVELENGTHS_NM.length);
export const BaseInkSchema = z.strictObject({
  id: idText,
  name: z.string().trim().min(1).max(60),
  k: coefficients,
  s: coefficients,
  pricePerKg: z.number().min(0).max(1e4),
  transparent: z.boolean(),
  tack: z.number().min(0).max(1000),
  drying: z.enum(['oxidative', 'lamp']),
  lowMigration: z.boolean(),
  fast: z.array(z.enum(FASTNESS)).max(FASTNESS.length),
}) satisfies z.ZodType<BaseInk>;

/** Parts of a hundred of each base in a recipe. */
export interface RecipePart {
  base: string;
  parts: number;
}
/** A recipe holds for one stock and one film weight: thin films show what they lie on. */
export interface Recipe {
  id: string;
  name: string;
  parts: RecipePart[];
  filmGsm: number;
}

/**
 * Absorption and scattering of a mixture: each base's by its share. Source: Duncan 1940 (additivity of K and S); the shares are made to add up to one.
 * @example mixed([{ k: [2], s: [1] }, { k: [0], s: [3] }], [0.5, 0.5]).k[0] // 1
 */
export function mixed(bases: readonly Pick<BaseInk, 'k' | 's'>[], shares: readonly number[]): { k: number[]; s: number[] } {
  const all = shares.reduce((a, b) => a + b, 0);
  const sum = (of: 'k' | 's'): number[] =>
    WAVELENGTHS_NM.map((_, w) => bases.reduce((n, base, i) => n + ((base[of][w] ?? 0) * (shares[i] ?? 0)) / all, 0));
  return { k: sum('k'), s: sum('s') };
}

/** What every base of a mixture stands and may touch, the mixture does. */
export const flagsOf = (bases: readonly BaseInk[]): Pick<BaseInk, 'transparent' | 'lowMigration' | 'fast'> => ({
  transparent: bases.every((b) => b.transparent),
  lowMigration: bases.every((b) => b.lowMigration),
  fast: FASTNESS.filter((f) => bases.every((b) => b.fast.includes(f))),
});
