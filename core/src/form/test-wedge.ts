import { OutOfRange } from '../quantity/errors';
import { leastSquares } from '../quantity/least-squares';

/** A step of a test wedge: what the file holds and what was measured on the plate, both in percent of the area. */
export interface WedgeStep {
  file: number;
  plate: number;
}
export interface WedgeFit {
  /** Gain at the mid tone, in points; and how much of it lies in the shadows rather than the lights. */
  gain50: number;
  skew: number;
  /** Standard deviation of the steps about the curve, in points. */
  off: number;
  /** Largest distance of a step from what it should be. */
  worst: number;
  inside: boolean;
}
/** A plate holds what the file holds, within a point and a half. Common practice, no source; the works may set its own. */
export const WEDGE_TOLERANCE = 1.5;
/** Fewer steps than these between the ends show no curve. */
export const LEAST_STEPS = 4;

const hump = (file: number): number => (4 * file * (100 - file)) / 1e4;
const lean = (file: number): number => hump(file) * ((2 * file) / 100 - 1);

/**
 * The plate's tone curve from the measured steps of its test wedge.
 *
 * Formula: plate = file + g·4f(100 − f)/10⁴ + h·4f(100 − f)/10⁴·(2f/100 − 1), g and h by least squares. Out of calibration where a step is farther than the tolerance from
 * what the file holds. Source: the shape is common practice, no source.
 * @throws OutOfRange a step outside 0 to 100, fewer than four between the ends, or steps that fall
 */
export function fitWedge(steps: readonly WedgeStep[], tolerance = WEDGE_TOLERANCE): WedgeFit {
  for (const { file, plate } of steps)
    for (const [name, v] of [
      ['file', file],
      ['plate', plate],
    ] as const)
      if (!(v >= 0 && v <= 100)) throw new OutOfRange(name, v, 'between 0 and 100 %');
  const between = steps.filter((s) => s.file > 0 && s.file < 100);
  if (between.length < LEAST_STEPS) throw new OutOfRange('steps', between.length, `${LEAST_STEPS} or more between 0 and 100 %`);
  const rising = [...steps].sort((a, b) => a.file - b.file);
  rising.forEach((s, i) => {
    const before = rising[i - 1];
    if (before && s.plate < before.plate)
      throw new OutOfRange(`step ${s.file} %`, s.plate, `not below the ${before.plate} of the step before`);
  });
  const fit = leastSquares(
    between.map((s) => [hump(s.file), lean(s.file)]),
    between.map((s) => s.plate - s.file),
  );
  if (!fit) throw new OutOfRange('steps', between.length, 'at different tones');
  const worst = Math.max(...steps.map((s) => Math.abs(s.plate - s.file)));
  return { gain50: fit.x[0] as number, skew: fit.x[1] as number, off: fit.sd, worst, inside: worst <= tolerance };
}

/**
 * What the fitted plate makes of a tone of the file.
 * @example plateTone(50, { gain50: 10, skew: 0 }) // 60
 */
export const plateTone = (file: number, { gain50, skew }: Pick<WedgeFit, 'gain50' | 'skew'>): number =>
  Math.min(Math.max(file + gain50 * hump(file) + skew * lean(file), 0), 100);

/**
 * What to send so that the plate holds what was meant, in percent: the fitted curve turned round by halving.
 * Law: plateTone(compensated(t)) = t wherever the curve rises. @throws OutOfRange a tone outside 0 to 100
 * @example compensated(60, { gain50: 10, skew: 0 }) // 50
 */
export function compensated(tone: number, fit: Pick<WedgeFit, 'gain50' | 'skew'>): number {
  if (!(tone >= 0 && tone <= 100)) throw new OutOfRange('tone', tone, 'between 0 and 100 %');
  let [low, high] = [0, 100];
  for (let i = 0; i < 50; i++) {
    const middle = (low + high) / 2;
    if (plateTone(middle, fit) < tone) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}
/** The tones a compensation curve is handed on at. */
export const CURVE_TONES = [0, 2, 5, 10, 20, 30, 40, 50, 60, 70, 80, 90, 95, 98, 100] as const;
