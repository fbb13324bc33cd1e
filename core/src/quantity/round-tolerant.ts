import { OutOfRange } from './errors';

/** Relative slack for rounding counts: far above floating-point noise, far below one piece in any count up to 10⁹. */
const SLACK = 1e-12;

/**
 * Whole pieces, rounded up, without counting floating-point noise as a piece.
 *
 * Formula: `⌈x − |x|·10⁻¹² − 10⁻⁹⌉`. 3 969 / 0.98 is 4 050.0000000000005 to the machine; a person says 4 050.
 *
 * @throws OutOfRange x is NaN or infinite
 * @example ceilTolerant(3969 / 0.98) // 4050
 */
export function ceilTolerant(x: number): number {
  if (!Number.isFinite(x)) throw new OutOfRange('x', x, 'a finite number');
  const whole = Math.ceil(x - Math.abs(x) * SLACK - 1e-9);
  return whole === 0 ? 0 : whole; // −0 would show as “−0” and hash differently
}

/**
 * Whole pieces, rounded down, with the same tolerance as `ceilTolerant`.
 *
 * @throws OutOfRange x is NaN or infinite
 * @example floorTolerant(0.3 / 0.1) // 3 (where Math.floor says 2)
 */
export function floorTolerant(x: number): number {
  return 0 - ceilTolerant(-x);
}
