import type { Id } from '../../quantity/figure';
import { idOf } from '../../quantity/id-of';
import { type Plant, type Shelf, machinesFor } from '../../plant/plant';
import { type JobSpec, orderedQuantity } from '../../product/job-spec';
import { PROCESSES } from '../../processes/registry';
import { plan, planned, type Planned } from '../plan';
import type { Plan } from '../plan-types';
import { freeStock } from '../passes/ready';
import { bestFormOf, itemAlone, onKeptForm } from './left-alone';
import { costOfMore, morePieces } from './run-on';
import { sameAgain } from './same-again';
import { sharing } from '../passes/sharing';
import { upToParting } from '../readings/to-parting';
import type { ChildWay, ShortageWay } from './shortage-ways';

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
 * run again from kept forms, top up without plates, or take a place on the next common sheets. A child job is planned like any other, for the missing pieces alone, with repeat setups.
 * Source: common practice, no source. Null where nothing is missing.
 */
export function shortageOptions(ask: ShortageAsk): { short: number; options: ShortageOption[] } | null {
  const { spec, plant, shelf, item } = ask;
  const made = planned(spec, plant, shelf);
  const { plan: now } = made;
  const value = (id: string): number => now.figures[id]?.value ?? 0;
  const of = now.items[item];
  if (!of?.forecast) return null;
  // What is made together is short together.
  const short = sharing(now.items, item).reduce((sum, id) => sum + value(now.items[id]?.wanted ?? ''), 0) - value(of.forecast.good);
  if (short <= 0) return null;
  const options = [runOn(ask, made, short), deliverShort(now, item, short), rerun(ask, now, short), digitally(ask, now, short)];
  return { short, options: [...options, ...nextGang(ask, now, short)] };
}

/** More sheets through a press that has not finished: what a sheet and a piece more cost. Sheets lost ahead come on top. */
function runOn({ plant, shelf, item }: ShortageAsk, made: Planned, short: number): ShortageOption {
  const { plan: now } = made;
  const more = morePieces(now, shelf, now.items[item]?.goods ?? '', short);
  const option = { way: 'runOn' as const, readyAt: null, keptForms: false };
  if (!more) return { ...option, not: 'printed', money: 0, pulled: 0, machineS: 0 };
  const supply = now.flows[more.from]?.supply;
  const started = now.figures[idOf(more.from, 'demand')]?.value ?? 0;
  // What the plan pulls already is promised to it: only what is free beyond that can be run on with.
  const free = supply?.from === 'stock' ? freeStock(shelf, supply.stock) - Math.max(started - pulledAlready(now, shelf), 0) : 0;
  const isRoll = plant.stocks[supply?.from === 'stock' ? supply.stock : '']?.form === 'roll';
  return { ...option, not: free < more.pulled && !isRoll ? 'noStock' : null, pulled: more.pulled, ...costOfMore(made, more) };
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
  const alone: JobSpec = one ? itemAlone(spec, id, one) : { ...spec, items: {} };
  return { spec: sameAgain({ spec: alone, plant, number }, { plant, shelf: fresh, times, by }).spec, shelf: fresh };
}

/** The tool store knows of the job's plates: whether they were kept is no guess. */
const formsAreKnown = (shelf: Shelf): boolean => Object.values(shelf.desks?.forms ?? {}).some((f) => f.versions.length > 0);

const priced = (way: ChildWay, child: JobSpec, made: Plan, shelf: Shelf): ShortageOption => {
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
  const { spec: alone, shelf } = childOf(ask, now, short);
  const first = plan(alone, ask.plant, shelf);
  // Plates of a gang print its other orders too: only the places of this one count.
  const shared = Object.keys(first.parts).flatMap((part) => {
    const form = bestFormOf(now, part);
    return form ? [{ part, form }] : [];
  });
  const child = { spec: shared.reduce((made, { part, form }) => onKeptForm(made, first, part, form), alone), shelf };
  const made = shared.length > 0 ? plan(child.spec, ask.plant, shelf) : first;
  const forms = made.stones.filter((s) => s.in === null).map((s) => s.id);
  const spec = dropping(child.spec, forms);
  return priced('rerun', spec, plan(spec, ask.plant, child.shelf), ask.shelf);
}

/**
 * A place on the next sheets that orders share: what it costs if one place of as many as the die has is paid of sheets and forms, and the rest alone. None where the
 * order shares no form now. The job is entered with a form of its own: whoever plans it joins it to the others.
 */
function nextGang(ask: ShortageAsk, now: Plan, short: number): ShortageOption[] {
  const { spec: alone, shelf } = childOf(ask, now, short);
  const first = plan(alone, ask.plant, shelf);
  return Object.keys(first.parts).flatMap((part) => {
    const form = bestFormOf(now, part);
    const places = now.figures[idOf(form?.slot ?? '', 'places')]?.value ?? 0;
    if (!form || places < 1) return [];
    const place = {
      ...form,
      layout: form.layout && { ...form.layout, cells: form.layout.cells.filter((c) => c.part === part).slice(0, 1) },
    };
    const made = planned(onKeptForm(alone, first, part, place), ask.plant, shelf);
    const costs = upToParting(made.contexts, part).flatMap((run) => run.costs);
    const shared = costs.reduce((sum, c) => sum + made.ledger.value(c.figure), 0);
    const option = priced('nextGang', alone, made.plan, ask.shelf);
    return [{ ...option, money: option.money - shared * (1 - 1 / places), pulled: Math.ceil(option.pulled / places), keptForms: false }];
  });
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
