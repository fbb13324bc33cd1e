import { OutOfRange } from '../quantity/errors';
import { leastSquares } from '../quantity/least-squares';

/** Opening of the duct by coverage: `opening % = a + b·c + d·c²`, c as a share. */
export interface DuctCurve {
  a: number;
  b: number;
  d: number;
  /** From how many logged settings; 0: the press's first curve. */
  from: number;
  /** Standard deviation of the settings about the curve, in points. */
  off: number;
}
/** Before anything is logged: a gap for the least film, then in proportion. Common practice, no source. */
export const FIRST_DUCT_CURVE: DuctCurve = { a: 3, b: 78, d: 0, from: 0, off: 10 };
/** Fewer settings than this say less than the first curve. */
export const LEAST_SETTINGS = 8;

/**
 * Opening of a zone in percent, 0 to 100, rounded to what a console shows. @throws OutOfRange coverage outside 0 to 100
 * @example ductOpening(30, { a: 3, b: 78, d: 0, from: 0, off: 10 }) // 26
 */
export function ductOpening(coveragePercent: number, { a, b, d }: DuctCurve): number {
  if (!(coveragePercent >= 0 && coveragePercent <= 100.001)) throw new OutOfRange('coverage', coveragePercent, 'between 0 and 100 %');
  if (coveragePercent === 0) return 0;
  const c = coveragePercent / 100;
  return Math.round(Math.min(Math.max(a + b * c + d * c * c, 0), 100));
}

/**
 * The press's own curve from settings that printed well.
 *
 * Formula: least squares of opening on 1, c, c²; straight where the settings do not span enough, or where the bent curve would fall. Null: too few settings.
 */
export function refitDuct(settings: readonly { coveragePercent: number; openingPercent: number }[]): DuctCurve | null {
  if (settings.length < LEAST_SETTINGS) return null;
  const c = settings.map((s) => s.coveragePercent / 100);
  const y = settings.map((s) => s.openingPercent);
  const bent = leastSquares(
    c.map((v) => [1, v, v * v]),
    y,
  );
  const rising = (b: number, d: number): boolean => b > 0 && b + 2 * d > 0;
  const use =
    bent && rising(bent.x[1] as number, bent.x[2] as number)
      ? { a: bent.x[0] as number, b: bent.x[1] as number, d: bent.x[2] as number, off: bent.sd }
      : straight(c, y);
  return use && { ...use, from: settings.length };
}
function straight(c: readonly number[], y: readonly number[]): Omit<DuctCurve, 'from'> | null {
  const fit = leastSquares(
    c.map((v) => [1, v]),
    y,
  );
  return fit && (fit.x[1] as number) > 0 ? { a: fit.x[0] as number, b: fit.x[1] as number, d: 0, off: fit.sd } : null;
}
