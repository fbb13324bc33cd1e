import type { Id } from '../../quantity/figure';
import { versionsOf } from '../../product/versions';
import { idOf } from '../../quantity/id-of';
import type { Ledger } from '../../quantity/ledger';
import { type Machine, type Plant, type Shelf, type Stock, machinesFor } from '../../plant/plant';
import { pressSheet } from '../../stock/press-sheet';
import type { Layouter } from '../../layout/layouter';
import { LAYOUTERS } from '../../layout/layouters';
import type { FamilyId, JobSpec } from '../../product/job-spec';
import type { Part } from '../../product/part';
import type { Process, ProcessContext } from '../../processes/process';
import type { Family } from '../../families/family';
import type { Finding } from '../../processes/finding';
import { gangTogether } from './gangs';
import type { StoneWish } from './stone-wish';

/** The registries a plan works with; tests bring their own. */
export interface Registries {
  families: Readonly<Record<string, Family<FamilyId>>>;
  processes: Readonly<Record<Id<'process'>, Process>>;
  layouters: Readonly<Record<Id<'layouter'>, Layouter>>;
}

/** A stone before anything is counted: its process and what every pass tells it. */
export interface RoutedStone extends Omit<StoneWish, 'process' | 'parts' | 'settings'> {
  process: Process;
  cx: ProcessContext;
  missingMachine: boolean;
}
export interface Route {
  parts: Record<Id<'part'>, Part>;
  stones: RoutedStone[];
  /** What each product joins (sets) or brings from outside (supplied). */
  joins: Record<Id<'product'>, { product: Id<'product'>; times: number }[]>;
  supplied: Id<'product'>[];
  itemOf: Record<Id<'product'>, Id<'item'>>;
  gangs: Record<Id<'form'>, Id<'part'>[]>;
  findings: Finding[];
}

/** Stands in where the plant has no machine for a process: it computes, and a finding blocks the release. */
const NO_MACHINE: Machine = {
  name: '–',
  processes: [],
  perHour: 1_000,
  netPerHour: 1_000,
  crew: 1,
  setupS: 0,
  setupRepeatS: 0,
  setupCostPerHour: 0,
  runCostPerHour: 0,
  limits: {},
};

/** First pass: parts and stones of every product, gangs brought together, each stone with its machine. */
export function resolveRoute(spec: JobSpec, plant: Plant, shelf: Shelf, ledger: Ledger, registries: Registries): Route {
  const route: Route = { parts: {}, stones: [], joins: {}, supplied: [], itemOf: {}, gangs: {}, findings: [] };
  const wishes: StoneWish[] = [];
  for (const [item, { product }] of Object.entries(spec.items))
    wishes.push(...wishesOf(product, item, route, spec, plant, ledger, registries));
  const ganged = gangTogether(
    wishes.filter((w) => !spec.choices.route.drop.includes(w.id)),
    route.parts,
    spec,
    plant,
    registries.processes,
  );
  route.gangs = ganged.gangs;
  route.findings.push(...ganged.findings);
  for (const wish of ganged.wishes) {
    if (spec.choices.route.drop.includes(wish.id)) continue;
    const stone = stoneOf(wish, spec, plant, shelf, ledger, registries);
    if (stone) route.stones.push(stone);
    else {
      const process = Object.hasOwn(spec.choices.process ?? {}, wish.id) ? (spec.choices.process?.[wish.id] ?? '') : wish.process;
      route.findings.push({ code: 'process.unknown', level: 'release', at: wish.id, args: { process }, remedies: [] });
    }
  }
  return route;
}

/** The stones a product wishes, those of what it is made of first. */
function wishesOf(
  product: Id<'product'>,
  item: Id<'item'>,
  route: Route,
  spec: JobSpec,
  plant: Plant,
  ledger: Ledger,
  registries: Registries,
): StoneWish[] {
  const wanted = spec.products[product];
  if (product in route.itemOf || !wanted) return [];
  route.itemOf[product] = item;
  if (wanted.kind === 'supplied') {
    route.supplied.push(product);
    return [];
  }
  if (wanted.kind === 'set') {
    const members = wanted.of.flatMap((m) => wishesOf(m.product, item, route, spec, plant, ledger, registries));
    route.joins[product] = wanted.of;
    const id = idOf(product, 'assemble');
    return [...members, { id, key: 'assemble', process: wanted.by, settings: {}, parts: [], family: 'set', products: [product] }];
  }
  const family = registries.families[wanted.family];
  if (!family) return [];
  const parts = family.parts({ product, item }, wanted.wish, plant, ledger);
  Object.assign(route.parts, parts);
  return family.route(wanted.wish, parts, spec.choices).map(({ of, ...stone }): StoneWish => ({
    ...stone,
    id: idOf(of[0] ?? product, stone.key),
    parts: of.flatMap((p) => parts[p] ?? []),
    family: wanted.family,
    products: [product],
  }));
}

/** A stone with its process and machine; null where no such process may stand there. */
function stoneOf(
  { process: wished, parts, settings, ...wish }: StoneWish,
  spec: JobSpec,
  plant: Plant,
  shelf: Shelf,
  ledger: Ledger,
  { processes, layouters }: Registries,
): RoutedStone | null {
  const { process: instead = {}, settings: set } = spec.choices;
  const id = Object.hasOwn(instead, wish.id) ? (instead[wish.id] ?? wished) : wished;
  const process = Object.hasOwn(processes, id) ? processes[id] : undefined;
  const mayStand = process !== undefined && (id === wished || (process.insteadOf ?? []).includes(wished));
  if (!mayStand || (wish.family === 'set' && !process.joins)) return null;
  const machineId = machineFor(wish.id, process, parts, spec, plant, layouters);
  return {
    ...wish,
    process,
    missingMachine: machineId === null,
    cx: {
      id: wish.id,
      stone: wish.id,
      process: id,
      parts,
      versions: wish.products.flatMap((p) => versionsOf(spec, p)),
      settings: { ...settings, ...(Object.hasOwn(set, wish.id) ? set[wish.id] : {}) },
      machineId: machineId ?? '',
      machine: (machineId === null ? undefined : plant.machines[machineId]) ?? NO_MACHINE,
      plant,
      shelf,
      ledger,
    },
  };
}

/** The machine chosen for a step; else the plant's first that suits the parts and takes a sheet they could be made from; else the first that can do the process. */
function machineFor(
  stone: Id<'stone'>,
  process: Process,
  parts: Part[],
  spec: JobSpec,
  plant: Plant,
  layouters: Registries['layouters'],
): Id<'machine'> | null {
  const can = (id: string | undefined): boolean =>
    id !== undefined && Object.hasOwn(plant.machines, id) && (plant.machines[id] as Machine).processes.includes(process.id);
  const chosen = Object.hasOwn(spec.choices.machine, stone) ? spec.choices.machine[stone] : undefined;
  if (can(chosen)) return chosen as string;
  const able = machinesFor(plant, process.id).map(([id]) => id);
  const suits = (id: string): boolean => {
    const machine = plant.machines[id] as Machine;
    return (
      (process.suits?.(machine, parts) ?? true) &&
      parts.every(
        (p) =>
          p.grade === null ||
          couldBe(p, spec, plant, layouters).some(([, s]) => {
            const b = stockBeyond(s, machine);
            return b.overMm === 0 && b.underMm === 0;
          }),
      )
    );
  };
  const suiting = able.filter(suits);
  const preferred = suiting.find((id) => process.prefers?.(plant.machines[id] as Machine, parts) ?? true);
  return preferred ?? suiting[0] ?? able[0] ?? null;
}

/** The sheets a part can be made from: the chosen stock alone, else its grade. */
function couldBe(part: Part, spec: JobSpec, plant: Plant, layouters: Registries['layouters']): [Id<'stock'>, Stock][] {
  const own: string = part.id;
  const chosen = Object.hasOwn(spec.choices.stock, own) ? spec.choices.stock[own] : undefined;
  const stock = chosen === undefined ? undefined : plant.stocks[chosen];
  return stock && chosen !== undefined ? [[chosen, stock]] : stocksOfGrade(plant, part, layouters);
}

/** Whether a stock comes as the part is laid on it: rolls, sheets with their length, boards. */
export function comesRight(
  part: Pick<Part, 'layouter'>,
  stock: Stock | undefined,
  layouters: Registries['layouters'] = LAYOUTERS,
): boolean {
  const form = Object.hasOwn(layouters, part.layouter) ? layouters[part.layouter]?.stock : undefined;
  return stock !== undefined && stock.form === form && (form === 'roll' || stock.lengthMm !== undefined);
}

/** Stocks of a part's grade that come as it needs them. */
export const stocksOfGrade = (plant: Plant, part: Part, layouters: Registries['layouters'] = LAYOUTERS): [Id<'stock'>, Stock][] =>
  Object.entries(plant.stocks).filter(([, s]) => comesRight(part, s, layouters) && s.grade === part.grade);

/** Whether a sheet lies within what a machine takes; null limits take all. Returns by how much it is over or under, in mm. */
export function sheetBeyond(
  sheet: readonly [number, number],
  machine: { minSheetMm?: readonly [number, number]; maxSheetMm?: readonly [number, number] },
): { overMm: number; underMm: number } {
  const over = machine.maxSheetMm ? Math.max(sheet[0] - machine.maxSheetMm[0], sheet[1] - machine.maxSheetMm[1], 0) : 0;
  const under = machine.minSheetMm ? Math.max(machine.minSheetMm[0] - sheet[0], machine.minSheetMm[1] - sheet[1], 0) : 0;
  return { overMm: over, underMm: under };
}

/** The same for any stock: of a roll the width counts, on machines that say which webs they take. */
export function stockBeyond(stock: Stock, machine: Machine): { overMm: number; underMm: number } {
  if (stock.form !== 'roll') return sheetBeyond(pressSheet(stock), machine);
  const { minWebMm, maxWebMm } = machine.limits;
  return {
    overMm: maxWebMm === undefined ? 0 : Math.max(stock.widthMm - maxWebMm, 0),
    underMm: minWebMm === undefined ? 0 : Math.max(minWebMm - stock.widthMm, 0),
  };
}

/** The stock chosen for a part or gang; else the first of its grade that every sheet machine on the route takes; else the first of its grade. */
export function stockFor(
  slot: Id<'form'>,
  part: Part,
  machines: readonly Machine[],
  spec: JobSpec,
  plant: Plant,
  layouters: Registries['layouters'],
): Id<'stock'> | null {
  const chosen = Object.hasOwn(spec.choices.stock, slot) ? spec.choices.stock[slot] : undefined;
  if (chosen !== undefined && comesRight(part, plant.stocks[chosen], layouters)) return chosen;
  const grade = stocksOfGrade(plant, part, layouters);
  const fits = grade.find(([, s]) =>
    machines.every((m) => {
      const b = stockBeyond(s, m);
      return b.overMm === 0 && b.underMm === 0;
    }),
  );
  return (fits ?? grade[0])?.[0] ?? null;
}
