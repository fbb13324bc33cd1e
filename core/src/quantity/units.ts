import { readNumber } from './read-number';
/** Millimetres in one inch: exact, by the international yard and pound agreement of 1959. */
export const MM_PER_INCH = 25.4;
/** Points of 1/72 inch: the point of page description languages, not the older printer's point. */
export const MM_PER_POINT = MM_PER_INCH / 72;
/** Kilograms in one avoirdupois pound: exact, international yard and pound agreement of 1959. */
export const KG_PER_POUND = 0.45359237;
/** Micrometres in one point of caliper: a thousandth of an inch (25.4 mm · 1000 µm/mm ÷ 1000). */
export const UM_PER_CALIPER_POINT = MM_PER_INCH;
/** Metres in one foot: exact, international yard and pound agreement of 1959. */
export const M_PER_FOOT = 0.3048;
export const PPM = 1_000_000;
export const SECONDS_PER_HOUR = 3600;

/**
 * Inches in mm; the inch is 25.4 mm exactly (international yard and pound agreement, 1959).
 * @example mmFromInches(8.5) // 215.9
 */
export const mmFromInches = (inches: number): number => inches * MM_PER_INCH;
/**
 * Millimetres in inches.
 * @example inchesFromMm(215.9) // 8.5
 */
export const inchesFromMm = (mm: number): number => mm / MM_PER_INCH;
/**
 * Points of 1/72 inch in mm.
 * @example mmFromPoints(72) // 25.4
 */
export const mmFromPoints = (points: number): number => points * MM_PER_POINT;
/**
 * Millimetres in points of 1/72 inch.
 * @example pointsFromMm(25.4) // 72
 */
export const pointsFromMm = (mm: number): number => mm / MM_PER_POINT;
/**
 * Pounds in kg; the pound is 0.45359237 kg exactly (international yard and pound agreement, 1959).
 * @example kgFromPounds(100) // 45.359
 */
export const kgFromPounds = (pounds: number): number => pounds * KG_PER_POUND;
/**
 * Kilograms in pounds.
 * @example poundsFromKg(45.359237) // 100
 */
export const poundsFromKg = (kg: number): number => kg / KG_PER_POUND;
/**
 * Per cent in parts per million, whole.
 * @example ppmFromPercent(1.5) // 15000
 */
export const ppmFromPercent = (percent: number): number => Math.round(percent * 10_000);
/**
 * Parts per million in per cent.
 * @example percentFromPpm(15_000) // 1.5
 */
export const percentFromPpm = (ppm: number): number => ppm / 10_000;

const NUMBER = String.raw`[-−+]?(?:\d+(?:[.,]\d*)?|[.,]\d+)`;
const LENGTH = new RegExp(String.raw`^\s*(?:(${NUMBER})\s+)?(${NUMBER})(?:\s*/\s*(\d+))?\s*(mm|cm|in|inch|inches|"|″|pt|)\s*$`, 'i');
const MM_PER: Record<string, number> = {
  mm: 1,
  cm: 10,
  in: MM_PER_INCH,
  inch: MM_PER_INCH,
  inches: MM_PER_INCH,
  '"': MM_PER_INCH,
  '″': MM_PER_INCH,
  pt: MM_PER_POINT,
};

/**
 * A length as a person types it, in millimetres: "148", "148,5 mm", "5 1/2 in", "8.5″", "72 pt".
 * Without a unit it is in the unit said, millimetres as a rule. Null when the text is not (yet) a length; the field keeps the text.
 *
 * @example lengthMmFromText('5 1/2 in') // 139.7
 */
export function lengthMmFromText(text: string, plain: 'mm' | 'in' = 'mm'): number | null {
  const found = LENGTH.exec(text);
  if (!found) return null;
  const [, whole, last = '', below, unit = ''] = found;
  if (whole !== undefined && below === undefined) return null; // "5 1 in" is half typed
  const fraction = below === undefined ? readNumber(last) : readNumber(last) / Number(below);
  const mm = ((whole === undefined ? 0 : readNumber(whole)) + fraction) * (MM_PER[unit.toLowerCase() || plain] ?? NaN);
  return Number.isFinite(mm) ? mm : null;
}
