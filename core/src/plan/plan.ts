import type { Id } from '../quantity/figure';
import { hashInOrder, inKeyOrder } from '../quantity/hash';
import { Ledger } from '../quantity/ledger';
import type { Scene } from '../scene/scene';
import type { Plant, Shelf } from '../plant/plant';
import type { Net } from '../flow/net';
import { anyCounted, solveForward } from '../flow/solve-forward';
import { LAYOUTERS } from '../layout/layouters';
import type { LayoutQuestion } from '../layout/layouter';
import type { JobSpec } from '../product/job-spec';
import { forecastRange } from '../counts/forecast-range';
import { PROCESSES } from '../processes/registry';
import { FAMILIES } from '../families/registry';
import { CORE_VERSION } from './core-version';
import { findAll } from './findings/find-all';
import { consumedByAll } from './passes/alike';
import { chanceOf } from './passes/certainty';
import { countAll, wishFor } from './passes/count';
import { draftAll } from './passes/draft';
import { gangMoney } from './passes/gang-money';
import { withGangRuns } from './passes/gang-runs';
import { wantedRows } from './passes/items';
import { layOutParts } from './passes/layout';
import { arrivalsOf, layOutTime, withGates } from './passes/ready';
import { type Registries, resolveRoute } from './passes/resolve';
import { type PlannedRun, shownRun, stonesOf } from './passes/stones';
import { totalFigures } from './passes/totals';
import { wasteFigures } from './passes/waste';
import type { Plan } from './plan-types';

export const REGISTRIES: Registries = { families: FAMILIES, processes: PROCESSES, layouters: LAYOUTERS };

/** A plan with what its drawings need; lives in memory only. */
export interface Planned {
  plan: Plan;
  /** The runs of its stones, in the order of the route. */
  contexts: PlannedRun[];
  ledger: Ledger;
  /** What a search for the layout of a part would be asked. */
  asks: Record<Id<'form'>, LayoutQuestion>;
}

/** The one door: the whole plan from the specification, the plant and the shelf. Pure; never throws for what the schemas let in. */
export const plan = (spec: JobSpec, plant: Plant, shelf: Shelf, registries: Registries = REGISTRIES): Plan =>
  planned(spec, plant, shelf, registries).plan;

/** The drawing of a stone, or of one of its runs. */
export function sceneOf({ contexts }: Planned, stone: Id<'stone'>): Scene | null {
  const found = contexts.find((c) => c.cx.id === stone) ?? contexts.find((c) => c.cx.stone === stone);
  return found ? found.stone.process.scene(found.cx) : null;
}

const read = new WeakMap<object, { ordered: object; hash: string }>();
/** Plants and shelves are immutable and large: put in key order and hashed once each. */
function orderedOnce<T extends object>(document: T): { ordered: T; hash: string } {
  const known = read.get(document) as { ordered: T; hash: string } | undefined;
  if (known) return known;
  const ordered = inKeyOrder(document);
  const made = { ordered, hash: hashInOrder(ordered) };
  read.set(document, made);
  return made;
}

/** plan() with its runs kept for drawings. Passes: parts → gangs → asks → layout → draft → runs of gangs → solve → consume → findings. */
export function planned(specAsRead: JobSpec, plantAsRead: Plant, shelfAsRead: Shelf, registries: Registries = REGISTRIES): Planned {
  const spec = inKeyOrder(specAsRead);
  const { ordered: plant, hash: plantHash } = orderedOnce(plantAsRead);
  const { ordered: shelf, hash: shelfHash } = orderedOnce(shelfAsRead);
  const ledger = new Ledger(spec.overrides, shelf.asOf);
  const route = resolveRoute(spec, plant, shelf, ledger, registries);
  const laid = layOutParts(route, spec, plant, shelf, ledger, registries.layouters);
  const drafted = draftAll(route, laid.forms, spec.choices);
  const { items, wanted, findings } = wantedRows(spec, drafted.goods, ledger);
  const net: Net = { flows: drafted.flows, steps: withGates(withGangRuns(drafted, wanted, spec, ledger), spec.gates), wanted };
  const { losses } = drafted;
  const { counts, reserved } = countAll({ net, losses, items, ledger }, wishFor(spec, losses, plant, ledger));
  const runs = drafted.runs.map((run) => ({ ...run, cx: { ...run.cx, counts, steps: net.steps, tools: drafted.tools } }));
  const consumed = runs.map(({ stone, cx }) => consumedByAll(stone.process.consume(cx), cx.form?.alike ?? 1, ledger));
  const assumptions = layOutTime(net, plant, shelf, arrivalsOf(net, drafted.tools, plant, shelf, ledger), spec.gates, ledger);
  const real = anyCounted(net, shelf.counted);
  if (real) solveForward(net, counts, shelf.counted, ledger);
  for (const [id, item] of Object.entries(items)) {
    item.chance = chanceOf(id, { net, counts, losses, items, ledger });
    if (real) item.forecast = forecastRange(id, item, net, shelf.counted, losses, ledger);
  }
  gangMoney(route.gangs, laid.forms, runs, consumed, ledger);
  const made = new Set(Object.values(route.parts).map((p) => p.product));
  const contexts = runs.map((run, i): PlannedRun => ({
    ...run,
    costs: consumed[i]?.costs ?? [],
    shown: shownRun(run, made, net, counts, real),
  }));
  const stones = stonesOf(contexts, ledger);
  const wasteKg = wasteFigures(
    contexts.map((c) => c.cx),
    consumed,
    net,
    ledger,
  );
  const totals = totalFigures(
    consumed,
    wasteKg,
    contexts.map((c) => c.shown),
    stones,
    items,
    net,
    reserved,
    ledger,
  );
  const complete: Plan = {
    of: { core: CORE_VERSION, spec: hashInOrder(spec), plant: plantHash, shelf: shelfHash },
    parts: route.parts,
    forms: Object.fromEntries(laid.forms.map((f) => [f.id, f])),
    gangs: route.gangs,
    tools: drafted.tools,
    flows: net.flows,
    steps: net.steps,
    stones,
    counts,
    items,
    assumptions,
    figures: ledger.figures,
    totals,
    findings: [],
  };
  complete.findings = findAll({ plan: complete, spec, plant, shelf, ledger, contexts, routed: route.stones }, [
    ...route.findings,
    ...laid.findings,
    ...findings,
  ]);
  return { plan: complete, contexts, ledger, asks: laid.asks };
}
