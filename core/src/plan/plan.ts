import type { Formula, Id, Term } from '../quantity/figure';
import { hashInOrder, inKeyOrder } from '../quantity/hash';
import { idOf } from '../quantity/id-of';
import { Ledger, fig, typed } from '../quantity/ledger';
import type { Scene } from '../scene/scene';
import type { Plant, Shelf } from '../plant/plant';
import type { Flow, Net, Step } from '../flow/net';
import { practiceValue } from '../plant/practice';
import { type Counts, type LossTerms, solveBackward } from '../flow/solve-backward';
import { anyCounted, solveForward } from '../flow/solve-forward';
import { copiesUp } from '../layout/layout';
import type { SheetLayoutAsk } from '../layout/sheet-layout';
import type { JobSpec } from '../product/job-spec';
import { LEAST_GOOD, MOST_GOOD } from '../counts/chance-of-enough';
import { forecastRange } from '../counts/forecast-range';
import { returnMoment } from '../route/outside-work';
import { LATEST, PER_THOUSAND, RUN_ON, SUM, TOTAL_COST } from '../route/time-and-cost';
import { type Bundle, type ConsumeContext, type Consumed, type DraftContext, type PanelRow } from '../processes/process';
import { coatSeriesFor, inkSeriesFor } from '../processes/press-inks';
import { PROCESSES } from '../processes/registry';
import { FAMILIES } from '../families/registry';
import { type Certainty, chanceOf, layReserve, LIKELY_KINDS } from './passes/certainty';
import { CORE_VERSION } from './core-version';
import { findAll } from './findings/find-all';
import { type PartLayout, layOut, workStyleFor } from './lay-out';
import { layOutWeb } from './lay-out-web';
import type { Finding, Plan, Stone } from './plan-types';
import { runOnTerms } from './passes/run-on';
import { sharing } from './passes/sharing';
import { arrivalsOf, layOutTime, withGates } from './passes/ready';
import { wasteFigures } from './passes/waste';
import { type Registries, type RoutedStone, resolveRoute, stockFor } from './passes/resolve';

export const REGISTRIES: Registries = { families: FAMILIES, processes: PROCESSES };

/** A plan with what its drawings need; lives in memory only. */
export interface Planned {
  plan: Plan;
  contexts: { stone: RoutedStone; cx: ConsumeContext }[];
  ledger: Ledger;
  /** What a search for the layout of a part would be asked. */
  asks: Record<Id<'part'>, SheetLayoutAsk>;
}

/** The one door: the whole plan from the specification, the plant and the shelf. Pure; never throws for what the schemas let in. */
export const plan = (spec: JobSpec, plant: Plant, shelf: Shelf, registries: Registries = REGISTRIES): Plan =>
  planned(spec, plant, shelf, registries).plan;

/** The drawing of a stone. */
export function sceneOf({ contexts }: Planned, stone: Id<'stage'>): Scene | null {
  const found = contexts.find((c) => c.cx.id === stone);
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

/** plan() with its contexts kept for drawings. Passes: parts → asks → layout → draft → solve → consume → findings. */
export function planned(specAsRead: JobSpec, plantAsRead: Plant, shelfAsRead: Shelf, registries: Registries = REGISTRIES): Planned {
  const spec = inKeyOrder(specAsRead);
  const { ordered: plant, hash: plantHash } = orderedOnce(plantAsRead);
  const { ordered: shelf, hash: shelfHash } = orderedOnce(shelfAsRead);
  const ledger = new Ledger(spec.overrides, shelf.asOf);
  const route = resolveRoute(spec, plant, shelf, ledger, registries);
  const laid = layOutParts(route.parts, route.stones, spec, plant, shelf, ledger);
  const drafted = draftAll(route, laid);
  const goods = (product: Id<'product'>): Id<'flow'> => drafted.goods[product] ?? idOf(product, 'goods');
  const net: Net = { flows: drafted.flows, steps: withGates(drafted.steps, spec.gates), wanted: {} };
  const items: Plan['items'] = {};
  for (const [id, item] of Object.entries(spec.items)) {
    const figures = wantedFigures(id, spec, ledger);
    const aim = Object.hasOwn(spec.choices.aim, id) ? spec.choices.aim[id] : undefined;
    const wanted = aim === undefined ? fig(figures.wanted) : typed(aim, 'piece', `choices.aim.${id}`);
    net.wanted[goods(item.product)] = { ...net.wanted[goods(item.product)], [id]: wanted };
    items[id] = { product: item.product, goods: goods(item.product), ...figures, chance: null, forecast: null };
  }
  const { counts, reserved } = countAll({ net, losses: drafted.losses, items, ledger }, wishFor(spec, drafted.losses, plant, ledger));
  const contexts = drafted.contexts.map(({ stone, cx }) => ({ stone, cx: { ...cx, counts, steps: net.steps } }));
  const consumed = contexts.map(({ stone, cx }) => stone.process.consume(cx));
  const assumptions = layOutTime(net, plant, shelf, arrivalsOf(net, drafted.tools, plant, shelf, ledger), spec.gates, ledger);
  const real = anyCounted(net, shelf.counted);
  if (real) solveForward(net, counts, shelf.counted, ledger);
  for (const [id, item] of Object.entries(items)) {
    item.chance = chanceOf(id, { net, counts, losses: drafted.losses, items, ledger });
    if (real) item.forecast = forecastRange(item.goods, id, sharing(items, id), net, shelf.counted, drafted.losses, ledger);
  }
  const stones = contexts.map(({ stone, cx }) => stoneOf(stone, cx, net, counts, real));
  const totals = totalFigures(
    consumed,
    wasteFigures(
      contexts.map((c) => c.cx),
      consumed,
      net,
      ledger,
    ),
    stones,
    items,
    net,
    reserved,
    ledger,
  );
  const complete: Plan = {
    of: { core: CORE_VERSION, spec: hashInOrder(spec), plant: plantHash, shelf: shelfHash },
    parts: route.parts,
    layouts: {},
    questions: {},
    workStyles: {},
    stocks: {},
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
  for (const [part, l] of Object.entries(laid)) {
    if (l.layout) complete.layouts[part] = l.layout;
    Object.assign(complete.questions, { [part]: l.question });
    Object.assign(complete.workStyles, { [part]: l.style });
    if (l.stockId !== null) complete.stocks[part] = l.stockId;
  }
  const findings: Finding[] = [...route.findings, ...Object.values(laid).flatMap((l) => l.findings)];
  complete.findings = findAll({ plan: complete, spec, plant, shelf, ledger, contexts, routed: route.stones }, findings);
  const asks = Object.fromEntries(Object.entries(laid).flatMap(([part, l]) => (l.ask ? [[part, l.ask]] : [])));
  return { plan: complete, contexts, ledger, asks };
}

interface LaidOut extends PartLayout {
  stockId: Id<'stock'> | null;
}

function layOutParts(
  parts: Plan['parts'],
  stones: readonly RoutedStone[],
  spec: JobSpec,
  plant: Plant,
  shelf: Shelf,
  ledger: Ledger,
): Record<Id<'part'>, LaidOut> {
  return Object.fromEntries(
    Object.values(parts).map((part): [Id<'part'>, LaidOut] => {
      const mine = stones.filter((s) => s.cx.parts.includes(part));
      const asks = mine.map((s) => ({ stone: s.cx.id, ask: s.process.asks(s.cx) }));
      const stockId = stockFor(
        part,
        mine.map((s) => s.cx.machine),
        spec,
        plant,
      );
      const stock = stockId === null ? undefined : plant.stocks[stockId];
      const press = mine.find((s) => 'units' in s.cx.machine.limits)?.cx.machine.limits ?? {};
      const style = workStyleFor(part, spec, { units: press['units'] ?? 4, perfects: (press['perfects'] ?? 0) > 0 });
      if (!stock || stockId === null) {
        const finding: Finding = { code: 'stock.none', level: 'release', at: part.id, args: { grade: part.grade }, remedies: [] };
        return [part.id, { layout: null, style, question: '', stockId: null, findings: [finding] }];
      }
      const laid = part.web
        ? layOutWeb(part, part.web, stock, stockId, mine, shelf, plant, ledger)
        : layOut(part, stock, stockId, asks, style, spec, plant, ledger);
      return [part.id, { ...laid, stockId }];
    }),
  );
}

/** A supplied product is one part, called like itself. */
const partOf = (product: string): Id<'part'> => product;

interface Drafted {
  flows: Record<Id<'flow'>, Flow>;
  steps: Record<Id<'step'>, Step>;
  losses: Record<Id<'step'>, LossTerms>;
  tools: Plan['tools'];
  goods: Record<Id<'product'>, Id<'flow'>>;
  contexts: { stone: RoutedStone; cx: Omit<ConsumeContext, 'counts' | 'steps'> }[];
}

/** Draft pass: every stone adds its steps, and hands the flow of its parts on. */
function draftAll(route: ReturnType<typeof resolveRoute>, laid: Record<Id<'part'>, LaidOut>): Drafted {
  const all: Drafted = { flows: {}, steps: {}, losses: {}, tools: {}, goods: {}, contexts: [] };
  const now: Record<Id<'part'>, Id<'flow'>> = {};
  const wet: Record<Id<'product'>, Id<'step'>[]> = {};
  const forms: Record<Id<'product'>, Id<'step'>[]> = {};
  const bundles: Record<Id<'product'>, Bundle> = {};
  const faults: Record<Id<'product'>, Term> = {};
  for (const product of route.supplied) {
    all.goods[product] = idOf(product, 'goods');
    all.flows[idOf(product, 'goods')] = {
      unit: 'piece',
      part: partOf(product),
      item: route.itemOf[product] ?? '',
      perGood: 1,
      supply: { from: 'buy', leadDays: 0 },
    };
  }
  for (const [at, stone] of route.stones.entries()) {
    const { cx, product } = stone;
    const lead = cx.parts[0];
    const l = lead ? laid[lead.id] : undefined;
    const incoming = lead
      ? cx.parts.flatMap((p) => {
          const id = now[p.id];
          return id === undefined ? [] : [{ id, flow: all.flows[id] as Flow }];
        })
      : (route.joins[product] ?? []).flatMap(({ product: member, times }) => {
          const id = all.goods[member];
          return id === undefined ? [] : [{ id, flow: all.flows[id] as Flow, times }];
        });
    // A stone whose maker was taken off the route starts from pieces that are there already.
    if (lead && incoming.length === 0)
      incoming.push({
        id: idOf(cx.id, 'in'),
        flow: {
          unit: lead.web ? 'metre' : 'sheet',
          part: lead.id,
          item: lead.item,
          perGood: (lead.web && l?.layout ? l.layout.sheetMm[1] / 1000 : 1) / Math.max(l?.layout ? copiesUp(l.layout) : 1, 1),
          supply: { from: 'here' },
        },
      });
    const stockId = l?.stockId ?? null;
    const draftCx: DraftContext = {
      ...cx,
      layout: l?.layout ?? null,
      workStyle: l?.style ?? 'simplex',
      stockId,
      stock: stockId === null ? null : (cx.plant.stocks[stockId] ?? null),
      incoming,
      wet: wet[product] ?? [],
      formsFrom: forms[product] ?? [],
      inkSeries: inkSeriesFor(cx),
      coatSeries: coatSeriesFor(cx),
      faults: faults[product] ?? null,
      faultsTakenOut: route.stones.slice(at + 1).some((s) => s.product === product && s.process.takesOutFaults === true),
      bundle: bundles[product] ?? null,
    };
    const draft = stone.process.draft(draftCx);
    for (const [id, { step, losses }] of Object.entries(draft.steps)) {
      const { outside } = cx.machine;
      all.steps[id] = outside ? { ...step, outside: { days: outside.days, returnBy: returnMoment(cx.settings['returnBy']) } } : step;
      all.losses[id] = losses;
    }
    Object.assign(all.flows, draft.flows);
    for (const { id, flow } of incoming)
      if (!Object.hasOwn(all.flows, id) && Object.values(draft.steps).some(({ step }) => step.takes.some((t) => t.flow === id)))
        all.flows[id] = flow;
    Object.assign(all.tools, draft.tools);
    if (draft.bundle) bundles[product] = draft.bundle;
    if (draft.faults) faults[product] = draft.faults;
    if (draft.wet) wet[product] = draft.wet;
    if (draft.forms) forms[product] = [...(forms[product] ?? []), ...draft.forms];
    if (draft.outgoing !== null) {
      for (const p of cx.parts) now[p.id] = draft.outgoing;
      all.goods[product] = draft.outgoing;
    }
    all.contexts.push({ stone, cx: { ...draftCx, stepIds: Object.keys(draft.steps) } });
  }
  return all;
}

function wantedFigures(id: Id<'item'>, spec: JobSpec, ledger: Ledger): { wanted: string; least: string; most: string } {
  const item = spec.items[id];
  const wanted = Object.fromEntries(
    Object.entries(item?.versions ?? {}).map(([v, { quantity }]): [string, Term] => [
      v,
      { value: quantity, unit: 'piece', from: 'typed', at: `items.${id}.versions.${v}` },
    ]),
  );
  const figures = { wanted: idOf(id, 'wanted'), least: idOf(id, 'least'), most: idOf(id, 'most') };
  ledger.figure(figures.wanted, { ...SUM, id: 'counts.wanted', unit: 'piece' }, wanted);
  ledger.figure(figures.least, LEAST_GOOD, {
    wanted: fig(figures.wanted),
    underPpm: { value: item?.overs.underPpm ?? 0, unit: 'ppm', from: 'typed', at: `items.${id}.overs` },
  });
  ledger.figure(figures.most, MOST_GOOD, {
    wanted: fig(figures.wanted),
    overPpm: { value: item?.overs.overPpm ?? 0, unit: 'ppm', from: 'typed', at: `items.${id}.overs` },
  });
  return figures;
}

/**
 * The certainty a reserve is laid for: what the job wishes. Where the works' own log tells the losses, what the works wishes, since losses that go together only
 * in part add up otherwise than handbook allowances do. Null: net and allowances, as the handbook, the plant's table or somebody by hand says them.
 */
function wishFor(spec: JobSpec, losses: Readonly<Record<Id<'step'>, LossTerms>>, plant: Plant, ledger: Ledger): number | null {
  if (spec.choices.certainty !== undefined) return spec.choices.certainty;
  const steps = Object.entries(losses);
  const byLog = steps.some(([, l]) => [l.likely?.setup, l.likely?.running].some((k) => k && 'from' in k.spread && k.spread.from === 'log'));
  const otherwise = steps.some(
    ([id, l]) => l.table !== undefined || ledger.isByHand(idOf(id, 'setupCycles')) || ledger.isByHand(idOf(id, 'runningPpm')),
  );
  return byLog && !otherwise ? practiceValue(plant, 'risk.wish') : null;
}

/**
 * Counts backward: net and allowances, step by step; where a certainty is wished for the job, once more with the reserve that it takes. `reserved`: what is pulled
 * for the reserve, beyond what was pulled without.
 */
function countAll(cx: Omit<Certainty, 'counts'>, wish: number | null): { counts: Counts; reserved: Record<Id<'flow'>, number> } {
  const { net, ledger, losses, items } = cx;
  const plain = solveBackward(net, ledger, losses);
  if (wish === null) return { counts: plain, reserved: {} };
  const laid: Record<Id<'flow'>, Record<string, Term>> = {};
  for (const id of Object.keys(items)) {
    if (sharing(items, id)[0] !== id) continue;
    for (const [flow, reserve] of Object.entries(layReserve(id, wish, { ...cx, counts: plain })))
      laid[flow] = { ...laid[flow], ...reserve };
  }
  if (Object.keys(laid).length === 0) return { counts: plain, reserved: {} };
  const before = Object.fromEntries(Object.keys(net.flows).map((f) => [f, ledger.value(idOf(f, 'demand'))]));
  net.reserve = laid;
  const counts = solveBackward(net, ledger, losses);
  const reserved = Object.fromEntries(Object.keys(net.flows).map((f) => [f, ledger.value(idOf(f, 'demand')) - (before[f] ?? 0)]));
  return { counts, reserved };
}

/** The run by the school of losses that is not in force, where the plant keeps both. */
const otherSchool = (step: Id<'step'>): PanelRow => ({ label: 'otherSchool', figure: idOf(step, 'runOther') });

function stoneOf(stone: RoutedStone, cx: ConsumeContext, net: Net, counts: Counts, real: boolean): Stone {
  const first = cx.stepIds[0];
  const last = cx.stepIds.at(-1);
  const taken = first === undefined ? undefined : net.steps[first]?.takes[0];
  const given = last === undefined ? undefined : net.steps[last]?.gives[0];
  const lost = cx.stepIds.flatMap((id) => {
    const count = counts.steps[id];
    const perGood = (net.flows[net.steps[id]?.gives[0]?.flow ?? '']?.perGood ?? 1) / (net.steps[id]?.gives[0]?.per ?? 1);
    return count ? Object.entries(count.lost).map(([kind, figure]) => ({ kind, figure, perGood })) : [];
  });
  return {
    id: cx.id,
    key: stone.key,
    process: cx.process,
    family: stone.family,
    parts: cx.parts.map((p) => p.id),
    machine: cx.machineId,
    machineName: cx.machine.name,
    outside: cx.machine.outside !== undefined,
    steps: cx.stepIds,
    summary: stone.process.summary(cx),
    panel: [...stone.process.panel(cx), otherSchool(first ?? cx.id)].filter(
      (row) => row.figure === undefined || cx.ledger.has(row.figure) || row.edit,
    ),
    cautions: [...new Set(cx.stepIds.flatMap((id) => net.steps[id]?.cautions ?? []))],
    in: (taken && counts.steps[first ?? '']?.taken[taken.flow]) ?? null,
    out: given ? (counts.demand[given.flow] ?? null) : null,
    perGoodIn: taken ? (net.flows[taken.flow]?.perGood ?? 1) : 1,
    perGoodOut: given ? (net.flows[given.flow]?.perGood ?? 1) : 1,
    lost,
    likely: cx.stepIds.flatMap((id) => LIKELY_KINDS.map((kind) => idOf(id, `likelyLost.${kind}`)).filter((f) => cx.ledger.has(f))),
    reserve: cx.stepIds.flatMap((id) => {
      const figure = idOf(id, 'reserve');
      return cx.ledger.has(figure) ? [{ figure, perGood: net.flows[net.steps[id]?.takes[0]?.flow ?? '']?.perGood ?? 1 }] : [];
    }),
    setupS: idOf(first ?? cx.id, 'setupS'),
    runS: idOf(first ?? cx.id, 'runS'),
    real: real ? realOf(cx, net) : null,
    waitS: [...new Set(cx.stepIds.flatMap((id) => net.steps[id]?.waits.map((w) => w.figure) ?? []))],
    startAt: idOf(first ?? cx.id, 'startAt'),
    endAt: idOf(last ?? cx.id, 'endAt'),
  };
}

/** Where a stone stands by the counts: what goes into its first step and comes out of its last. Null where no pieces pass. */
function realOf(cx: ConsumeContext, net: Net): Stone['real'] {
  const [first, last] = [cx.stepIds[0], cx.stepIds.at(-1)];
  const [take, give] = [net.steps[first ?? '']?.takes[0], net.steps[last ?? '']?.gives[0]];
  if (first === undefined || last === undefined || !take || !give) return null;
  return {
    run: idOf(first, 'realRun'),
    good: idOf(last, 'realGood'),
    copiesIn: take.per / (net.flows[take.flow]?.perGood ?? 1),
    copiesOut: give.per / (net.flows[give.flow]?.perGood ?? 1),
    counted: cx.stepIds.some((id) => Object.hasOwn(cx.shelf.counted, id)),
    done: cx.stepIds.every((id) => cx.shelf.counted[id]?.done === true),
  };
}

/** The foot of the screen: sums over all stones. */
function totalFigures(
  consumed: readonly Consumed[],
  wasteKg: readonly Id<'figure'>[],
  stones: readonly Stone[],
  items: Plan['items'],
  net: Net,
  reserved: Readonly<Record<Id<'flow'>, number>>,
  ledger: Ledger,
): Plan['totals'] {
  const sum = (id: string, unit: 's' | 'kg' | 'plate' | 'sheet' | 'metre', parts: readonly string[]): string => (
    ledger.figure(`total.${id}`, { ...SUM, id: `total.${id}` }, Object.fromEntries(parts.map((p) => [p, fig(p)])), unit),
    `total.${id}`
  );
  const steps = stones.flatMap((s) => s.steps);
  const costs = consumed.flatMap((c) => c.costs);
  const money = (id: string, parts: readonly string[]): string => (
    ledger.figure(`total.${id}`, TOTAL_COST, Object.fromEntries(parts.map((p) => [p, fig(p)]))),
    `total.${id}`
  );
  const total = money(
    'money',
    costs.map((c) => c.figure),
  );
  money(
    'fixed',
    costs.filter((c) => c.fixed).map((c) => c.figure),
  );
  const good = `total.good`;
  ledger.figure(
    good,
    { ...SUM, id: 'total.good', unit: 'piece' },
    Object.fromEntries(Object.values(items).map((i) => [i.goods, fig(idOf(i.goods, 'demand'))])),
  );
  ledger.figure('total.perThousand', PER_THOUSAND, { total: fig(total), good: fig(good) });
  ledger.figure('total.runOn', RUN_ON, runOnTerms(consumed, stones, items, net, ledger));
  ledger.figure(
    'total.readyAt',
    LATEST,
    Object.fromEntries(steps.filter((s) => ledger.has(idOf(s, 'endAt'))).map((s) => [s, fig(idOf(s, 'endAt'))])),
  );
  const pulledFlows = (unit: 'sheet' | 'metre'): Id<'flow'>[] =>
    Object.keys(net.flows).filter((id) => net.flows[id]?.unit === unit && net.flows[id].supply);
  const pulled = (unit: 'sheet' | 'metre'): string[] => pulledFlows(unit).map((id) => idOf(id, 'demand'));
  const [sheets, metres] = [pulled('sheet'), pulled('metre')];
  const chance = leastChance(items, ledger);
  const reserve = [...(sheets.length > 0 ? pulledFlows('sheet') : pulledFlows('metre'))].filter((f) => (reserved[f] ?? 0) > 0);
  if (reserve.length > 0)
    ledger.figure(
      'total.reserve',
      RESERVED,
      Object.fromEntries(
        reserve.flatMap((f): [string, Term][] => [
          [`with ${f}`, fig(idOf(f, 'demand'))],
          [
            `without ${f}`,
            { value: ledger.value(idOf(f, 'demand')) - (reserved[f] ?? 0), unit: 'piece', from: 'family', at: 'net + allowances' },
          ],
        ]),
      ),
      sheets.length > 0 ? 'sheet' : 'metre',
    );
  return {
    ...((sheets.length > 0 || metres.length === 0) && { sheets: sum('sheets', 'sheet', sheets) }),
    ...(metres.length > 0 && { metres: sum('metres', 'metre', metres) }),
    money: total,
    perThousand: 'total.perThousand',
    runOn: 'total.runOn',
    readyAt: 'total.readyAt',
    machineS: sum(
      'machineS',
      's',
      steps.flatMap((s) => [idOf(s, 'setupS'), idOf(s, 'runS')]),
    ),
    waitS: sum('waitS', 's', [...new Set(stones.flatMap((s) => s.waitS))]),
    inkKg: sum(
      'inkKg',
      'kg',
      consumed.flatMap((c) => c.inkKg ?? []),
    ),
    plates: sum(
      'plates',
      'plate',
      consumed.flatMap((c) => c.plates ?? []),
    ),
    wasteKg: sum('wasteKg', 'kg', wasteKg),
    ...(chance && { chance }),
    ...(reserve.length > 0 && { reserve: 'total.reserve' }),
  };
}

/** What the reserve adds to what is pulled. */
const RESERVED: Formula = {
  id: 'total.reserve',
  unit: 'sheet',
  source: 'arithmetic',
  of: (t) => Object.entries(t).reduce((sum, [name, n]) => sum + (name.startsWith('without') ? -n : n), 0),
};

/** The item that most often falls short stands for the job. */
function leastChance(items: Plan['items'], ledger: Ledger): Id<'figure'> | undefined {
  const chances = Object.values(items).flatMap((i) => i.chance ?? []);
  return chances.reduce<string | undefined>(
    (least, c) => (least === undefined || ledger.value(c) < ledger.value(least) ? c : least),
    undefined,
  );
}
