import type { Id } from '../../quantity/figure';
import { hashOf } from '../../quantity/hash';
import { idOf } from '../../quantity/id-of';
import type { Plant } from '../../plant/plant';
import type { Plan } from '../plan-types';

/** Something that may be ordered or made before the rest is released: paper, goods, a set of forms, a die. */
export interface EarlyThing {
  id: Id<'toolUse'> | Id<'flow'>;
  kind: 'stock' | 'goods' | 'tool';
  /** Stock, goods or tool in the plant's own words. */
  name: string;
  amount: number;
  unit: string;
  /** Days until it comes, where it is bought. */
  leadDays: number;
}

/** What a job can release early, what takes longest first. */
export function earlyThings(plan: Plan, plant: Plant): EarlyThing[] {
  const value = (id: string): number => plan.figures[id]?.value ?? 0;
  const supplies = Object.entries(plan.flows).flatMap(([id, flow]): EarlyThing[] => {
    const amount = value(idOf(id, 'demand'));
    if (flow.supply?.from === 'stock') {
      const stock = plant.stocks[flow.supply.stock];
      return [{ id, kind: 'stock', name: stock?.name ?? flow.supply.stock, amount, unit: flow.unit, leadDays: stock?.leadDays ?? 0 }];
    }
    if (flow.supply?.from === 'buy')
      return [{ id, kind: 'goods', name: id.split('.').at(-1) ?? id, amount, unit: flow.unit, leadDays: flow.supply.leadDays }];
    return [];
  });
  const tools = Object.entries(plan.tools).map(([id, use]): EarlyThing => ({
    id,
    kind: 'tool',
    name: `${use.kind}, ${use.spec}`,
    amount: value(use.count),
    unit: 'piece',
    leadDays: use.supply.from === 'buy' ? use.supply.leadDays : 0,
  }));
  return [...supplies, ...tools].sort((a, b) => b.leadDays - a.leadDays || (a.id < b.id ? -1 : 1));
}

/** The name of what was released early: it changes when what would be ordered or made changes. Null: the plan has no such thing any more. */
export function earlyHash(plan: Plan, plant: Plant, id: string): string | null {
  const thing = earlyThings(plan, plant).find((t) => t.id === id);
  if (!thing) return null;
  const { name, kind, amount } = thing;
  const use = plan.tools[id];
  return hashOf({ name, kind, amount, ...(use && { spec: use.spec, supply: use.supply }) });
}
