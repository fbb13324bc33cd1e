import type { CountUnit, Formula, Id, Term } from '../../quantity/figure';
import { idOf } from '../../quantity/id-of';
import { type Ledger, fig } from '../../quantity/ledger';
import { inCopiesOf } from '../../flow/cycles-per-good';
import type { Net, Port, Step } from '../../flow/net';
import type { Counts } from '../../flow/solve-backward';
import type { Consumed, ConsumeContext, PanelRow } from '../../processes/process';
import { SUM } from '../../quantity/sum';
import { LATEST } from '../../route/time-and-cost';
import type { Stone } from '../plan-types';
import { ofAllAlike } from './alike';
import { LIKELY_KINDS } from './certainty';
import type { DraftedRun } from './draft';

/** A run with its counts, and what the river shows of it. */
export interface PlannedRun extends Omit<DraftedRun, 'cx'> {
  cx: ConsumeContext;
  costs: Consumed['costs'];
  shown: Stone;
}

/** The run by the school of losses that is not in force, where the plant keeps both. */
const otherSchool = (step: Id<'step'>): PanelRow => ({ label: 'otherSchool', figure: idOf(step, 'runOther') });

/** What comes into a run and what leaves it: flows it does not make itself, and flows none of its own steps takes. */
function through(steps: readonly Id<'step'>[], net: Net): { ins: Id<'step'>[]; outs: Port[] } {
  const own = steps.flatMap((id) => net.steps[id] ?? []);
  // Most runs are one step: nothing stays within them.
  if (own.length === 1) return { ins: own[0]?.takes[0] ? [...steps] : [], outs: own[0]?.gives ?? [] };
  const made = new Set(own.flatMap((s) => s.gives.map((g) => g.flow)));
  const used = new Set(own.flatMap((s) => s.takes.map((t) => t.flow)));
  return {
    ins: steps.filter((id) => net.steps[id]?.takes[0] && !made.has(net.steps[id].takes[0].flow)),
    outs: own.flatMap((s) => s.gives).filter((g) => !used.has(g.flow)),
  };
}

/** What of a step's flows is what is worked on: the first; of versions that come together each. */
function takenOf(step: Step | undefined, { flows }: Pick<Net, 'flows'>): Port[] {
  const ofVersions = step?.takes.filter((t) => flows[t.flow]?.version !== undefined) ?? [];
  return ofVersions.length > 1 ? ofVersions : (step?.takes.slice(0, 1) ?? []);
}

/** One figure as it is; several as their sum. Null: none. */
function sumOf(id: Id<'figure'>, figures: readonly Id<'figure'>[], ledger: Ledger): Id<'figure'> | null {
  const [only, ...more] = figures;
  if (only === undefined || more.length === 0) return only ?? null;
  ledger.figure(id, { ...SUM, id: 'plan.together' }, Object.fromEntries(figures.map((f) => [f, fig(f)])), ledger.unitOf(only));
  return id;
}

/** What the river shows of a run. */
export function shownRun(
  { stone, name, cx }: Omit<PlannedRun, 'shown' | 'costs'>,
  made: ReadonlySet<Id<'product'>>,
  net: Net,
  counts: Counts,
  real: boolean,
): Stone {
  const [product = '', ...others] = made.size > 1 ? stone.products : [];
  const { ledger } = cx;
  const first = cx.stepIds[0];
  const last = cx.stepIds.at(-1);
  const { ins, outs } = through(cx.stepIds, net);
  const perGoodOf = (flow: Id<'flow'> | undefined): number => net.flows[flow ?? '']?.perGood ?? 1;
  // A copy takes one of each section that a sheet is parted into; orders and versions each have copies of their own.
  const [lead] = outs;
  const perGoodOut = outs
    .filter((g) => !lead || g === lead || net.flows[g.flow]?.section !== undefined)
    .reduce((sum, g) => sum + perGoodOf(g.flow), outs.length > 0 ? 0 : 1);
  const lost = cx.stepIds.flatMap((id) => {
    const count = counts.steps[id];
    const isLast = lead !== undefined && (net.steps[id]?.gives.includes(lead) ?? false);
    const perGood = (isLast ? perGoodOut : perGoodOf(net.steps[id]?.gives[0]?.flow)) / gives(net.steps[id]);
    return count ? Object.entries(count.lost).map(([kind, figure]) => ({ kind, figure, perGood })) : [];
  });
  return {
    id: cx.id,
    key: stone.key,
    product: others.length > 0 ? '' : product,
    name,
    runs: [],
    process: cx.process,
    family: stone.family,
    parts: cx.parts.map((p) => p.id),
    machine: cx.machineId,
    machineName: cx.machine.name,
    outside: cx.machine.outside !== undefined,
    steps: cx.stepIds,
    summary: stone.process.summary(cx),
    panel: [...stone.process.panel(cx), otherSchool(first ?? cx.id)].filter(
      (row) => row.figure === undefined || ledger.has(row.figure) || row.edit,
    ),
    cautions: [...new Set(cx.stepIds.flatMap((id) => net.steps[id]?.cautions ?? []))],
    in: joinsSections(ins, net)
      ? startedOf(cx, ins, lead && net.flows[lead.flow]?.unit)
      : sumOf(
          idOf(cx.id, 'inTogether'),
          ins.flatMap((id) => takenOf(net.steps[id], net).flatMap(({ flow }) => counts.steps[id]?.taken[flow] ?? [])),
          ledger,
        ),
    out: sumOf(
      idOf(cx.id, 'outTogether'),
      outs.flatMap((g) => counts.demand[g.flow] ?? []),
      ledger,
    ),
    perGoodIn: joinsSections(ins, net) ? perGoodOf(lead?.flow) : perGoodOf(net.steps[ins[0] ?? '']?.takes[0]?.flow),
    perGoodOut,
    lost,
    likely: cx.stepIds.flatMap((id) => {
      // Of a sheet that several orders share, what each of them loses.
      const items = new Set(cx.parts.map((p) => p.item));
      const figures = LIKELY_KINDS.flatMap((kind) => [...items].map((item) => inCopiesOf(id, `likelyLost.${kind}`, item, net)));
      return [...new Set(figures)].filter((f) => ledger.has(f)).map((figure) => ({ figure, share: 1 }));
    }),
    reserve: cx.stepIds.flatMap((id) => {
      const figure = idOf(id, 'reserve');
      return ledger.has(figure) ? [{ figure, perGood: net.flows[net.steps[id]?.takes[0]?.flow ?? '']?.perGood ?? 1 }] : [];
    }),
    setupS: timeTogether(cx, 'setupS', net),
    runS: timeTogether(cx, 'runS', net),
    real: real ? realOf(cx, { ins, outs }, net) : null,
    waitS: longestWait(cx, net),
    startAt: idOf(first ?? cx.id, 'startAt'),
    endAt: idOf(last ?? cx.id, 'endAt'),
  };
}

/** Whether sections come together in a run: no single one of them is what comes in. */
const joinsSections = (ins: readonly Id<'step'>[], net: Net): boolean =>
  ins.some((id) => (net.steps[id]?.takes ?? []).filter((t) => net.flows[t.flow]?.section !== undefined).length > 1);
/** What such a run starts: blocks where it makes blocks, else copies; so many of each section, in what a copy of the order takes of what comes out. */
function startedOf({ id, ledger }: ConsumeContext, [first = '']: readonly Id<'step'>[], made: CountUnit | undefined): Id<'figure'> {
  const unit = made === 'block' ? made : 'copy';
  ledger.figure(idOf(id, 'inTogether'), { ...SUM, id: 'plan.together' }, { run: fig(idOf(first, 'run')) }, unit);
  return idOf(id, 'inTogether');
}

/** The waits of a run. Versions wait beside each other, each for its own ink: those of the version that waits longest stand for all. */
function longestWait({ stepIds, ledger }: ConsumeContext, net: Net): Id<'figure'>[] {
  const byVersion = new Map<string, Id<'figure'>[]>();
  for (const id of stepIds) {
    const step = net.steps[id];
    const version = net.flows[step?.gives[0]?.flow ?? '']?.version ?? '';
    byVersion.set(version, [...new Set([...(byVersion.get(version) ?? []), ...(step?.waits.map((w) => w.figure) ?? [])])]);
  }
  return longest([...byVersion.values()], ledger);
}
function longest(waits: readonly Id<'figure'>[][], ledger: Ledger): Id<'figure'>[] {
  const seconds = (figures: readonly Id<'figure'>[]): number => figures.reduce((sum, f) => sum + ledger.value(f), 0);
  return waits.reduce((a, b) => (seconds(b) > seconds(a) ? b : a), waits[0] ?? []);
}

/** Seconds of all steps of a run, equal ones counted each. */
function timeTogether(cx: ConsumeContext, what: 'setupS' | 'runS', net: Net): Id<'figure'> {
  const figures = cx.stepIds.map((id) => ofAllAlike(idOf(id, what), net.steps[id]?.alike ?? 1, cx.ledger));
  return sumOf(idOf(cx.id, `${what}Together`), figures, cx.ledger) ?? idOf(cx.id, what);
}

/** What a cycle gives, of all its flows; 1 where no pieces pass. */
const gives = (step: Net['steps'][string] | undefined): number => {
  const given = step?.gives.reduce((sum, g) => sum + g.per, 0) ?? 0;
  return given > 0 ? given : 1;
};

/** Where a run stands by the counts: what goes into its first steps and comes out of its last. Null where no pieces pass. */
function realOf(cx: ConsumeContext, { ins, outs }: ReturnType<typeof through>, net: Net): Stone['real'] {
  const makers = cx.stepIds.filter((id) => net.steps[id]?.gives.some((g) => outs.includes(g)));
  const [first, last] = [net.steps[ins[0] ?? ''], net.steps[makers[0] ?? '']];
  const [takes, give] = [takenOf(first, net), last?.gives[0]];
  const run = sumOf(
    idOf(cx.id, 'realRunTogether'),
    ins.map((id) => idOf(id, 'realRun')),
    cx.ledger,
  );
  const good = sumOf(
    idOf(cx.id, 'realGoodTogether'),
    makers.map((id) => idOf(id, 'realGood')),
    cx.ledger,
  );
  if (takes.length === 0 || !give || run === null || good === null) return null;
  return {
    run,
    good,
    copiesIn: takes.reduce((sum, take) => sum + take.per / (net.flows[take.flow]?.perGood ?? 1), 0),
    copiesOut: give.per / (net.flows[give.flow]?.perGood ?? 1),
    counted: cx.stepIds.some((id) => Object.hasOwn(cx.shelf.counted, id)),
    done: cx.stepIds.every((id) => cx.shelf.counted[id]?.done === true),
  };
}

/** The stones of the river: a run each, or the runs of a stone together. */
export function stonesOf(runs: readonly PlannedRun[], ledger: Ledger): Stone[] {
  const byStone = new Map<Id<'stone'>, PlannedRun[]>();
  for (const run of runs) byStone.set(run.cx.stone, [...(byStone.get(run.cx.stone) ?? []), run]);
  return [...byStone].map(([id, mine]) => {
    const [only, ...more] = mine;
    return only && more.length === 0 ? only.shown : together(id, mine, ledger);
  });
}

/**
 * Runs of one stone as one: versions follow each other, so their copies add up, as do those of a gang, which come from any of its forms; else a finished copy
 * needs one of every form, so that as many units as there are forms make one copy.
 */
function together(id: Id<'stone'>, runs: readonly PlannedRun[], ledger: Ledger): Stone {
  const shown = runs.map((r) => r.shown);
  const [lead] = shown as [Stone, ...Stone[]];
  const alike = runs.map((r) => r.cx.form?.alike ?? 1);
  const forms = new Map(runs.map((r, i) => [`${r.cx.form?.id ?? r.shown.parts.join()} ${r.cx.section?.key ?? ''}`, i]));
  const addUp = runs.some((r) => r.cx.form?.oneOf);
  const unitsOf = (what: 'perGoodIn' | 'perGoodOut'): number =>
    [...forms.values()].reduce((sum, i) => sum + (shown[i]?.[what] ?? 1) * (alike[i] ?? 1), 0);
  const [perGoodIn, perGoodOut] = addUp
    ? [unitsACopy(shown, 'in', ledger), unitsACopy(shown, 'out', ledger)]
    : [unitsOf('perGoodIn'), unitsOf('perGoodOut')];
  const figures = (what: 'in' | 'out' | 'setupS' | 'runS'): Id<'figure'>[] =>
    shown.flatMap((s, i) => {
      const figure = s[what];
      // Times stand for all equal runs already.
      return figure === null ? [] : what === 'in' || what === 'out' ? ofAllAlike(figure, alike[i] ?? 1, ledger) : figure;
    });
  const sum = (what: 'in' | 'out' | 'setupS' | 'runS'): Id<'figure'> | null => sumOf(idOf(id, `${what}Together`), figures(what), ledger);
  const share = (i: number): number => (!addUp && perGoodOut > 0 ? ((shown[i]?.perGoodOut ?? 1) * (alike[i] ?? 1)) / perGoodOut : 1);
  return {
    ...lead,
    id,
    name: '',
    runs: shown.map((s) => ({ id: s.id, name: s.name, steps: s.steps })),
    parts: [...new Set(shown.flatMap((s) => s.parts))],
    steps: shown.flatMap((s) => s.steps),
    summary: { text: shown.map((s) => s.name).join(' · ') },
    panel: shown.flatMap((s) => [{ label: 'runOf', text: s.name }, ...s.panel]),
    cautions: [...new Set(shown.flatMap((s) => s.cautions))],
    in: sum('in'),
    out: sum('out'),
    perGoodIn,
    perGoodOut,
    lost: shown.flatMap((s, i) => s.lost.map((l) => ({ ...l, perGood: share(i) > 0 ? l.perGood / share(i) : l.perGood }))),
    likely: shown.flatMap((s, i) => s.likely.map((l) => ({ ...l, share: share(i) }))),
    reserve: shown.flatMap((s, i) => s.reserve.map((r) => ({ ...r, perGood: share(i) > 0 ? r.perGood / share(i) : r.perGood }))),
    setupS: sum('setupS') ?? lead.setupS,
    runS: sum('runS') ?? lead.runS,
    waitS: longest(
      shown.map((s) => s.waitS),
      ledger,
    ),
    startAt: earliest(id, shown, ledger),
    endAt: latest(id, shown, ledger),
    real: realTogether(id, shown, perGoodIn, perGoodOut, ledger),
  };
}

/** Units of runs whose copies add up, for each of these copies. */
function unitsACopy(shown: readonly Stone[], what: 'in' | 'out', ledger: Ledger): number {
  const units = shown.map((s) => (s[what] === null ? 0 : ledger.value(s[what])));
  const copies = shown.map((s, i) => (units[i] ?? 0) / (what === 'in' ? s.perGoodIn : s.perGoodOut));
  const all = copies.reduce((a, b) => a + b, 0);
  return all > 0 ? units.reduce((a, b) => a + b, 0) / all : 1;
}

const moments = (shown: readonly Stone[], what: 'startAt' | 'endAt'): Record<string, Term> =>
  Object.fromEntries(shown.map((s) => [s.id, fig(s[what])]));
/** The earliest of several moments. Source: arithmetic. */
const EARLIEST: Formula = { id: 'plan.earliest', unit: 'moment', source: 'arithmetic', of: (t) => Math.min(...Object.values(t)) };
function earliest(id: Id<'stone'>, shown: readonly Stone[], ledger: Ledger): Id<'figure'> {
  ledger.figure(idOf(id, 'startTogether'), EARLIEST, moments(shown, 'startAt'));
  return idOf(id, 'startTogether');
}
function latest(id: Id<'stone'>, shown: readonly Stone[], ledger: Ledger): Id<'figure'> {
  ledger.figure(idOf(id, 'endTogether'), LATEST, moments(shown, 'endAt'));
  return idOf(id, 'endTogether');
}

function realTogether(id: Id<'stone'>, shown: readonly Stone[], perGoodIn: number, perGoodOut: number, ledger: Ledger): Stone['real'] {
  const reals = shown.flatMap((s) => s.real ?? []);
  const sum = (what: 'run' | 'good'): Id<'figure'> | null =>
    sumOf(
      idOf(id, what === 'run' ? 'realRunTogether' : 'realGoodTogether'),
      reals.map((r) => r[what]),
      ledger,
    );
  const [run, good] = [sum('run'), sum('good')];
  if (run === null || good === null || reals.length < shown.length) return null;
  return {
    run,
    good,
    copiesIn: perGoodIn > 0 ? 1 / perGoodIn : 1,
    copiesOut: perGoodOut > 0 ? 1 / perGoodOut : 1,
    counted: reals.some((r) => r.counted),
    done: reals.every((r) => r.done),
  };
}
