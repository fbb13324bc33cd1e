import type { Id, Term } from '../../quantity/figure';
import { idOf } from '../../quantity/id-of';
import { type Ledger, fig } from '../../quantity/ledger';
import { childOf, type Plant, type Shelf } from '../../plant/plant';
import { type Net, makersFirst, type Step } from '../../flow/net';
import type { JobSpec } from '../../product/job-spec';
import { layIntoOpenHours } from '../../route/open-hours';
import { OUTSIDE_END } from '../../route/outside-work';
import { END, LATER, LATEST, START } from '../../route/time-and-cost';
import { byNumbers } from '../../quantity/by-numbers';
import type { Plan } from '../plan-types';
import { ofAllAlike } from './alike';

const DAY_S = 86_400;
const GATE = 'gate:';
/** The key of the shelf under which a gate's answer comes. */
export const gateKey = (gate: Id<'gate'>): string => GATE + gate;

/** Steps with the gates they wait for: those of a gated stone; for a gate that holds the release, the steps nothing comes before. */
export function withGates(steps: Net['steps'], gates: JobSpec['gates']): Net['steps'] {
  const all = Object.entries(gates ?? {});
  if (all.length === 0) return steps;
  const made = new Set(Object.values(steps).flatMap((s) => s.gives.map((g) => g.flow)));
  const isFirst = (s: Step): boolean => s.takes.every((t) => !made.has(t.flow)) && (s.after ?? []).length === 0;
  return Object.fromEntries(
    Object.entries(steps).map(([id, step]) => {
      const mine = all.filter(([, g]) => (g.holds === 'release' ? isFirst(step) : g.holds === step.stone));
      return [id, mine.length === 0 ? step : { ...step, needs: [...step.needs, ...mine.map(([g]) => ({ gate: gateKey(g) }))] }];
    }),
  );
}

/** The version of the artwork somebody said yes to: of the contract proof where one is asked for, else of the file proof; null: nobody did yet. */
export function approvedVersion(gates: JobSpec['gates'], answers: Shelf['gates']): string | null {
  const all = Object.entries(gates ?? {});
  for (const kind of ['contractProof', 'fileProof'] as const) {
    const yes = all.filter(([id, g]) => g.kind === kind && answers[gateKey(id)]?.state === 'open');
    if (yes.length > 0)
      return (
        yes
          .map(([, g]) => g.version)
          .sort(byNumbers)
          .at(-1) ?? null
      );
  }
  return null;
}

/** When the work released before this job is off a machine; null: there is none. */
function busyUntil(machine: Id<'machine'>, { busy = {}, asOf }: Shelf, hours: [number, number][]): { until: number; job: number } | null {
  const ahead = Object.hasOwn(busy, machine) ? busy[machine] : undefined;
  if (!ahead || !(ahead.seconds > 0)) return null;
  const { closedBefore, closedWithin } = layIntoOpenHours(hours, asOf, Math.ceil(ahead.seconds));
  return { until: asOf + closedBefore + Math.ceil(ahead.seconds) + Math.round(closedWithin), job: ahead.job };
}

export interface Arrival {
  step: Id<'step'>;
  at: number;
  code: string;
  args: Record<string, string | number>;
}

/**
 * When each step starts and ends if steps are laid one after another into open hours, and what that assumes. Where the shelf says what is released on a machine with
 * an earlier date, that work is laid before: jobs wait for each other in the order of their dates, until somebody orders the machines by hand.
 * A step starts when all it takes is made, its forms are there, its waits are over by the clock, and what it needs from outside has come.
 */
export function layOutTime(
  net: Net,
  plant: Plant,
  shelf: Shelf,
  arrivals: readonly Arrival[],
  gates: JobSpec['gates'],
  ledger: Ledger,
): Plan['assumptions'] {
  // One machine does one thing at a time: its next step waits for the one before. Benches and stores say how many places they have.
  const lastOn = new Map<Id<'machine'>, Id<'step'>>();
  const oneAtATime = (machine: Id<'machine'>): boolean =>
    Object.hasOwn(plant.machines, machine) && !plant.machines[machine]?.outside && (plant.machines[machine]?.limits.places ?? 1) <= 1;
  const { order } = makersFirst(net.steps);
  const makers = new Map<Id<'flow'>, Id<'step'>>();
  for (const [id, s] of Object.entries(net.steps)) for (const { flow } of s.gives) makers.set(flow, id);
  const assumptions: Plan['assumptions'] = [{ code: shelf.busy ? 'assume.byDate' : 'assume.nobodyElse', args: {} }];
  const hoursOf = (machine: Id<'machine'>): [number, number][] =>
    shelf.open[machine] ?? shelf.open['any'] ?? [[0, Number.MAX_SAFE_INTEGER]];
  let known = true;
  for (const id of order) {
    const step = net.steps[id];
    if (!step) continue;
    const after: Record<string, Term> = { now: { value: shelf.asOf, unit: 'moment', from: 'shelf', at: 'clock' } };
    for (const before of [...step.takes.flatMap(({ flow }) => makers.get(flow) ?? []), ...(step.after ?? [])])
      if (ledger.has(idOf(before, 'endAt'))) after[before] = fig(idOf(before, 'endAt'));
    const busy = lastOn.get(step.machine);
    if (busy !== undefined && !Object.hasOwn(after, busy)) after['machine free'] = fig(idOf(busy, 'endAt'));
    const before = oneAtATime(step.machine) && busy === undefined ? busyUntil(step.machine, shelf, hoursOf(step.machine)) : null;
    if (before)
      after['work before it'] = { value: before.until, unit: 'moment', from: 'shelf', at: `machine:${step.machine}, job ${before.job}` };
    if (oneAtATime(step.machine)) lastOn.set(step.machine, id);
    step.waits.forEach((wait, i) => {
      ledger.figure(`${id}.waited.${i}`, LATER, { from: fig(idOf(wait.after, 'endAt')), by: fig(wait.figure) });
      after[`wait ${wait.why} ${i + 1}`] = fig(`${id}.waited.${i}`);
    });
    // Of several things of a kind the last one holds it.
    for (const a of arrivals.filter((x) => x.step === id).sort((x, y) => x.at - y.at))
      after[a.code] = { value: a.at, unit: 'moment', from: 'shelf', at: a.code };
    for (const { gate } of step.needs) {
      const state = Object.hasOwn(shelf.gates, gate) ? shelf.gates[gate] : undefined;
      if (state?.state === 'waiting' && state.by !== undefined) {
        after[gate] = { value: state.by, unit: 'moment', from: 'shelf', at: `gate:${gate}` };
        const wished = gates?.[gate.slice(GATE.length)];
        const args = { what: wished ? `gate.${wished.kind}` : gate, version: wished?.version ?? '', by: state.by };
        if (!assumptions.some((a) => a.args['what'] === args.what && a.args['version'] === args.version))
          assumptions.push({ code: 'assume.gate', args });
      }
    }
    const earliest = ledger.figure(idOf(id, 'afterAt'), LATEST, after);
    const [setupS, runS] = ['setupS', 'runS'].map((what) => ofAllAlike(idOf(id, what), step.alike ?? 1, ledger)) as [string, string];
    const length = Math.ceil(ledger.value(setupS) + ledger.value(runS) - 1e-9);
    // Said only where it is what the step waits for.
    if (before !== null && earliest === before.until)
      assumptions.push({
        code: 'assume.busy',
        args: { job: before.job, machine: plant.machines[step.machine]?.name ?? step.machine, by: before.until },
      });
    const placed = layIntoOpenHours(hoursOf(step.machine), earliest, Math.max(length, 0));
    known &&= placed.known;
    ledger.figure(idOf(id, 'startAt'), START, {
      after: fig(idOf(id, 'afterAt')),
      closedS: { value: placed.closedBefore, unit: 's', from: 'shelf', at: `hours:${step.machine}` },
    });
    if (step.outside) {
      ledger.figure(idOf(id, 'endAt'), OUTSIDE_END, {
        start: fig(idOf(id, 'startAt')),
        daysS: { value: step.outside.days * DAY_S, unit: 's', from: 'plant', at: `machine:${step.machine}.outside` },
        ...(step.outside.returnBy !== null && {
          returnBy: { value: step.outside.returnBy, unit: 'moment', from: 'typed', at: 'returnBy' } as const,
        }),
      });
      continue;
    }
    ledger.figure(idOf(id, 'endAt'), END, {
      start: fig(idOf(id, 'startAt')),
      setupS: fig(setupS),
      runS: fig(runS),
      closedS: { value: Math.round(placed.closedWithin), unit: 's', from: 'shelf', at: `hours:${step.machine}` },
    });
  }
  for (const a of arrivals) assumptions.push({ code: a.code, args: { ...a.args, by: a.at } });
  if (!known) assumptions.push({ code: 'assume.hoursUnknown', args: {} });
  return assumptions;
}

/** What comes from outside before a step can start: stock to buy, dies to buy. */
export function arrivalsOf(net: Net, tools: Plan['tools'], plant: Plant, shelf: Shelf, ledger: Ledger): Arrival[] {
  const arrivals: Arrival[] = [];
  for (const [id, step] of Object.entries(net.steps)) {
    for (const { flow } of step.takes) {
      const supply = net.flows[flow]?.supply;
      if (supply?.from === 'stock') {
        const free = freeStock(shelf, supply.stock);
        const need = neededOf(net, supply.stock, ledger);
        const days = plant.stocks[supply.stock]?.leadDays ?? 0;
        if (need > free)
          arrivals.push({
            step: id,
            at: comesBy(shelf, supply.stock, need - free) ?? shelf.asOf + days * DAY_S,
            code: 'assume.stock',
            args: { stock: plant.stocks[supply.stock]?.name ?? '' },
          });
      } else if (supply?.from === 'job') arrivals.push(...childArrival(id, supply.job, shelf));
      else if (supply?.from === 'buy')
        arrivals.push({
          step: id,
          at: shelf.asOf + supply.leadDays * DAY_S,
          code: 'assume.goods',
          args: { what: flow.split('.').at(-1) ?? flow },
        });
    }
    for (const { tool } of step.needs) {
      const use = tool === undefined ? undefined : tools[tool];
      if (use?.supply.from === 'job') arrivals.push(...childArrival(id, use.supply.job, shelf));
      if (use?.supply.from === 'buy')
        arrivals.push({ step: id, at: shelf.asOf + use.supply.leadDays * DAY_S, code: 'assume.tool', args: { tool: use.spec } });
    }
  }
  return arrivals;
}

/** What another job of the works makes for a step comes when that job is ready; what it has delivered lies in the store. */
function childArrival(step: Id<'step'>, job: Id<'job'>, shelf: Shelf): Arrival[] {
  const child = childOf(shelf, job);
  return child && !child.delivered ? [{ step, at: child.readyAt, code: 'assume.job', args: { job: child.number, name: child.name } }] : [];
}

/** What a job takes of a stock in all, whichever of its parts are made of it. */
export const neededOf = ({ flows }: Pick<Net, 'flows'>, stock: Id<'stock'>, ledger: Ledger): number =>
  Object.entries(flows).reduce(
    (sum, [id, f]) => sum + (f.supply?.from === 'stock' && f.supply.stock === stock ? ledger.value(idOf(id, 'demand')) : 0),
    0,
  );

/** When what was ordered covers what is short; null where it does not, and more must be ordered. */
function comesBy(shelf: Shelf, stock: Id<'stock'>, short: number): number | null {
  let left = short;
  for (const [at, quantity] of [...(shelf.coming?.[stock] ?? [])].sort((a, b) => a[0] - b[0])) {
    left -= quantity;
    if (left <= 0) return at;
  }
  return null;
}

/** Sheets of a stock the works owns and has not promised elsewhere. */
export const freeStock = (shelf: Shelf, stock: Id<'stock'>, owner: 'works' | 'customer' = 'works'): number =>
  Object.values(shelf.lots)
    .filter((l) => l.stock === stock && l.owner === owner)
    .reduce((sum, l) => sum + l.quantity, 0);
