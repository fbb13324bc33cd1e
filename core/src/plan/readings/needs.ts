import type { Id } from '../../quantity/figure';
import { printedInks } from '../../processes/press-inks';
import { idOf } from '../../quantity/id-of';
import type { Plant, Shelf } from '../../plant/plant';
import { isMixedInk } from '../../product/ink-names';
import type { Plan } from '../plan-types';

/** What a job needs of a stock, and by when it must lie at the machine for the date promised to hold. */
export interface StockNeed {
  stock: Id<'stock'>;
  quantity: number;
  /** Epoch seconds. */
  byS: number;
}

/**
 * The latest moment a step may begin for the date promised to hold: its start, moved later by the time the job has in hand, start + (due − ready), where
 * a date is promised; else the start itself. Never before the clock of the shelf.
 * Source: arithmetic; the same slack serves every step of a job, since its steps follow one another.
 */
export function latestStart(plan: Plan, shelf: Shelf, step: Id<'step'> | undefined): number {
  const value = (id: string): number => plan.figures[id]?.value ?? 0;
  const dues = Object.values(shelf.due);
  const slackS = dues.length > 0 ? Math.min(...dues) - value('total.readyAt') : 0;
  const start = step === undefined ? shelf.asOf : value(idOf(step, 'startAt'));
  return Math.max(Math.round(start + slackS), shelf.asOf);
}

/** What a plan pulls from the works' own stock, each by the latest moment of the step that pulls it. */
export function needsOf(plan: Plan, plant: Plant, shelf: Shelf): StockNeed[] {
  return Object.entries(plan.flows).flatMap(([id, flow]) => {
    if (flow.supply?.from !== 'stock' || !Object.hasOwn(plant.stocks, flow.supply.stock)) return [];
    const puller = Object.entries(plan.steps).find(([, s]) => s.takes.some((t) => t.flow === id))?.[0];
    const quantity = plan.figures[idOf(id, 'demand')]?.value ?? 0;
    return [{ stock: flow.supply.stock, quantity, byS: latestStart(plan, shelf, puller) }];
  });
}

/** Tools of the store a plan uses, by number. */
export const storedTools = (plan: Plan): Id<'tool'>[] => [
  ...new Set(Object.values(plan.tools).flatMap((use) => (use.supply.from === 'store' ? [use.supply.tool] : []))),
];

/** The step that needs a tool. */
export const stepWithTool = (plan: Plan, tool: Id<'toolUse'>): Id<'step'> | undefined =>
  Object.keys(plan.steps).find((id) => plan.steps[id]?.needs.some((n) => n.tool === tool));

/** Inks of a plan that somebody mixes, stone by stone. */
export const mixedInks = (plan: Plan): { ink: string; stone: Id<'stone'>; kg: number }[] =>
  plan.stones.flatMap((stone) => {
    const kg = new Map<string, number>();
    for (const step of stone.steps)
      for (const { ink, at } of printedInks(step, plan.steps[step]).filter((p) => isMixedInk(p.ink)))
        kg.set(ink, (kg.get(ink) ?? 0) + (plan.figures[idOf(at, 'kg')]?.value ?? 0));
    return [...kg].map(([ink, mass]) => ({ ink, stone: stone.id, kg: mass }));
  });
