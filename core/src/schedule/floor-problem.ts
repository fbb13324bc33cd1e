import type { Id } from '../quantity/figure';
import { ceilTolerant } from '../quantity/round-tolerant';
import { WASH_MINUTES } from '../ink/wash-up';
import { practiceValue } from '../plant/practice';
import type { Plant } from '../plant/plant';
import type { FloorStep } from '../plan/readings/floor-steps';
import type { Stands } from '../plan/readings/stands';
import { PROCESS_IDS } from '../processes/registry';
import type { Intervals } from '../route/intervals';
import type { At, Crew, Due, Lane, Link, Problem, Work } from './problem';

/** A released step as it stands now, or one that is only asked about. */
export interface StepOnFloor {
  job: Id<'job'>;
  facts: FloorStep;
  state: 'quoted' | 'waiting' | 'running' | 'done';
  /** Running: since when, and what is left of set-up and run by the counts. Done: since when. */
  since: At | null;
  leftS: number;
}
export interface JobOnFloor {
  job: Id<'job'>;
  name: string;
  /** What is to be delivered by when, the first first; empty: nobody said. */
  deliveries: readonly Delivery[];
}
/** So many pieces of a product by then. */
export interface Delivery {
  /** null: of all that the job makes. */
  product: Id<'product'> | null;
  quantity: number;
  at: At;
}
export interface FloorAsk {
  asOf: At;
  plant: Plant;
  /** Hours by machine; `any` stands for those without a calendar of their own. */
  open: Readonly<Record<string, Intervals>>;
  /** People that machines share. */
  crews?: Readonly<Record<Id<'crew'>, Crew>>;
  /** Jobs that make something for others and have not delivered it. */
  making: ReadonlySet<Id<'job'>>;
  jobs: readonly JobOnFloor[];
  steps: readonly StepOnFloor[];
}

const MINUTE_S = 60;
const DAY_S = 86_400;
/** A supplier takes whatever comes. */
const MANY_PLACES = 1_000;
/** Press units that are washed each by itself; more than any press has. */
const MOST_UNITS = 16;

/** The id of a step on the board. @example workId('4f', 'print.front') // '4f print.front' */
export const workId = (job: Id<'job'>, step: Id<'step'>): Id<'work'> => `${job} ${step}`;

/**
 * The board of what is released: every step on its machine, with its links, its waits, its gates and what it washes; dates and what lateness costs from the plant.
 * Work that is late by its gate alone is late on the board too. Source: released steps as the floor has them.
 */
export function problemOfFloor({ asOf, plant, open, crews = {}, making, jobs, steps }: FloorAsk): Problem {
  const price = (key: Parameters<typeof practiceValue>[1]): number => practiceValue(plant, key);
  const byJob = new Map<string, StepOnFloor[]>();
  for (const step of steps) byJob.set(step.job, [...(byJob.get(step.job) ?? []), step]);
  const machines = inOrderOfWork(steps);
  const sharing = new Set(Object.values(crews).flatMap((crew) => crew.of));
  return {
    asOf,
    lanes: Object.fromEntries(machines.map((id) => [id, laneOf(id, plant, open, asOf, standsIn(id, steps))])),
    crews,
    work: Object.fromEntries(
      steps.map((step): [string, Work] => {
        const id = workId(step.job, step.facts.step);
        const mine = workOf(step, byJob.get(step.job) ?? [], plant, sharing);
        return [id, withChildren(mine, step.facts, making, byJob)];
      }),
    ),
    jobs: Object.fromEntries(
      jobs.map(({ job, name, deliveries }) => [
        job,
        {
          name,
          dues: duesOf(job, byJob.get(job) ?? [], deliveries),
          latePerHour: price('board.latePerHour'),
          heldPerHour: price('board.heldPerHour'),
        },
      ]),
    ),
    moved: {
      shift: price('board.movedShift'),
      day: price('board.movedDay'),
      later: price('board.movedLater'),
      frozenS: price('board.frozenS'),
    },
  };
}

/** Machines in the order of the work, by the first process that is done on each: stores and forms first, packing last; likes by name. */
function inOrderOfWork(steps: readonly StepOnFloor[]): string[] {
  const first = new Map<string, { place: number; name: string }>();
  for (const { facts } of steps) {
    const place = PROCESS_IDS.indexOf(facts.process);
    const known = first.get(facts.machine);
    if (!known || place < known.place) first.set(facts.machine, { place, name: facts.machineName });
  }
  return [...first]
    .sort(([, a], [, b]) => a.place - b.place || a.name.localeCompare(b.name, 'en', { numeric: true }))
    .map(([machine]) => machine);
}

function laneOf(id: string, plant: Plant, open: FloorAsk['open'], asOf: At, keys: Lane['keys']): Lane {
  const machine = Object.hasOwn(plant.machines, id) ? plant.machines[id] : undefined;
  const isAway = machine?.outside !== undefined;
  return {
    name: machine?.name ?? id,
    // Outside the clock counts, not our hours.
    open: isAway ? [[asOf, asOf + 3_650 * DAY_S]] : (open[id] ?? open['any'] ?? []),
    keys,
    freeAt: asOf,
    places: isAway ? MANY_PLACES : Math.max(1, machine?.limits.places ?? 1),
    setupRate: machine?.setupCostPerHour ?? 0,
    change: [
      ...Array.from({ length: MOST_UNITS }, (_, i) => ({
        key: unitKey(i),
        s: WASH_MINUTES.wash * MINUTE_S,
        lighterS: WASH_MINUTES.deep * MINUTE_S,
      })),
      ...Object.entries(settingS(machine, plant)).map(([key, s]) => ({ key, s, isSet: true as const })),
    ],
  };
}

/**
 * What of a make-ready is spared where the same stands already, s: the same paper in the same size, the same die or other form of the store.
 *
 * Formula: paper: the works’ own practice value; form: what a repeat is set up quicker than new work, on this machine's card. Source: common practice, no source.
 */
const settingS = (machine: Plant['machines'][string] | undefined, plant: Plant): Record<keyof Stands, number> => ({
  paper: practiceValue(plant, 'board.paperS'),
  tool: Math.max(0, (machine?.setupS ?? 0) - (machine?.setupRepeatS ?? 0)),
});

const unitKey = (i: number): string => `unit ${i + 1}`;
const inkKeys = (inks: readonly string[] | undefined): Record<string, string> =>
  Object.fromEntries((inks ?? []).slice(0, MOST_UNITS).map((ink, i) => [unitKey(i), ink]));
const SETTINGS = ['paper', 'tool'] as const satisfies (keyof Stands)[];
/** What a step wants to find set; '' where it is set up whole in any case. */
const settingKeys = ({ stands = {} }: FloorStep): Record<keyof Stands, string> => ({ paper: stands.paper ?? '', tool: stands.tool ?? '' });
/** What stands in a machine: the setting of the step that was done on it last, and the inks of the last that was printed. */
function standsIn(machine: string, steps: readonly StepOnFloor[]): Record<string, string> {
  const done = steps.filter((s) => s.facts.machine === machine && s.state === 'done');
  const last = (of: readonly StepOnFloor[]): FloorStep | undefined =>
    of.reduce<StepOnFloor | null>((a, b) => (a && (a.since ?? 0) >= (b.since ?? 0) ? a : b), null)?.facts;
  const [before, printed] = [last(done), last(done.filter((s) => s.facts.inks))];
  return { ...inkKeys(printed?.inks), ...(before && settingKeys(before)) };
}

function workOf(
  { job, facts, state, since, leftS }: StepOnFloor,
  mine: readonly StepOnFloor[],
  plant: Plant,
  sharing: ReadonlySet<Id<'machine'>>,
): Work {
  const away = Object.hasOwn(plant.machines, facts.machine) ? plant.machines[facts.machine]?.outside : undefined;
  const hands = sharing.has(facts.machine) ? (plant.machines[facts.machine]?.crew ?? 1) : 0;
  const runS = away ? away.days * DAY_S : Math.ceil(facts.runS - 1e-6);
  const { makeReadyS, keys } = away ? { makeReadyS: 0, keys: {} } : setUpOf(facts, plant);
  return {
    job,
    step: facts.step,
    name: facts.name,
    pieces: piecesOf(facts),
    ways: [{ machine: facts.machine, makeReadyS, runS, hands, extra: 0 }],
    links: linksOf(job, facts, mine),
    keys,
    gates: (facts.gates ?? []).map(({ key, at }) => ({ key, at: Math.ceil(at), holds: key.startsWith('gate:') ? 'makeReady' : 'run' })),
    inOneGo: false,
    state: state === 'waiting' ? 'free' : state,
    ...(state === 'running' && { startedAt: Math.floor(since ?? 0), leftS: Math.ceil(leftS) }),
    ...(state === 'done' && { endedAt: Math.ceil(since ?? 0) }),
  };
}

/**
 * Work with what other jobs of the works make for it: it is not made ready before their last steps are done. What is delivered holds nothing any more; a job that
 * is not released holds it by its date.
 */
function withChildren(
  work: Work,
  { fromJobs = [] }: FloorStep,
  making: ReadonlySet<Id<'job'>>,
  byJob: ReadonlyMap<string, readonly StepOnFloor[]>,
): Work {
  if (fromJobs.length === 0) return work;
  // What is only asked about moves nobody who is released.
  const released = (job: Id<'job'>): StepOnFloor[] => (byJob.get(job) ?? []).filter((step) => step.state !== 'quoted');
  const lasts = fromJobs.filter((job) => making.has(job)).map((job) => ({ job, last: lastsOf(released(job)) }));
  const links = lasts.flatMap(({ job, last }) => last.map(({ step }): Link => ({ of: workId(job, step), by: 'forms', waitS: 0, why: '' })));
  const gates = lasts.every(({ last }) => last.length > 0) ? work.gates.filter((g) => g.key !== 'assume.job') : work.gates;
  return { ...work, links: [...work.links, ...links], gates };
}

/**
 * The part of a set-up that no order of the work spares, and what it wants to find set: its plan sets everything up anew. What finds its setting in the machine
 * by its plan already (the next version) is planned without; a set-up that is shorter than its parts is taken whole.
 */
function setUpOf(facts: FloorStep, plant: Plant): { makeReadyS: number; keys: Work['keys'] } {
  const inks = inkKeys(facts.inks);
  const whole = Math.ceil(facts.setupS - 1e-6);
  const setting = settingKeys(facts);
  if (facts.keepsFrom !== undefined) return { makeReadyS: whole, keys: { ...inks, ...setting } };
  const each = settingS(plant.machines[facts.machine], plant);
  const tool = facts.repeat ? '' : setting.tool; // it is planned as a repeat already
  const parts = SETTINGS.reduce((sum, key) => sum + ((key === 'tool' ? tool : setting[key]) === '' ? 0 : each[key]), 0);
  if (parts > whole) return { makeReadyS: whole, keys: { ...inks, paper: '', tool: '' } };
  return { makeReadyS: whole - parts, keys: { ...inks, paper: setting.paper, tool } };
}

/** What a step needs of others of its job; of older releases, what their steps say of what comes next. */
function linksOf(job: string, facts: FloorStep, mine: readonly StepOnFloor[]): Link[] {
  const known =
    facts.links ??
    facts.before.map((of) => {
      const next = mine.find((m) => m.facts.step === of)?.facts.next.find((n) => n.step === facts.step);
      return { of, by: next ? ('pieces' as const) : ('forms' as const), waitS: next?.waitS ?? 0, why: '' };
    });
  // Whose setting it finds has to have run before it.
  const kept = facts.keepsFrom;
  const all =
    kept === undefined || known.some((l) => l.of === kept) ? known : [...known, { of: kept, by: 'order' as const, waitS: 0, why: '' }];
  return all.flatMap(({ of, by, waitS, why }) => {
    const maker = mine.find((m) => m.facts.step === of)?.facts;
    if (!maker) return [];
    const batch = by === 'pieces' && maker.pileCycles !== undefined ? { batch: maker.pileCycles } : {};
    return [{ of: workId(job, of), by, waitS: Math.max(0, Math.ceil(waitS - 1e-6)), why, ...batch }];
  });
}

/** What a job is due by: each of its last steps by the deliveries of its product, in their shares of what it makes. */
function duesOf(job: string, mine: readonly StepOnFloor[], deliveries: readonly Delivery[]): Due[] {
  const lasts = lastsOf(mine);
  return lasts.flatMap((last) => {
    const own = deliveries.filter((d) => d.product !== null && last.step.startsWith(`${d.product}.`));
    const of = (own.length > 0 ? [...own] : [...deliveries]).sort((a, b) => a.at - b.at);
    const all = of.reduce((sum, d) => sum + d.quantity, 0);
    let asked = 0;
    const given = new Map<string, number>();
    return of.map(({ quantity, at }, i) => {
      asked += quantity;
      const { step, upTo } = i === of.length - 1 || all <= 0 ? { step: last, upTo: piecesOf(last) } : partOf(last, asked / all, mine);
      const pieces = upTo - (given.get(step.step) ?? 0);
      given.set(step.step, upTo);
      return { work: workId(job, step.step), pieces, at, share: (all > 0 ? quantity / all : 1 / of.length) / lasts.length };
    });
  });
}
/** The steps of a job after which none comes. */
function lastsOf(mine: readonly StepOnFloor[]): FloorStep[] {
  const needed = new Set(mine.flatMap((m) => m.facts.before));
  return mine.filter((m) => !needed.has(m.facts.step)).map((m) => m.facts);
}
const piecesOf = (facts: FloorStep): number => Math.max(1, Math.ceil(facts.run));
/** The step that has made a part of the whole, and its pieces by then: one pallet may hold all parts, so that its cartons tell them apart. */
function partOf(last: FloorStep, share: number, mine: readonly StepOnFloor[]): { step: FloorStep; upTo: number } {
  const upTo = Math.min(piecesOf(last), Math.max(1, ceilTolerant(last.run * share)));
  const maker = (last.links ?? []).find((l) => l.by === 'pieces')?.of;
  const before = upTo < piecesOf(last) ? undefined : mine.find((m) => m.facts.step === maker)?.facts;
  return before ? partOf(before, share, mine) : { step: last, upTo };
}
