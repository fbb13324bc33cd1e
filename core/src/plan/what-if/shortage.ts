import type { Id } from '../../quantity/figure';
import { idOf } from '../../quantity/id-of';
import { PPM } from '../../quantity/units';
import { ceilTolerant } from '../../quantity/round-tolerant';
import type { Step } from '../../flow/net';
import { stepsTo } from '../../flow/upstream';
import { type Plant, type Shelf, machinesFor } from '../../plant/plant';
import { type JobSpec, orderedQuantity } from '../../product/job-spec';
import { PROCESSES } from '../../processes/registry';
import { plan } from '../plan';
import type { Plan } from '../plan-types';
import { freeStock } from '../passes/ready';
import { sameAgain } from './same-again';
import { sharing } from '../passes/sharing';
import type { ShortageWay } from './shortage-ways';

export interface ShortageOption {
  way: ShortageWay;
  /** Null: it can be done; else the code of what stands in the way. */
  not: 'printed' | 'noStock' | 'belowLeast' | 'noMachine' | null;
  /** Planning cost: what is spent more, or (deliver short) what the missing pieces cost to make and are not paid. */
  money: number;
  /** Sheets or metres pulled for it. */
  pulled: number;
  machineS: number;
  /** Ready moment of a child job; null where the job itself goes on. */
  readyAt: number | null;
  /** Rests on forms being kept, which nobody has checked: the tool store does not know them. */
  keptForms: boolean;
  /** The child job to enter. */
  child?: JobSpec;
}
export interface ShortageAsk {
  spec: JobSpec;
  plant: Plant;
  shelf: Shelf;
  number: number;
  item: Id<'item'>;
  /** When the child's pieces are to be there, plant-local. */
  by: string;
}

/**
 * What can be done about pieces that will be missing, each way priced: run on while the press still stands on this job, deliver short within the tolerance,
 * run again from kept forms, or top up without plates. A child job is planned like any other, for the missing pieces alone, with repeat setups.
 * Source: common practice, no source. Null where nothing is missing.
 */
export function shortageOptions(ask: ShortageAsk): { short: number; options: ShortageOption[] } | null {
  const { spec, plant, shelf, item } = ask;
  const now = plan(spec, plant, shelf);
  const value = (id: string): number => now.figures[id]?.value ?? 0;
  const of = now.items[item];
  if (!of?.forecast) return null;
  // What is made together is short together.
  const short = sharing(now.items, item).reduce((sum, id) => sum + value(now.items[id]?.wanted ?? ''), 0) - value(of.forecast.good);
  if (short <= 0) return null;
  return { short, options: [runOn(ask, now, short), deliverShort(now, item, short), rerun(ask, now, short), digitally(ask, now, short)] };
}

/** More sheets through a press that has not finished: the job's own run-on cost. Sheets lost ahead come on top. */
function runOn({ plant, shelf, item }: ShortageAsk, now: Plan, short: number): ShortageOption {
  const value = (id: string): number => now.figures[id]?.value ?? 0;
  const steps = stepsTo(now, now.items[item]?.goods ?? '').flatMap((id): [Id<'step'>, Step][] =>
    now.steps[id] ? [[id, now.steps[id]]] : [],
  );
  const press = steps.find(([, s]) => s.loss.setupCycles > 0 || s.loss.table);
  const open = steps.filter(([id]) => shelf.counted[id]?.done !== true);
  const source = steps.flatMap(([, s]) => s.takes).find(({ flow }) => now.flows[flow]?.supply !== undefined);
  const flow = now.flows[source?.flow ?? ''];
  const kept = open.reduce((share, [, s]) => share * (1 - s.loss.runningPpm / PPM), 1);
  const pulled = ceilTolerant((short * (flow?.perGood ?? 1)) / Math.max(kept, 0.1));
  const printed = press !== undefined && shelf.counted[press[0]]?.done === true;
  const started = value(idOf(source?.flow ?? '', 'demand'));
  const supply = flow?.supply;
  // What the plan pulls already is promised to it: only what is free beyond that can be run on with.
  const free = supply?.from === 'stock' ? freeStock(shelf, supply.stock) - Math.max(started - pulledAlready(now, shelf), 0) : 0;
  const share = started > 0 ? pulled / started : 0;
  return {
    way: 'runOn',
    not: printed
      ? 'printed'
      : free < pulled && plant.stocks[supply?.from === 'stock' ? supply.stock : '']?.form !== 'roll'
        ? 'noStock'
        : null,
    money: (value('total.runOn') * short) / 1_000,
    pulled,
    machineS: steps.reduce((sum, [id]) => sum + value(idOf(id, 'runS')), 0) * share,
    readyAt: null,
    keptForms: false,
  };
}

/** Sheets that were pulled for the job and counted already. */
const pulledAlready = (now: Plan, shelf: Shelf): number =>
  Object.entries(now.steps).reduce(
    (sum, [id, s]) => sum + (s.takes.some((t) => now.flows[t.flow]?.supply !== undefined) ? (shelf.counted[id]?.run ?? 0) : 0),
    0,
  );

function deliverShort(now: Plan, item: Id<'item'>, short: number): ShortageOption {
  const value = (id: string): number => now.figures[id]?.value ?? 0;
  const of = now.items[item];
  const good = value(of?.forecast?.good ?? '');
  return {
    way: 'short',
    not: good < sharing(now.items, item).reduce((sum, id) => sum + value(now.items[id]?.least ?? ''), 0) ? 'belowLeast' : null,
    money: (value('total.perThousand') * short) / 1_000,
    pulled: 0,
    machineS: 0,
    readyAt: null,
    keptForms: false,
  };
}

/** The missing pieces alone, once more, with repeat setups; nothing of it is counted yet. */
function childOf({ spec, plant, shelf, number, item, by }: ShortageAsk, now: Plan, short: number): { spec: JobSpec; shelf: Shelf } {
  const fresh: Shelf = { ...shelf, counted: {}, frozen: {} };
  delete fresh.floor;
  const { item: id = item, version = null } = now.items[item] ?? {};
  const whole = spec.items[id];
  const one =
    whole &&
    (version === null ? whole : { ...whole, versions: Object.fromEntries(Object.entries(whole.versions).filter(([v]) => v === version)) });
  const times = one ? short / orderedQuantity(one) : 0;
  const alone: JobSpec = { ...spec, items: one ? { [id]: one } : {}, choices: { ...spec.choices, aim: {} } };
  delete alone.gates;
  return { spec: sameAgain({ spec: alone, plant, number }, { plant, shelf: fresh, times, by }).spec, shelf: fresh };
}

/** The tool store knows of the job's plates: whether they were kept is no guess. */
const formsAreKnown = (shelf: Shelf): boolean => Object.values(shelf.desks?.forms ?? {}).some((f) => f.versions.length > 0);

const priced = (way: 'rerun' | 'digital', child: JobSpec, made: Plan, shelf: Shelf): ShortageOption => {
  const value = (id: string): number => made.figures[id]?.value ?? 0;
  return {
    way,
    not: null,
    money: value('total.money'),
    pulled: value(made.totals.sheets ?? made.totals.metres ?? ''),
    machineS: value('total.machineS'),
    readyAt: value('total.readyAt'),
    keptForms: (way === 'rerun' && !formsAreKnown(shelf)) || Object.values(made.tools).some((t) => t.supply.from !== 'store'),
    child,
  };
};

/** From kept forms: the stones that make forms are left out. */
function rerun(ask: ShortageAsk, now: Plan, short: number): ShortageOption {
  const child = childOf(ask, now, short);
  const made = plan(child.spec, ask.plant, child.shelf);
  const forms = made.stones.filter((s) => s.in === null).map((s) => s.id);
  const spec = dropping(child.spec, forms);
  return priced('rerun', spec, plan(spec, ask.plant, child.shelf), ask.shelf);
}

/** By a process that may stand in for one on the route (printing without plates), where the works has a machine for it; the rest stays, with repeat setups. */
function digitally(ask: ShortageAsk, now: Plan, short: number): ShortageOption {
  const instead = Object.fromEntries(
    now.stones.flatMap((s) => {
      const other = standIn(s.process, ask.plant);
      return other === null ? [] : [[s.id, other]];
    }),
  );
  if (Object.keys(instead).length === 0)
    return { way: 'digital', not: 'noMachine', money: 0, pulled: 0, machineS: 0, readyAt: null, keptForms: false };
  const child = childOf(ask, now, short);
  const parts = now.stones.filter((s) => Object.hasOwn(instead, s.id)).map((s) => s.parts[0]);
  const forms = now.stones.filter((s) => s.in === null && parts.includes(s.parts[0])).map((s) => s.id);
  const { machine, ...choices } = child.spec.choices;
  const spec = dropping(
    {
      ...child.spec,
      choices: {
        ...choices,
        machine: Object.fromEntries(Object.entries(machine).filter(([id]) => !Object.hasOwn(instead, id))),
        process: { ...choices.process, ...instead },
      },
    },
    forms,
  );
  return priced('digital', spec, plan(spec, ask.plant, child.shelf), ask.shelf);
}

/** The process that may take another's place and has a machine; null where there is none. */
function standIn(process: Id<'process'>, plant: Plant): Id<'process'> | null {
  const can = Object.values(PROCESSES).filter((p) => p.insteadOf?.includes(process));
  return can.find((p) => machinesFor(plant, p.id).length > 0)?.id ?? null;
}

const dropping = (spec: JobSpec, stones: readonly string[]): JobSpec => ({
  ...spec,
  choices: { ...spec.choices, route: { drop: [...new Set([...spec.choices.route.drop, ...stones])] } },
});
