import type { Formula } from '../quantity/figure';
import { OutOfRange } from '../quantity/errors';

/* A set on its way through the shop: each cylinder from stage to stage, one at a time in each; and what a fault costs. */

/**
 * When each cylinder leaves each stage, minutes from the start: one place a stage, all in the same order.
 *
 * Formula: f(i, k) = max(f(i − 1, k), f(i, k − 1)) + p(i, k). Source: permutation flow shop (standard).
 * @param minutes of each cylinder at each stage
 * @throws OutOfRange cylinders with other stages than the first
 */
export function leavesStages(minutes: readonly (readonly number[])[]): number[][] {
  const stages = minutes[0]?.length ?? 0;
  const left: number[][] = [];
  minutes.forEach((mine, i) => {
    if (mine.length !== stages) throw new OutOfRange('minutes', mine.length, `of as many stages as the first: ${stages}`);
    const ends: number[] = [];
    mine.forEach((p, k) => ends.push(Math.max(left[i - 1]?.[k] ?? 0, ends[k - 1] ?? 0) + p));
    left.push(ends);
  });
  return left;
}
/**
 * The stage that holds the set up: the one with the most to do. −1: no stage.
 * @example bottleneck([[30, 250, 75], [30, 260, 75]]) // 1
 */
export function bottleneck(minutes: readonly (readonly number[])[]): number {
  const sums = (minutes[0] ?? []).map((_, k) => minutes.reduce((sum, mine) => sum + (mine[k] ?? 0), 0));
  return sums.indexOf(Math.max(...sums));
}
/**
 * Chance that one or more of a set are made again: `1 − (1 − rate)ⁿ`, parts of a million. Source: independent faults (standard); 2 to 6 of 100 cylinders, common
 * practice, no source.
 * @example REMAKE_CHANCE.of({ ratePpm: 40_000, cylinders: 5 }) // 184627.3024
 */
export const REMAKE_CHANCE: Formula<'ratePpm' | 'cylinders'> = {
  id: 'form.remakeChance',
  unit: 'ppm',
  source: 'independent faults (standard)',
  of({ ratePpm, cylinders }) {
    const good = Math.min(Math.max(1 - ratePpm / 1e6, 0), 1);
    let none = 1;
    for (let i = 0; i < cylinders; i++) none *= good;
    return (1 - none) * 1e6;
  },
};
