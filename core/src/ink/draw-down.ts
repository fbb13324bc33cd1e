import * as z from 'zod';
import { deltaE2000 } from '../colour/delta-e';
import { type Lab, labOf } from '../colour/lab';
import { REFLECTANCE, type Spectrum, WAVELENGTHS_NM } from '../colour/spectrum';

/** How a measurement was taken: light and filter (M0 lamp, M1 daylight with its ultraviolet, M2 ultraviolet cut, M3 polarised), and what lay beneath. Source: ISO 13655. */
export const MEASURED_IN = ['M0', 'M1', 'M2', 'M3'] as const;
export const BACKINGS = ['black', 'white', 'self'] as const;
export interface Measurement {
  lab: Lab;
  spectrum?: Spectrum | undefined;
  mode: (typeof MEASURED_IN)[number];
  backing: (typeof BACKINGS)[number];
  /** Typed, read from a file, or from the simulated spectrophotometer. */
  from: 'typed' | 'file' | 'simulated';
}
const labSchema = z.tuple([
  z.number().min(0, 'L* is at least 0').max(100, 'L* is at most 100'),
  z.number().min(-150, 'a* is at least −150').max(150, 'a* is at most 150'),
  z.number().min(-150, 'b* is at least −150').max(150, 'b* is at most 150'),
]);
export const MeasurementSchema = z
  .strictObject({
    lab: labSchema,
    spectrum: z
      .array(z.number().min(REFLECTANCE.min, 'reflects less than nothing').max(REFLECTANCE.max, 'reflects more than 150 %'))
      .length(WAVELENGTHS_NM.length, `needs ${WAVELENGTHS_NM.length} values, 380 to 730 nm`)
      .optional(),
    mode: z.enum(MEASURED_IN),
    backing: z.enum(BACKINGS),
    from: z.enum(['typed', 'file', 'simulated']),
  })
  .refine((m) => m.spectrum === undefined || deltaE2000(labOf(m.spectrum), m.lab as unknown as Lab) < 0.5, {
    path: ['lab'],
    message: 'is not the colour of the spectrum beside it (D50, 2° observer)',
  }) satisfies z.ZodType<Measurement>;

/** What a person decided on a draw-down; `decide` is acceptance outside the tolerance, by name and with a reason. */
export const DRAW_DOWN_ANSWERS = ['accept', 'adjust', 'decide'] as const;
export type DrawDownAnswer = (typeof DRAW_DOWN_ANSWERS)[number];

export interface DrawDownVerdict {
  deltaE: number;
  inside: boolean;
  /** Measured under another light or on another backing than the sample: the difference says less. */
  unlike: boolean;
  /** Difference under illuminant A; null where one of the two has no spectrum. */
  deltaEUnderA: number | null;
}
/**
 * A draw-down against the customer's sample.
 *
 * Formula: CIEDE2000 of the two, D50 and 2°; under A as well, where both have spectra, which shows metamerism. Source: ISO/CIE 11664-6; conditions ISO 13655.
 */
export function judgeDrawDown(measured: Measurement, sample: Measurement, tolerance: number): DrawDownVerdict {
  const deltaE = deltaE2000(measured.lab, sample.lab);
  return {
    deltaE,
    inside: deltaE <= tolerance,
    unlike: measured.mode !== sample.mode || measured.backing !== sample.backing,
    deltaEUnderA: measured.spectrum && sample.spectrum ? deltaE2000(labOf(measured.spectrum, 'A'), labOf(sample.spectrum, 'A')) : null,
  };
}
/**
 * An answer that opens the press for an ink.
 * @example opensPress('accept') // true
 */
export const opensPress = (answer: DrawDownAnswer | null): boolean => answer === 'accept' || answer === 'decide';
