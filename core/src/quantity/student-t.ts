import { OutOfRange } from './errors';
import { portableAtan2 } from './portable-math';

/**
 * Share of Student's t between −t and t, for whole degrees of freedom.
 *
 * Formula: the finite sums of θ = atan(t/√ν). Source: Abramowitz & Stegun, Handbook of Mathematical Functions, 26.7.3 and 26.7.4.
 * @throws OutOfRange degrees of freedom not a whole number from 1 up
 * @example studentWithin(2.228, 10) // 0.94999
 */
export function studentWithin(t: number, freedom: number): number {
  if (!(Number.isInteger(freedom) && freedom >= 1)) throw new OutOfRange('freedom', freedom, 'a whole number from 1 up');
  const sin = t / Math.sqrt(freedom + t * t);
  const cos2 = freedom / (freedom + t * t);
  const odd = freedom % 2 === 1;
  let term = odd ? Math.sqrt(cos2) : 1;
  let sum = freedom === 1 ? 0 : term;
  for (let i = odd ? 3 : 2; i <= freedom - 2; i += 2) {
    term *= (cos2 * (i - 1)) / i;
    sum += term;
  }
  if (!odd) return sin * sum;
  return (2 / Math.PI) * (portableAtan2(t, Math.sqrt(freedom)) + sin * sum);
}

/**
 * The t that so large a share lies within, either side. Formula: bisection on `studentWithin`. @throws OutOfRange a share outside (0, 1)
 * @example studentT(0.95, 10) // 2.2281
 */
export function studentT(share: number, freedom: number): number {
  if (!(share > 0 && share < 1)) throw new OutOfRange('share', share, 'between 0 and 1');
  let [low, high] = [0, 1];
  while (studentWithin(high, freedom) < share) high *= 2;
  for (let i = 0; i < 60; i++) {
    const middle = (low + high) / 2;
    if (studentWithin(middle, freedom) < share) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}
