import type { Id } from '../quantity/figure';
import { idOf } from '../quantity/id-of';
import { chanceOfEnough } from '../counts/chance-of-enough';
import { spreadWidth } from '../counts/loss-variation';
import type { Plant, Shelf } from '../plant/plant';
import { practiceValue } from '../plant/practice';
import { type JobSpec, orderedQuantity } from '../product/job-spec';
import { plan } from './plan';

/** What one aim costs and risks. */
export interface RiskPoint {
  /** Good pieces aimed at, and what is pulled for it beyond what the order alone needs. */
  aim: number;
  extra: number;
  /** Share of such jobs that fall short, and where it may lie: the spread itself is an estimate. */
  risk: number;
  riskLow: number;
  riskHigh: number;
  money: number;
}
export interface RiskCurve {
  points: RiskPoint[];
  /** Jobs the spread was learned from; null: the handbook. */
  jobs: number | null;
  unit: string;
}

/** The handbook says half to all of the mean: a third either way of the middle. */
const HANDBOOK_WIDTH = 1 / 3;
const MOST_POINTS = 16;
/** Below this risk a curve says nothing more. */
const LEAST_RISK = 0.002;

/**
 * Extra sheets against the risk of falling short, for one item: the job planned for aims that rise by a quarter of what it is expected to lose, until hardly
 * any such job falls short. Every point is a whole plan, so whole sheets, larger piles and price breaks are in it.
 */
export function riskCurve(spec: JobSpec, plant: Plant, shelf: Shelf, item: Id<'item'>): RiskCurve | null {
  const of = Object.hasOwn(spec.items, item) ? spec.items[item] : undefined;
  if (!of) return null;
  const ordered = orderedQuantity(of);
  const points: RiskPoint[] = [];
  let [jobs, first, step, unit]: [number | null, number, number, string] = [null, 0, 1, 'sheet'];
  for (let k = 0; k < MOST_POINTS; k++) {
    const aim = ordered + k * step;
    const made = plan({ ...spec, choices: { ...spec.choices, aim: { ...spec.choices.aim, [item]: aim } } }, plant, shelf);
    const value = (id: string): number => made.figures[id]?.value ?? 0;
    const chance = made.items[item]?.chance;
    if (!chance) return null;
    const pulled = value(made.totals.sheets ?? made.totals.metres ?? '');
    if (k === 0) {
      first = pulled;
      unit = made.totals.sheets ? 'sheet' : 'metre';
      step = Math.max(Math.ceil(value(idOf(item, 'expectedLoss')) / 4), 1);
      jobs = Object.hasOwn(made.figures, idOf(item, 'variation')) ? (shelf.together?.jobs ?? null) : null;
    }
    const variation = jobs === null ? practiceValue(plant, 'risk.variation') : value(idOf(item, 'variation'));
    const width = jobs === null ? HANDBOOK_WIDTH : spreadWidth(jobs);
    const risk = (times: number): number =>
      1 -
      chanceOfEnough({
        allowance: value(idOf(item, 'allowance')),
        expected: value(idOf(item, 'expectedLoss')),
        variation: Math.max(variation * times, 0),
      });
    const likely = [1 - value(chance), risk(1 - width), risk(1 + width)];
    points.push({
      aim,
      extra: pulled - first,
      risk: 1 - value(chance),
      riskLow: Math.min(...likely),
      riskHigh: Math.max(...likely),
      money: value('total.money'),
    });
    if (1 - value(chance) < LEAST_RISK) break;
  }
  return { points, jobs, unit };
}
