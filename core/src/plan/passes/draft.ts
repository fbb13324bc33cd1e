import type { Id } from '../../quantity/figure';
import { idOf } from '../../quantity/id-of';
import type { Flow, Step, Supply } from '../../flow/net';
import type { LossTerms } from '../../flow/solve-backward';
import type { LaidSection } from '../../signature/sheet-pages';
import { type Form, printsOf } from '../../layout/form';
import type { Choices } from '../../product/job-spec';
import type { Plan } from '../plan-types';
import { type Batch, type Incoming, onwards } from '../../processes/batch';
import type { Part } from '../../product/part';
import type { PartVersion } from '../../product/versions';
import type { ConsumeContext, DraftContext } from '../../processes/process';
import { coatSeriesFor, inkSeriesFor } from '../../processes/press-inks';
import { suppliedBatch, suppliedFlow } from '../../processes/pull/stock-flow';
import { returnMoment } from '../../route/outside-work';
import type { Route, RoutedStone } from './resolve';

/** A run of a stone with all it drafted, before anything is counted. */
export interface DraftedRun {
  stone: RoutedStone;
  /** What of the stone it runs, in words: a form, a part, a version; '' where it runs all at once. */
  name: string;
  cx: Omit<ConsumeContext, 'counts' | 'steps' | 'tools'>;
}

export interface Drafted {
  flows: Record<Id<'flow'>, Flow>;
  steps: Record<Id<'step'>, Step>;
  losses: Record<Id<'step'>, LossTerms>;
  tools: Plan['tools'];
  /** What stands at the end of each product: one batch, or one of each version. */
  goods: Record<Id<'product'>, Batch[]>;
  runs: DraftedRun[];
}

/** One run of a stone before it is drafted. */
interface Run {
  id: Id<'step'>;
  name: string;
  form: Form | null;
  section: LaidSection | null;
  /** The one of the stone's parts that it works on; null: all that lie on its form, or all. */
  part: Part | null;
  version: PartVersion | null;
  /** The run before it on the same setting. */
  after: Pick<Run, 'id'> | null;
  incoming: Incoming[];
}

/** Draft pass: every stone takes the batches that carry its parts, adds its steps, and leaves batches for the stones after it. */
export function draftAll(route: Route, forms: readonly Form[], choices: Choices): Drafted {
  const all: Drafted = { flows: {}, steps: {}, losses: {}, tools: {}, goods: {}, runs: [] };
  const formsMade: { step: Id<'step'>; forms: readonly Id<'form'>[]; parts: readonly Id<'part'>[] }[] = [];
  let open: Batch[] = route.supplied.map((product) => suppliedProduct(product, route, all));
  for (const [at, stone] of route.stones.entries()) {
    const taken = new Set<Id<'flow'>>();
    const left: Batch[] = [];
    for (const run of runsOf(stone, open, route, forms, all)) {
      const cx = draftContext(stone, run, { forms, parts: route.parts }, route.stones.slice(at + 1), choices.settings);
      cx.formsFrom = formsMade
        .filter((m) => (run.form ? m.forms.includes(run.form.id) : m.parts.some((p) => cx.parts.some((own) => own.id === p))))
        .map((m) => m.step);
      const draft = stone.process.draft(cx);
      const alike = run.form && run.form.alike > 1 ? { alike: run.form.alike } : {};
      const { outside } = cx.machine;
      for (const [id, { step, losses }] of Object.entries(draft.steps)) {
        all.steps[id] = {
          ...step,
          waits: [...step.waits, ...run.incoming.flatMap((b) => (b.rests && step.takes.some((t) => t.flow === b.flow) ? [b.rests] : []))],
          ...alike,
          ...keptFrom(id, step, run, all),
          ...(outside && { outside: { days: outside.days, returnBy: returnMoment(cx.settings['returnBy']) } }),
        };
        all.losses[id] = losses;
        for (const { flow } of step.takes) taken.add(flow);
      }
      for (const [id, flow] of Object.entries(draft.flows))
        all.flows[id] = flow.supply
          ? { ...flow, supply: supplyOf(id, flow.supply, choices) }
          : { ...flow, ...alike, ...(run.version && { version: run.version.id }) };
      for (const { flow, of } of cx.incoming) if (taken.has(flow) && !Object.hasOwn(all.flows, flow)) all.flows[flow] = of;
      for (const [id, use] of Object.entries(draft.tools)) all.tools[id] = { ...use, supply: supplyOf(id, use.supply, choices) };
      for (const batch of draft.out) leave(run.version ? { ...batch, version: run.version.id } : batch, left);
      for (const step of draft.makesForms ?? [])
        formsMade.push({ step, forms: run.form ? [run.form.id] : [], parts: cx.parts.map((p) => p.id) });
      all.runs.push({ stone, name: run.name, cx: { ...cx, stepIds: Object.keys(draft.steps) } });
    }
    open = [...open.filter((b) => !taken.has(b.flow)), ...left];
    for (const product of stone.products) all.goods[product] = endsOf(product, stone, left, open, route);
  }
  return all;
}

/** Leaves a batch; what several forms make of one flow lies in one pile. */
function leave(batch: Batch, left: Batch[]): void {
  const at = left.findIndex((b) => b.flow === batch.flow);
  const there = left[at];
  if (there) left[at] = onwards([there, batch], batch.flow);
  else left.push(batch);
}

/** Whose setting a step of a run finds in the machine: that of the same step of the run before, unless its process has said otherwise. */
function keptFrom(id: Id<'step'>, { keepsFrom }: Step, { id: own, after }: Run, { steps }: Drafted): Pick<Step, 'keepsFrom'> {
  const before = after === null ? undefined : `${after.id}${id.slice(own.length)}`;
  return keepsFrom === undefined && before !== undefined && Object.hasOwn(steps, before) ? { keepsFrom: before } : {};
}

/** Where something comes from that no step makes: as chosen, else as its process says. Paper comes as its stone says. */
const supplyOf = (id: string, supply: Supply, { supply: chosen }: Choices): Supply =>
  supply.from !== 'stock' && Object.hasOwn(chosen, id) ? (chosen[id] ?? supply) : supply;

/** A product bought or sent by the customer: one part, called like itself. */
function suppliedProduct(product: Id<'product'>, route: Route, all: Drafted): Batch {
  const part: string = product;
  const flow = idOf(product, 'goods');
  all.flows[flow] = { unit: 'piece', part, item: route.itemOf[product] ?? '', perGood: 1, supply: { from: 'buy', leadDays: 0 } };
  const batch = onwards([], flow, { parts: [part] });
  all.goods[product] = [batch];
  return batch;
}

/** What stands of a product after a stone: what a joining stone left, else the batches with its parts. */
function endsOf(product: Id<'product'>, stone: RoutedStone, left: readonly Batch[], open: readonly Batch[], route: Route): Batch[] {
  if (stone.cx.parts.length === 0) return [...left];
  const own = (part: Id<'part'>): boolean => route.parts[part]?.product === product;
  return open.filter((b) => b.parts.some(own));
}

/** The runs of a stone: all at once; or one for each form, each part, each version that is told apart. */
function runsOf(stone: RoutedStone, open: readonly Batch[], route: Route, forms: readonly Form[], all: Drafted): Run[] {
  const { cx, each, products } = stone;
  const members = products.flatMap((p) => route.joins[p] ?? []);
  const coming = (b: Batch, times = 1): Incoming => ({ ...b, of: all.flows[b.flow] as Flow, times });
  const mine: Incoming[] =
    cx.parts.length > 0
      ? open.filter((b) => b.parts.some((p) => cx.parts.some((own) => own.id === p))).map((b) => coming(b))
      : members.flatMap(({ product, times }) => (all.goods[product] ?? []).map((b) => coming(b, times)));
  const ofParts = forms.filter((f) => f.parts.some((p) => cx.parts.some((own) => own.id === p)));
  const isNeedless = (form: Form): boolean => stone.process.needless?.(form) ?? false;
  if (ofParts.length > 0 && ofParts.every(isNeedless)) return [];
  const [only, ...more] = ofParts;
  const whole: Run = {
    id: cx.id,
    name: '',
    form: more.length === 0 ? (only ?? null) : null,
    section: null,
    part: null,
    version: null,
    after: stone.follows === undefined ? null : { id: stone.follows as string },
    incoming: mine,
  };
  if (each === 'form' && more.length > 0)
    return ofParts.flatMap((form, i) => {
      if (isNeedless(form)) return [];
      const id = idOf(cx.id, keyOf(form));
      const before = ofParts[i - 1];
      const after = before && form.oneOf && stone.process.againS ? { id: idOf(cx.id, keyOf(before)) } : null;
      return versionsOf({ ...whole, id, name: form.name, form, after, incoming: mine.filter((b) => b.forms.includes(form.id)) }, stone);
    });
  if (each === 'section')
    return ofParts.flatMap((form) =>
      (form.layout?.imposed?.sections ?? []).flatMap((section) => {
        if (stone.process.needless?.(form, section, ofParts)) return [];
        // Beside the section itself what is joined to every section: endpapers.
        const isJoined = (b: Batch): boolean => !ofParts.some((f) => f.layout?.imposed && b.forms.includes(f.id));
        const incoming = mine.filter(
          (b) => (b.forms.includes(form.id) && (b.section === null || b.section === section.key)) || isJoined(b),
        );
        return versionsOf({ ...whole, id: idOf(cx.id, section.key), name: section.name, form, section, incoming }, stone);
      }),
    );
  if (each === 'part' && cx.parts.length > 1)
    return cx.parts.flatMap((part) => {
      const form = ofParts.filter((f) => f.parts.includes(part.id));
      return versionsOf(
        {
          ...whole,
          id: idOf(cx.id, part.role),
          name: part.name ?? part.role,
          part,
          form: form.length === 1 ? (form[0] ?? null) : null,
          incoming: mine.filter((b) => b.parts.includes(part.id)),
        },
        stone,
      );
    });
  return versionsOf(whole, stone);
}

/** The last word of a form's id: what tells it from the others of its parts. */
const keyOf = (form: Form): string => form.id.split('.').at(-1) ?? form.id;

/** A run version by version: where its batches are told apart already, or where its process tells them apart. */
function versionsOf(run: Run, { process, cx, prints }: RoutedStone): Run[] {
  const apart = run.incoming.some((b) => b.version !== null);
  const inks = (prints ?? run.form?.prints ?? []).flat();
  if (process.joinsVersions) return [run];
  if (!apart && !process.tellsVersions?.({ versions: cx.versions, inks, form: run.form })) return [run];
  let after: Run['after'] = null;
  return cx.versions
    .filter((v) => !apart || run.incoming.some((b) => b.version === v.id))
    .map((version): Run => {
      const name = [run.name, version.name].filter((n) => n !== '').join(', ');
      const incoming = run.incoming.filter((b) => b.version === null || b.version === version.id);
      const next: Run = { ...run, id: idOf(run.id, version.id), name, version, after, incoming };
      after = next;
      return next;
    });
}

function draftContext(
  stone: RoutedStone,
  run: Run,
  { forms, parts: all }: { forms: readonly Form[]; parts: Route['parts'] },
  later: readonly RoutedStone[],
  settings: Choices['settings'],
): DraftContext {
  const { cx } = stone;
  const { form, incoming } = run;
  const stockId = form?.stock ?? null;
  const parts = run.part ? [run.part] : form ? cx.parts.filter((p) => form.parts.includes(p.id)) : cx.parts;
  const prints = stone.prints ?? form?.prints ?? printsOf(cx.parts.map((p) => p.colours));
  // What is set on the stone holds for all its runs; what is set on a run for it alone.
  const id: string = run.id;
  const own = id !== cx.id && Object.hasOwn(settings, id) ? settings[id] : {};
  const base = { ...cx, id: run.id, parts, settings: { ...cx.settings, ...own }, prints };
  const draftCx: DraftContext = {
    ...base,
    form,
    layout: form?.layout ?? null,
    forms: forms.filter((f) => f.parts.some((p) => cx.parts.some((own) => own.id === p))),
    product: { parts: Object.values(all).filter((p) => stone.products.includes(p.product)), forms },
    section: run.section,
    workStyle: form?.style ?? 'simplex',
    version: run.version,
    keeps: run.after?.id ?? null,
    stockId,
    stock: stockId === null ? null : (cx.plant.stocks[stockId] ?? null),
    incoming,
    wet: [...new Set(incoming.flatMap((b) => b.wet))],
    formsFrom: [],
    inkSeries: inkSeriesFor(base),
    coatSeries: coatSeriesFor(base),
    faults: incoming.find((b) => b.faults !== null)?.faults ?? null,
    faultsTakenOut: later.some((s) => s.process.takesOutFaults === true && s.products.some((p) => stone.products.includes(p))),
    setOn: settings,
    bundle: incoming.length === 1 ? (incoming[0]?.bundle ?? null) : null,
  };
  // A stone whose maker was taken off the route starts from pieces that are there already.
  if (incoming.length === 0 && cx.parts.length > 0) {
    const onWeb = form?.kind === 'web';
    const { supply: _, ...there } = suppliedFlow(
      draftCx,
      onWeb ? 'metre' : 'sheet',
      onWeb && form.layout ? form.layout.sheetMm[1] / 1000 : 1,
    );
    draftCx.incoming = [suppliedBatch(draftCx, idOf(run.id, 'in'), { ...there, supply: { from: 'here' } })];
  }
  return draftCx;
}
