/** A chart of single values over time with its limits. */
export interface ControlChart {
  mean: number;
  low: number;
  high: number;
  /** What stands out, by the index of the value that shows it: beyond a limit, eight on one side, six rising or falling. */
  signals: { at: number; rule: 'limit' | 'side' | 'trend' }[];
  drifts: boolean;
}
/** 3 / 1.128: three standard deviations from the mean moving range of two. Source: Shewhart 1931; constant d2 of ISO 7870-2. */
const LIMIT = 3 / 1.128;
const ONE_SIDE = 8;
const TREND = 6;
/** Fewer values than this give no limits worth the name. */
export const LEAST_POINTS = 8;

/**
 * Limits of single values by their moving range, and what breaks them.
 *
 * Formula: mean ± 2.66 · mean |xᵢ − xᵢ₋₁|. Source: Shewhart 1931, ISO 7870-2 (individuals); run rules of eight and six: Western Electric 1956.
 * Null: fewer than eight values.
 */
export function controlChart(values: readonly number[]): ControlChart | null {
  if (values.length < LEAST_POINTS) return null;
  const mean = values.reduce((a, b) => a + b, 0) / values.length;
  const ranges = values.slice(1).map((v, i) => Math.abs(v - (values[i] as number)));
  const off = (LIMIT * ranges.reduce((a, b) => a + b, 0)) / ranges.length;
  const [low, high] = [mean - off, mean + off];
  const signals: ControlChart['signals'] = [];
  let [side, sideLong, rise, riseLong] = [0, 0, 0, 0];
  values.forEach((v, at) => {
    if (v < low || v > high) signals.push({ at, rule: 'limit' });
    const now = Math.sign(v - mean);
    sideLong = now !== 0 && now === side ? sideLong + 1 : 1;
    side = now;
    if (sideLong >= ONE_SIDE) signals.push({ at, rule: 'side' });
    if (at === 0) return;
    const way = Math.sign(v - (values[at - 1] as number));
    riseLong = way !== 0 && way === rise ? riseLong + 1 : 1;
    rise = way;
    if (riseLong >= TREND) signals.push({ at, rule: 'trend' });
  });
  return { mean, low, high, signals, drifts: signals.length > 0 };
}
