import type { Formula, Term } from '../quantity/figure';
import { ceilTolerant } from '../quantity/round-tolerant';

/** One line of a table of losses: so many good cycles lose so many. Ascending in the good ones. */
export type LossPoint = [good: number, lost: number];

/**
 * Cycles lost for so many good ones, read from a table and interpolated between its lines.
 *
 * Formula: linear between two lines; below the first line what the first says (setting up costs the same); above the last line its share.
 * Source: the table school of spoilage (quantity bands, interpolated so that more copies never need fewer sheets); common practice, no source.
 * Rounding: up, whole cycles.
 * @example lostByTable([[1_000, 100], [10_000, 400]], 5_500) // 250
 */
export function lostByTable(points: readonly LossPoint[], good: number): number {
  const last = points.at(-1);
  if (good <= 0 || !last) return 0;
  const above = points.findIndex(([g]) => g >= good);
  if (above < 0) return ceilTolerant((last[1] * good) / last[0]);
  const [g1, l1] = points[above] ?? last;
  const [g0, l0] = points[above - 1] ?? [0, l1];
  return ceilTolerant(l0 + ((l1 - l0) * (good - g0)) / (g1 - g0));
}

/** A table's lines as terms of a figure, by name: good1, lost1, good2 … */
export const tableTerms = (points: readonly LossPoint[], at: string): Record<string, Term> =>
  Object.fromEntries(
    points.flatMap(([g, l], i): [string, Term][] => [
      [`good${i + 1}`, { value: g, unit: 'cycle', from: 'plant', at }],
      [`lost${i + 1}`, { value: l, unit: 'cycle', from: 'plant', at }],
    ]),
  );
const pointsOf = (t: Readonly<Record<string, number>>): LossPoint[] => {
  const points: LossPoint[] = [];
  for (let i = 1; `good${i}` in t; i++) points.push([t[`good${i}`] ?? 0, t[`lost${i}`] ?? 0]);
  return points;
};

const source = 'table of losses by quantity, interpolated; the plant’s own table';
/** Run by the table: good ones, samples, and what the table says is lost. */
export const RUN_BY_TABLE: Formula = {
  id: 'flow.runByTable',
  unit: 'cycle',
  source,
  of: (t) => (t['need'] ? t['need'] + (t['samples'] ?? 0) + lostByTable(pointsOf(t), t['need']) : 0),
};
export const LOST_BY_TABLE: Formula = {
  id: 'flow.lostByTable',
  unit: 'cycle',
  source,
  of: (t) => lostByTable(pointsOf(t), t['need'] ?? 0),
};

/**
 * The most good cycles of a run that loses by a table: forward counts. Source: inverse of a rising function, by halving.
 * @example goodByTable([[1_000, 100], [10_000, 400]], 1_100, 0) // 1000
 */
export function goodByTable(points: readonly LossPoint[], run: number, samples: number): number {
  let [low, high] = [0, Math.max(run, 0)];
  while (low < high) {
    const middle = Math.ceil((low + high) / 2);
    if (middle + samples + lostByTable(points, middle) <= run) low = middle;
    else high = middle - 1;
  }
  return low;
}
