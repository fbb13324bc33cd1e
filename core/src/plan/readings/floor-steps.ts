import type { Id } from '../../quantity/figure';
import type { Scene } from '../../scene/scene';
import { MEASURE_SPREAD, type PieceMeasure } from '../../counts/count-by-measure';
import type { WebThatBreaks } from '../../counts/web-break';
import { finerOut, type StepUnits, stepUnits } from '../../counts/step-units';
import { caliperUmOf } from '../../processes/stock-terms';
import { WORK_STYLES } from '../../layout/work-style';
import type { Flow, Step } from '../../flow/net';
import type { PartVersion } from '../../product/versions';
import { type ConsumeContext, limitTerm } from '../../processes/process';
import { sheetsInHeight } from '../../stock/pile';
import { isMixedInk } from '../../product/ink-names';
import type { Measure } from '../../quality/measure';
import type { RegisterOf } from '../../register/register-of-step';
import { isRepeat } from '../../processes/time-and-cost';
import { CAUTIONS, label } from '../../words/en';
import type { Place } from '../../words/format';
import type { PlannedRun } from '../passes/stones';
import type { Planned } from '../plan';
import { fromJobs } from './from-jobs';
import { figureSays, rowSays } from './row-says';
import { stoneName } from './stone-name';
import { type Stands, standsOf } from './stands';
import { sizeOf } from '../passes/waste';

/** A released step as floor, board and log read it: numbers and words, nothing to plan again. */
export interface FloorStep {
  step: Id<'step'>;
  stone: Id<'stone'>;
  seq: number;
  process: Id<'process'>;
  machine: Id<'machine'>;
  machineName: string;
  /** Stone and, where it has several steps, which of them: "Print, front". */
  name: string;
  summary: string;
  units: StepUnits;
  /** Planned, in cycles; good in cycles too. */
  run: number;
  good: number;
  /** Of the cycles it may run, those that are reserve: what it does not need goes back. Absent in releases of older programs. */
  reserve?: number;
  setupCycles: number;
  runningPpm: number;
  /** Setup cycles as the handbook gives them: what the works' own setup factor is reckoned against. */
  handbookSetup: number;
  repeat: boolean;
  setupS: number;
  runS: number;
  startAt: number;
  endAt: number;
  /** Mass of one piece of the finer side. */
  pieceKg: number;
  /** Steps that take what this one gives, and how long it has to lie before each may start. */
  next: { step: Id<'step'>; name: string; machine: Id<'machine'>; machineName: string; waitS: number }[];
  /** Steps that must be done before. */
  before: Id<'step'>[];
  /** What a piece it gives weighs and how thick it is, and what share of them the order leaves open: for counting by scale and by height. Absent where pieces have neither. */
  measure?: PieceMeasure & { openPpm: number };
  /** What it parts into, where a cycle gives copies of several orders: each goes its own way, and is piled on its own. Absent else. */
  parted?: { flow: Id<'flow'>; per: number; name: string }[];
  /** What lies on the pile: which edge is the gripper's, where the lay is, which side was printed; '' where it says nothing. */
  gripper: string;
  lay: string;
  side: string;
  balanced: boolean;
  /** Inks somebody mixes: it does not begin before a draw-down of each is accepted. Absent in releases of older programs. */
  mixed?: string[];
  /** Inks in the order of the units: what washing up to it takes. Absent in releases of older programs, and where nothing is printed. */
  inks?: string[];
  /** Series those inks are of. */
  series?: string;
  /** The job touches food: the line is cleared before it, and somebody says so. Absent where it need not. */
  clear?: true;
  /** The version that ran before it on the same setting: the line is cleared of it, and somebody says so. Absent where none did. */
  clearOf?: string;
  /** Jobs that make what it needs: it begins when they are delivered. Absent where none does. */
  fromJobs?: Id<'job'>[];
  /** What it needs of which step before, and how long that has to wait, by why. Absent in releases of older programs. */
  links?: { of: Id<'step'>; by: 'forms' | 'pieces'; waitS: number; why: string }[];
  /** What of its setting the next on the machine may find; the step whose setting it finds itself. Absent in releases of older programs. */
  stands?: Stands;
  keepsFrom?: Id<'step'>;
  /** What it waits for from outside, when that was to be there: paper, approvals. Absent where nothing. */
  gates?: { key: string; at: number }[];
  /** So many of its cycles make a pile, which may go on while the rest is made. Absent where it makes none. */
  pileCycles?: number;
  /** What is measured at it. Absent where nothing is, and in releases of older programs. */
  measures?: Measure[];
  /** Its web may break: what a break is reckoned by. Absent where there is none, and in releases of older programs. */
  breaks?: WebThatBreaks;
  /** Faults are cut out of a reel at it, between lengths of so many metres. Absent where none are, and in releases of older programs. */
  cutsOut?: { lengthM: number };
  /** What is read of it at the register desk; absent or null: nothing. */
  register?: RegisterOf | null;
}
/** The setup sheet of a step: drawing, settings, cautions. */
export interface SetupSheet {
  scene: Scene | null;
  rows: [what: string, value: string][];
  lists: { title: string; head: string[]; rows: string[][] }[];
  cautions: string[];
}

const SIDES: Readonly<Record<string, string>> = { front: 'front', back: 'back', both: 'both sides' };
/** What tells a step from the others of its run: a side, what it makes (cartons, pallets), a version. */
const whichOf = (step: string, { id, versions }: PlannedRun['cx']): string[] =>
  step
    .slice(id.length + 1)
    .split('.')
    .filter((word) => word !== '')
    .map((word) => versions.find((v) => v.id === word)?.name ?? word.replace(/\d+$/, ''));
const sideOf = (step: string, cx: PlannedRun['cx']): string => SIDES[whichOf(step, cx)[0] ?? ''] ?? '';

/** Every step of a plan with its setup sheet, in the order of the route: what a release writes down for the floor. */
export function floorSteps({ plan, contexts, ledger }: Planned, place: Place, balanced: boolean): { step: FloorStep; sheet: SetupSheet }[] {
  const makers = new Map<string, string[]>();
  for (const [id, s] of Object.entries(plan.steps)) for (const { flow } of s.gives) makers.set(flow, [...(makers.get(flow) ?? []), id]);
  const nameOf = (id: Id<'step'>): string => {
    const run = contexts.find((c) => c.cx.stepIds.includes(id));
    return run ? [stoneName(run.shown), ...whichOf(id, run.cx).map((word) => SIDES[word] ?? word)].join(', ') : id;
  };
  const value = (id: string): number => ledger.value(id);
  const made = fromJobs(plan);
  let seq = 0;
  let folded = 0;
  const open = Object.values(plan.items).map((i) => ({ wanted: value(i.wanted), least: value(i.least), most: value(i.most) }));
  // The narrower side of what the order takes: a count that may be off by more is no count.
  const openPpm = Math.min(
    1e6,
    ...open.map((i) => (i.wanted > 0 ? (1e6 * Math.max(i.wanted - i.least, i.most - i.wanted)) / i.wanted : 0)),
  );
  return contexts.flatMap(({ stone: routed, cx, shown }) =>
    cx.stepIds.flatMap((id) => {
      const step = plan.steps[id];
      if (!step) return [];
      const units = stepUnits(step, plan.flows);
      const others = [...new Set(made.filter((m) => m.step === id).map((m) => m.job))];
      const before = versionBefore(step, plan, cx.versions);
      // Equal steps are run and counted together.
      const { alike = 1 } = step;
      if (ledger.has(`${cx.id}.thickness`) && ledger.unitOf(`${cx.id}.thickness`) === 'µm') folded = value(`${cx.id}.thickness`);
      const next = Object.entries(plan.steps).flatMap(([other, s]) =>
        s.takes.some((t) => step.gives.some((g) => g.flow === t.flow))
          ? [
              {
                step: other,
                name: nameOf(other),
                machine: s.machine,
                machineName: cx.plant.machines[s.machine]?.name ?? s.machine,
                waitS: Math.max(0, ...s.waits.filter((w) => w.after === id).map((w) => value(w.figure))),
              },
            ]
          : [],
      );
      const page = routed.process.paper(cx).find((p) => p.scene) ?? routed.process.paper(cx)[0];
      const floor: FloorStep = {
        step: id,
        stone: cx.stone,
        seq: seq++,
        process: step.process,
        machine: step.machine,
        machineName: shown.machineName,
        name: nameOf(id),
        summary: shown.summary.text,
        units,
        run: alike * value(`${id}.run`),
        // The last carton is part-filled: what is wanted is the pieces, not so many full ones.
        good: alike * (step.whole ? value(`${id}.good`) : value(plan.counts.demand[units.gives ?? ''] ?? '') / Math.max(units.givesPer, 1)),
        reserve: (alike * value(`${id}.reserve`)) / Math.max(units.takesPer, 1e-9),
        setupCycles: alike * step.loss.setupCycles,
        runningPpm: step.loss.runningPpm,
        handbookSetup: alike * value(ledger.has(`${id}.setupHandbook`) ? `${id}.setupHandbook` : `${id}.setupCycles`),
        repeat: isRepeat(cx),
        setupS: alike * value(`${id}.setupS`),
        runS: alike * value(`${id}.runS`),
        startAt: value(`${id}.startAt`),
        endAt: value(`${id}.endAt`),
        pieceKg: pieceKg(units, cx),
        ...measureOf(units, cx, openPpm, folded),
        next,
        before: [...new Set([...step.takes.flatMap((t) => makers.get(t.flow) ?? []), ...(step.after ?? [])])],
        ...(step.gives.length > 1 && {
          parted: step.gives.map((g) => ({ ...g, name: partedName(plan.flows[g.flow], cx, plan) })),
        }),
        ...pileSays(cx, units, id),
        balanced,
        mixed: (step.inks ?? []).filter(isMixedInk),
        ...(step.inks && { inks: step.inks, series: cx.inkSeries?.name ?? '' }),
        ...(step.inks && cx.parts.some((p) => p.food) && { clear: true as const }),
        ...(before !== null && { clearOf: before }),
        ...(others.length > 0 && { fromJobs: others }),
        links: linksOf(step, makers, value),
        stands: standsOf(step, units, cx, routed.process, plan),
        ...(step.keepsFrom !== undefined && { keepsFrom: step.keepsFrom }),
        ...gatesOf(plan, id),
        ...pileOf(units, cx),
        ...(routed.process.measures && { measures: routed.process.measures(cx) }),
        ...(routed.process.breaks && { breaks: routed.process.breaks(cx) }),
        ...(routed.process.cutsOut && { cutsOut: routed.process.cutsOut(cx) }),
        register: routed.process.registers?.(cx, id) ?? null,
      };
      const sheet: SetupSheet = {
        scene: routed.process.scene(cx),
        rows: (page?.rows ?? []).filter((r) => r.figure === undefined || ledger.has(r.figure)).map((r) => rowSays(r, plan, place)),
        lists: page?.lists ?? [],
        cautions: [...step.cautions.map((c) => CAUTIONS[c] ?? c), CAUTIONS['defers'] ?? ''],
      };
      if (next.some((n) => n.waitS > 0))
        sheet.rows.push([label('nextNotBefore'), figureSays(plan, `${next[0]?.step ?? ''}.startAt`, place)]);
      return [{ step: floor, sheet }];
    }),
  );
}

/** What a step parts into, in words: a section, a design, else the piece of an order. */
const partedName = (flow: Flow | undefined, { versions }: PlannedRun['cx'], plan: Planned['plan']): string =>
  flow?.section ?? versions.find((v) => v.id === flow?.version)?.name ?? partName(flow?.part ?? '', plan);

/** What a step needs of those before it: their pieces, also where others handled them since and their ink still dries; or forms and what else only has to be there first. */
function linksOf(
  step: Step,
  makers: ReadonlyMap<string, readonly string[]>,
  value: (figure: string) => number,
): NonNullable<FloorStep['links']> {
  const pieces = new Set(step.takes.flatMap((t) => makers.get(t.flow) ?? []));
  return [...new Set([...pieces, ...(step.after ?? []), ...step.waits.map((w) => w.after)])].map((of) => {
    const longest = step.waits.filter((w) => w.after === of).reduce((a, w) => Math.max(a, value(w.figure)), 0);
    const why = step.waits.find((w) => w.after === of && value(w.figure) === longest)?.why ?? '';
    const isForm = !pieces.has(of) && (step.after ?? []).includes(of);
    return { of, by: isForm ? 'forms' : 'pieces', waitS: longest, why };
  });
}
/** What its start was reckoned to wait for from outside: what the shelf says but the clock and the machine. */
function gatesOf({ figures }: Planned['plan'], id: Id<'step'>): Pick<FloorStep, 'gates'> {
  const gates = Object.values(figures[`${id}.afterAt`]?.terms ?? {}).flatMap((term) =>
    'value' in term && term.from === 'shelf' && term.at !== 'clock' && !term.at.startsWith('machine:')
      ? [{ key: term.at, at: term.value }]
      : [],
  );
  return gates.length > 0 ? { gates } : {};
}
/** Cycles of a step that gives sheets until a pile stands as high as its machine lays it. */
function pileOf(units: StepUnits, cx: ConsumeContext): Pick<FloorStep, 'pileCycles'> {
  const caliperUm = caliperUmOf(cx);
  if (units.givesUnit !== 'sheet' || caliperUm <= 0) return {};
  const height = limitTerm(cx, 'pileMm', { value: PILE_MM, unit: 'mm', from: 'plant', at: 'practice' });
  const heightMm = 'value' in height ? height.value : PILE_MM;
  return { pileCycles: Math.max(1, Math.floor(sheetsInHeight(heightMm, caliperUm) / Math.max(units.givesPer, 1))) };
}
/** A pile on a pallet, where the machine says nothing. Common practice, no source. */
const PILE_MM = 1_000;

/** The version whose pieces lay on the machine before this step's, by name; null where it follows none. */
function versionBefore({ gives, keepsFrom }: Step, { steps, flows }: Planned['plan'], versions: readonly PartVersion[]): string | null {
  const versionOf = (step: Step | undefined): string | undefined => flows[step?.gives[0]?.flow ?? '']?.version;
  const [before, own] = [versionOf(steps[keepsFrom ?? '']), flows[gives[0]?.flow ?? '']?.version];
  return before === undefined || before === own ? null : (versions.find((v) => v.id === before)?.name ?? before);
}

/** What a part is called on the floor: its product's name in the job. */
const partName = (part: Id<'part'>, plan: Planned['plan']): string => plan.parts[part]?.product ?? part;

const pieceKg = (units: StepUnits, cx: ConsumeContext): number => {
  if (units.unit === null) return 0;
  const [w, h] = sizeOf(units.unit, cx);
  return (w * h * (cx.stock?.gsm ?? 0)) / 1e9;
};

/** Mass and thickness of what a step gives, with what either may be off: measured on the lot, or as the catalogue says. */
function measureOf(units: StepUnits, cx: ConsumeContext, openPpm: number, foldedUm: number): Pick<FloorStep, 'measure'> {
  const caliperUm = caliperUmOf(cx);
  const pieceKgGiven = pieceKg(units, cx) * finerOut(units);
  if (!['sheet', 'copy', 'piece'].includes(units.givesUnit ?? '') || caliperUm <= 0 || pieceKgGiven <= 0 || cx.parts[0]?.traits?.web)
    return {};
  const measured = Object.values(cx.shelf.lots).some((l) => l.stock === cx.stockId && l.caliperUm !== undefined);
  const { measuredPpm, catalogueCaliperPpm, catalogueGsmPpm } = MEASURE_SPREAD;
  return {
    measure: {
      pieceKg: pieceKgGiven,
      kgPpm: catalogueGsmPpm,
      pieceUm: units.givesUnit === 'sheet' ? caliperUm : Math.max(foldedUm, caliperUm),
      umPpm: measured ? measuredPpm : catalogueCaliperPpm,
      openPpm,
    },
  };
}

/** Gripper and lay as the pile's flag shows them: only while there are whole sheets to lay up. */
function pileSays(cx: ConsumeContext, units: StepUnits, step: string): Pick<FloorStep, 'gripper' | 'lay' | 'side'> {
  const side = sideOf(step, cx);
  if (units.givesUnit !== 'sheet' || !cx.layout || cx.parts[0]?.traits?.web) return { gripper: '', lay: '', side };
  const { layChanges, secondGripper } = WORK_STYLES[cx.workStyle];
  const [w] = cx.layout.sheetMm;
  return {
    gripper: `${w} mm edge, ${cx.layout.gripperMm} mm${secondGripper ? '; the other edge in the second pass' : ''}`,
    lay: side === 'back' && layChanges ? 'right, side lay changed' : 'left',
    side,
  };
}
