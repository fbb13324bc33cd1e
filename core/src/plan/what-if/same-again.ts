import type { Id } from '../../quantity/figure';
import { ceilTolerant } from '../../quantity/round-tolerant';
import type { Supply } from '../../flow/net';
import { childOf, type Plant, type Shelf } from '../../plant/plant';
import type { Item, JobSpec, Settings } from '../../product/job-spec';
import { REPEATED } from '../../processes/time-and-cost';
import { type Moved, movedBetween } from '../readings/moved';
import { plan } from '../plan';
import type { Plan } from '../plan-types';

/** What a reprint keeps, as codes with a name or number. */
export interface Kept {
  code: 'layout' | 'stock' | 'machine' | 'settings' | 'tool' | 'overrides';
  what: string;
}
/** A stored tool that will not do for the new run. */
export interface Worn {
  tool: Id<'tool'>;
  why: 'life' | 'out' | 'gone';
  left: number;
  need: number;
}
export interface Again {
  spec: JobSpec;
  kept: Kept[];
  worn: Worn[];
  /** Stocks and machines of the old job that the works no longer has. */
  gone: { what: 'stock' | 'machine'; id: string }[];
  /** What the settings changed since then do to it, planned for the same quantity on the same shelf. */
  moved: Moved;
}

/**
 * A job once more: everything a person chose stays, setups are those of repeat work, and what belonged to the old occasion goes (decisions, answers of
 * gates, order lines, overrides past their date). Quantities are multiplied and rounded up to whole pieces; one delivery on the new date.
 *
 * Source: house rule (day of a planner: "same again, new date, 8 % more"); repeat setups by the plant's practice.
 */
export function sameAgain(
  old: { spec: JobSpec; plant: Plant; number: number },
  now: { plant: Plant; shelf: Shelf; times: number; by: string },
): Again {
  const fresh: JobSpec = {
    ...old.spec,
    again: old.number,
    decisions: {},
    overrides: Object.fromEntries(Object.entries(old.spec.overrides).filter(([, o]) => o.until > now.shelf.asOf)),
    items: Object.fromEntries(Object.entries(old.spec.items).map(([id, item]) => [id, itemAgain(item, now.times, now.by)])),
    choices: {
      ...old.spec.choices,
      supply: Object.fromEntries(
        Object.entries(old.spec.choices.supply).flatMap(([id, supply]): [string, Supply][] => {
          if (supply.from !== 'job') return [[id, supply]];
          // What a job made for the old one lies in the store, or has to be had anew.
          const tool = childOf(now.shelf, supply.job)?.tool;
          return tool === undefined ? [] : [[id, { from: 'store', tool }]];
        }),
      ),
      aim: Object.fromEntries(Object.entries(old.spec.choices.aim).map(([id, aim]) => [id, ceilTolerant(aim * now.times)])),
    },
  };
  const first = plan(fresh, now.plant, now.shelf);
  const settings: Record<string, Settings> = { ...fresh.choices.settings };
  for (const stone of first.stones) settings[stone.id] = { ...settings[stone.id], [REPEATED]: 'repeat' };
  const spec: JobSpec = { ...fresh, choices: { ...fresh.choices, settings } };
  const planned = plan(spec, now.plant, now.shelf);
  return {
    spec,
    kept: keptOf(old.spec, planned, now.plant),
    worn: wornOf(planned, now.shelf),
    gone: [
      ...Object.values(old.spec.choices.stock).flatMap((id) =>
        Object.hasOwn(now.plant.stocks, id) ? [] : [{ what: 'stock' as const, id }],
      ),
      ...Object.values(old.spec.choices.machine).flatMap((id) =>
        Object.hasOwn(now.plant.machines, id) ? [] : [{ what: 'machine' as const, id }],
      ),
    ],
    moved: movedBetween(plan(spec, old.plant, now.shelf), planned),
  };
}

function itemAgain(item: Item, times: number, by: string): Item {
  const versions = Object.fromEntries(
    Object.entries(item.versions).map(([v, version]) => [v, { ...version, quantity: ceilTolerant(version.quantity * times) }]),
  );
  const share = Object.fromEntries(Object.entries(versions).map(([v, { quantity }]) => [v, quantity]));
  return { ...item, orderLine: null, versions, deliveries: [{ by, share, to: item.deliveries[0]?.to ?? '' }] };
}

function keptOf(old: JobSpec, planned: Plan, plant: Plant): Kept[] {
  const settings = Object.keys(old.choices.settings).length;
  const overrides = Object.keys(old.overrides).length;
  return [
    ...Object.keys(old.choices.layout).map((part): Kept => ({ code: 'layout', what: part })),
    ...Object.values(planned.forms).flatMap((f): Kept[] =>
      f.stock === null ? [] : [{ code: 'stock', what: plant.stocks[f.stock]?.name ?? f.stock }],
    ),
    ...[...new Set(planned.stones.map((s) => s.machineName))].map((what): Kept => ({ code: 'machine', what })),
    ...Object.values(planned.tools).flatMap((use): Kept[] =>
      use.supply.from === 'store' ? [{ code: 'tool', what: use.supply.tool }] : [],
    ),
    ...(settings > 0 ? [{ code: 'settings' as const, what: String(settings) }] : []),
    ...(overrides > 0 ? [{ code: 'overrides' as const, what: String(overrides) }] : []),
  ];
}

function wornOf(planned: Plan, shelf: Shelf): Worn[] {
  return Object.values(planned.tools).flatMap((use): Worn[] => {
    if (use.supply.from !== 'store') return [];
    const tool = Object.hasOwn(shelf.tools, use.supply.tool) ? shelf.tools[use.supply.tool] : undefined;
    const need = planned.figures[use.cycles]?.value ?? 0;
    const left = tool?.lifeLeft ?? 0;
    const why = !tool ? 'gone' : tool.state !== 'store' ? 'out' : left < need ? 'life' : null;
    return why === null ? [] : [{ tool: use.supply.tool, why, left, need }];
  });
}
