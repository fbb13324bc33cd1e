import type { Id } from '../../quantity/figure';
import { idOf } from '../../quantity/id-of';
import { stepsAtRisk } from '../../counts/chance-of-enough';
import { leftAsARule, type StepAtRisk, shareEnough } from '../../counts/drawn-jobs';
import { spreadWidth } from '../../counts/spread-seen';
import type { Flow } from '../../flow/net';
import { stepsTo } from '../../flow/upstream';
import type { Plant, Shelf } from '../../plant/plant';
import { practiceValue } from '../../plant/practice';
import type { JobSpec } from '../../product/job-spec';
import { plan } from '../plan';
import type { Plan } from '../plan-types';
import { pulledOf } from './pulled';

/** What one wish takes and costs. */
export interface RiskPoint {
  /** The share of such jobs that is to come out; null: net + allowances, no reserve. */
  wish: number | null;
  /** The share that does, and where it may lie: the spread itself is an estimate. */
  chance: number;
  chanceLow: number;
  chanceHigh: number;
  /** What is pulled in all, what of it is reserve, and what comes back as a rule (of the middle job). */
  pulled: number;
  reserve: number;
  back: number;
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
/** Wishes the curve is drawn for, beside what net and allowances give. */
const WISHES = [0.9, 0.95, 0.98, 0.99] as const;

/**
 * Extra sheets against risk, for one item: the job planned as it counts by default, and with the reserve that each wish takes. Every point is a whole plan, so
 * whole sheets, larger piles and price breaks are in it.
 */
export function riskCurve(spec: JobSpec, plant: Plant, shelf: Shelf, of: Id<'item'>): RiskCurve | null {
  const usual = practiceValue(plant, 'risk.wish');
  const choices = { ...spec.choices };
  delete choices.certainty;
  const bare = plan({ ...spec, choices }, plant, shelf);
  const item = scarcestRow(bare, of);
  const first = pointOf(bare, item, null, shelf);
  if (!first) return null;
  const wishes = [...new Set([usual, ...WISHES, spec.choices.certainty ?? usual])].filter((w) => w > first.chance).sort((a, b) => a - b);
  const more = wishes.flatMap(
    (wish) => pointOf(plan({ ...spec, choices: { ...choices, certainty: wish } }, plant, shelf), item, wish, shelf) ?? [],
  );
  return { points: [first, ...more], jobs: jobsLearnedFrom(bare, item, shelf), unit: pulledOf(bare).pulledUnit };
}

/** The row of an item that most often falls short: of its versions, where they are told apart. */
function scarcestRow({ items, figures }: Plan, item: Id<'item'>): Id<'item'> {
  const chance = (row: Id<'item'>): number => figures[items[row]?.chance ?? '']?.value ?? 1;
  const rows = Object.keys(items).filter((row) => items[row]?.item === item);
  return rows.reduce((least, row) => (chance(row) < chance(least) ? row : least), rows[0] ?? item);
}

const chanceTerms = ({ items, figures }: Plan, item: Id<'item'>): Record<string, number> | null => {
  const chance = figures[items[item]?.chance ?? ''];
  return chance
    ? Object.fromEntries(Object.entries(chance.terms).map(([name, t]) => [name, 'fig' in t ? (figures[t.fig]?.value ?? 0) : t.value]))
    : null;
};

/** Jobs the spreads were learned from; null where they are the handbook's. */
function jobsLearnedFrom({ items, figures }: Plan, item: Id<'item'>, shelf: Shelf): number | null {
  const terms = Object.values(figures[items[item]?.chance ?? '']?.terms ?? {});
  return terms.some((t) => 'from' in t && t.from === 'log') ? (shelf.together?.jobs ?? null) : null;
}

/** What an item pulls from a store, on the way its pieces go. */
const pulledFlows = (made: Plan, item: Id<'item'>): Flow[] =>
  stepsTo(made, made.items[item]?.goods ?? '')
    .flatMap((id) => made.steps[id]?.takes.flatMap((t) => made.flows[t.flow] ?? []) ?? [])
    .filter((f) => f.supply !== undefined);

function pointOf(made: Plan, item: Id<'item'>, wish: number | null, shelf: Shelf): RiskPoint | null {
  const terms = chanceTerms(made, item);
  if (!terms) return null;
  const value = (id: string): number => made.figures[id]?.value ?? 0;
  const steps = stepsAtRisk(terms);
  const jobs = jobsLearnedFrom(made, item, shelf);
  const width = jobs === null ? HANDBOOK_WIDTH : spreadWidth(jobs);
  const chance = (times: number): number => shareEnough(spreadBy(steps, times), terms['slack'] ?? 0);
  const likely = [chance(1), chance(Math.max(1 - width, 0)), chance(1 + width)];
  const pulledPerGood = pulledFlows(made, item).find((f) => f.unit === pulledOf(made).pulledUnit)?.perGood ?? 1;
  const { pulled } = pulledOf(made);
  return {
    wish,
    chance: chance(1),
    chanceLow: Math.min(...likely),
    chanceHigh: Math.max(...likely),
    pulled,
    reserve: value(idOf('total', 'reserve')),
    back: Math.floor(
      leftAsARule(
        steps,
        steps.findIndex((s) => s.losses.length > 0),
      ) * pulledPerGood,
    ),
    money: value('total.money'),
  };
}

/** The same steps, their losses spreading so many times as far. */
const spreadBy = (steps: readonly StepAtRisk[], times: number): StepAtRisk[] =>
  steps.map((s) => ({ ...s, losses: s.losses.map((l) => ({ ...l, spread: l.spread * times, common: l.common * times })) }));
