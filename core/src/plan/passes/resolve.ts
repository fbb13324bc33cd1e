import type { Id } from '../../quantity/figure';
import { idOf } from '../../quantity/id-of';
import type { Ledger } from '../../quantity/ledger';
import type { Machine, Plant, Shelf, Stock } from '../../plant/plant';
import type { FamilyId, JobSpec } from '../../product/job-spec';
import type { Part } from '../../product/part';
import type { Process, ProcessContext } from '../../processes/process';
import type { Family } from '../../families/family';
import type { Finding } from '../plan-types';

/** The registries a plan works with; tests bring their own. */
export interface Registries {
  families: Readonly<Record<string, Family<FamilyId>>>;
  processes: Readonly<Record<Id<'process'>, Process>>;
}

/** A stone before anything is counted: its process and what every pass tells it. */
export interface RoutedStone {
  key: string;
  family: string;
  product: Id<'product'>;
  item: Id<'item'>;
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

/** First pass: parts and stones of every product, each stone with its machine. */
export function resolveRoute(spec: JobSpec, plant: Plant, shelf: Shelf, ledger: Ledger, { families, processes }: Registries): Route {
  const route: Route = { parts: {}, stones: [], joins: {}, supplied: [], itemOf: {}, findings: [] };
  const visit = (product: Id<'product'>, item: Id<'item'>): void => {
    if (product in route.itemOf) return;
    route.itemOf[product] = item;
    const wanted = spec.products[product];
    if (!wanted) return;
    if (wanted.kind === 'supplied') return void route.supplied.push(product);
    if (wanted.kind === 'set') {
      for (const member of wanted.of) visit(member.product, item);
      route.joins[product] = wanted.of;
      addStone({
        key: 'assemble',
        process: wanted.by,
        settings: {},
        id: idOf(product, 'assemble'),
        parts: [],
        family: 'set',
        product,
        item,
      });
      return;
    }
    const family = families[wanted.family];
    if (!family) return;
    const parts = family.parts({ product, item }, wanted.wish, plant, ledger);
    Object.assign(route.parts, parts);
    for (const stone of family.route(wanted.wish, parts)) {
      const lead = stone.of[0] ?? product;
      addStone({
        key: stone.key,
        process: stone.process,
        settings: stone.settings,
        id: idOf(lead, stone.key),
        parts: stone.of.flatMap((id) => parts[id] ?? []),
        family: wanted.family,
        product,
        item,
      });
    }
  };
  const addStone = (s: {
    key: string;
    process: Id<'process'>;
    settings: ProcessContext['settings'];
    id: string;
    parts: Part[];
    family: string;
    product: string;
    item: string;
  }): void => {
    if (spec.choices.route.drop.includes(s.id)) return;
    const instead =
      spec.choices.process && Object.hasOwn(spec.choices.process, s.id) ? (spec.choices.process[s.id] ?? s.process) : s.process;
    const process = Object.hasOwn(processes, instead) ? processes[instead] : undefined;
    const mayStand = process !== undefined && (instead === s.process || (process.insteadOf ?? []).includes(s.process));
    if (!mayStand || (s.family === 'set' && !process.joins)) {
      route.findings.push({ code: 'process.unknown', level: 'release', at: s.id, args: { process: instead }, remedies: [] });
      return;
    }
    const machineId = machineFor(s.id, process, s.parts, spec, plant);
    const settings = { ...s.settings, ...(Object.hasOwn(spec.choices.settings, s.id) ? spec.choices.settings[s.id] : {}) };
    route.stones.push({
      key: s.key,
      family: s.family,
      product: s.product,
      item: s.item,
      process,
      missingMachine: machineId === null,
      cx: {
        id: s.id,
        process: instead,
        parts: s.parts,
        versions: versionsOf(spec, s.product),
        settings,
        machineId: machineId ?? '',
        machine: (machineId === null ? undefined : plant.machines[machineId]) ?? NO_MACHINE,
        plant,
        shelf,
        ledger,
      },
    });
  };
  for (const [item, { product }] of Object.entries(spec.items)) visit(product, item);
  return route;
}

/** Versions of a product: of all items that want it. */
const versionsOf = (spec: JobSpec, product: Id<'product'>): ProcessContext['versions'] =>
  Object.values(spec.items)
    .filter((i) => i.product === product)
    .flatMap((i) => Object.values(i.versions).map(({ name, changes }) => ({ name, changes })));

/** The machine chosen for a step; else the plant's first that suits the parts and takes a sheet they could be made from; else the first that can do the process. */
function machineFor(step: Id<'step'>, process: Process, parts: Part[], spec: JobSpec, plant: Plant): Id<'machine'> | null {
  const can = (id: string | undefined): boolean =>
    id !== undefined && Object.hasOwn(plant.machines, id) && (plant.machines[id] as Machine).processes.includes(process.id);
  const chosen = Object.hasOwn(spec.choices.machine, step) ? spec.choices.machine[step] : undefined;
  if (can(chosen)) return chosen as string;
  const able = Object.keys(plant.machines).filter(can);
  const suits = (id: string): boolean => {
    const machine = plant.machines[id] as Machine;
    return (
      (process.suits?.(machine, parts) ?? true) &&
      parts.every((p) =>
        couldBe(p, spec, plant).some(([, s]) => {
          const b = stockBeyond(s, machine);
          return b.overMm === 0 && b.underMm === 0;
        }),
      )
    );
  };
  return able.find(suits) ?? able[0] ?? null;
}

/** The sheets a part can be made from: the chosen stock alone, else its grade. */
function couldBe(part: Part, spec: JobSpec, plant: Plant): [Id<'stock'>, Stock][] {
  const chosen = Object.hasOwn(spec.choices.stock, part.id) ? spec.choices.stock[part.id] : undefined;
  const stock = chosen === undefined ? undefined : plant.stocks[chosen];
  return stock && chosen !== undefined ? [[chosen, stock]] : stocksOfGrade(plant, part);
}

/** Whether a stock comes as the part needs it: rolls for a web, sheets else. */
export const comesRight = (part: Part, stock: Stock | undefined): boolean =>
  part.web ? stock?.form === 'roll' : stock?.form === 'sheet' && stock.lengthMm !== undefined;

/** Stocks of a part's grade that come as it needs them. */
export const stocksOfGrade = (plant: Plant, part: Part): [Id<'stock'>, Stock][] =>
  Object.entries(plant.stocks).filter(([, s]) => comesRight(part, s) && s.grade === part.grade);

/** The press sheet of a stock: long side across the press. */
export const sheetOf = (stock: Stock): [long: number, short: number] => {
  const [a, b] = [stock.widthMm, stock.lengthMm ?? stock.widthMm];
  return a >= b ? [a, b] : [b, a];
};

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
  if (stock.form !== 'roll') return sheetBeyond(sheetOf(stock), machine);
  const { minWebMm, maxWebMm } = machine.limits;
  return {
    overMm: maxWebMm === undefined ? 0 : Math.max(stock.widthMm - maxWebMm, 0),
    underMm: minWebMm === undefined ? 0 : Math.max(minWebMm - stock.widthMm, 0),
  };
}

/** The stock chosen for a part; else the first of its grade that every sheet machine on the route takes; else the first of its grade. */
export function stockFor(part: Part, machines: readonly Machine[], spec: JobSpec, plant: Plant): Id<'stock'> | null {
  const chosen = Object.hasOwn(spec.choices.stock, part.id) ? spec.choices.stock[part.id] : undefined;
  if (chosen !== undefined && comesRight(part, plant.stocks[chosen])) return chosen;
  const grade = stocksOfGrade(plant, part);
  const fits = grade.find(([, s]) =>
    machines.every((m) => {
      const b = stockBeyond(s, m);
      return b.overMm === 0 && b.underMm === 0;
    }),
  );
  return (fits ?? grade[0])?.[0] ?? null;
}
