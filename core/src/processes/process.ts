import type { Id, Term } from '../quantity/figure';
import { type Ledger, typed } from '../quantity/ledger';
import type { Scene } from '../scene/scene';
import type { PracticeKey } from '../plant/practice';
import type { InkSeries, Machine, OwnLoss, Plant, Shelf, Stock } from '../plant/plant';
import type { AbilityKey } from '../plant/abilities';
import type { Flow, Step, ToolUse } from '../flow/net';
import type { LossPoint } from '../flow/loss-table';
import type { Counts, LossTerms } from '../flow/solve-backward';
import type { JobSpec, Settings } from '../product/job-spec';
import type { Part } from '../product/part';
import type { PartVersion } from '../product/versions';
import type { LaidSection } from '../signature/sheet-pages';
import type { Layout } from '../layout/layout';
import type { LayoutAsk } from '../layout/usable-sheet';
import type { WorkStyleId } from '../layout/work-style';
import type { WebThatBreaks } from '../counts/web-break';
import type { Measure } from '../quality/measure';
import type { RegisterOf } from '../register/register-of-step';
import type { Form, Prints } from '../layout/form';
import type { Batch, Bundle, Incoming } from './batch';
import type { Finding } from './finding';

/** What every pass tells a process about its place on the route. */
export interface ProcessContext {
  /** Id of the run: of the stone, and where the stone runs several forms, parts or versions, of one of them. Its step is called so where it has only one. */
  id: string;
  stone: Id<'stone'>;
  process: Id<'process'>;
  parts: Part[];
  /** Versions of what is made, in the order they run, with the inks that each changes. */
  versions: PartVersion[];
  settings: Settings;
  machineId: Id<'machine'>;
  machine: Machine;
  plant: Plant;
  shelf: Shelf;
  ledger: Ledger;
}

export interface DraftContext extends ProcessContext {
  /** What the run works on; null: pieces of no one form. */
  form: Form | null;
  layout: Layout | null;
  /** All forms of its parts, of which it may run one. */
  forms: readonly Form[];
  /** All that its product is made of: what is printed on one part may go by the others (marks by how many sections are gathered). */
  product: { parts: readonly Part[]; forms: readonly Form[] };
  /** The section of the form that the run folds; null: it runs all that lies on it. */
  section: LaidSection | null;
  workStyle: WorkStyleId;
  /** Inks of the form, or of what the stone prints on it. */
  prints: Prints;
  /** The version that runs; null: all together, or none is told apart. */
  version: PartVersion | null;
  /** The step whose setting this run finds in the machine: of the version before. */
  keeps: Id<'step'> | null;
  /** The stock of the form, and its caliper figure. */
  stockId: Id<'stock'> | null;
  stock: Stock | null;
  /** What comes in, batch by batch. */
  incoming: Incoming[];
  /** Earlier steps of these batches that left ink to dry, and steps that made forms for this run. */
  wet: Id<'step'>[];
  formsFrom: Id<'step'>[];
  /** Inks dry by lamp or by the clock. */
  inkSeries: InkSeries | null;
  /** Of varnish, coating, primer; null: none is printed, or no card fits. */
  coatSeries: InkSeries | null;
  /** What is faulty of what comes in and runs through until it is taken out; null: nothing. */
  faults: Term | null;
  /** A stone further on takes faulty pieces out. */
  faultsTakenOut: boolean;
  /** What the planner set, by the id of what it is set on: a pass through the press may have settings of its own. */
  setOn: Readonly<Record<string, Settings>>;
  /** How pieces come from the stone before, where they do not come singly. */
  bundle: Bundle | null;
}

export interface Draft {
  steps: Record<Id<'step'>, { step: Step; losses: LossTerms }>;
  flows: Record<Id<'flow'>, Flow>;
  tools: Record<Id<'toolUse'>, ToolUse>;
  /** What carries on; nothing where no pieces pass (plates), several where a sheet is parted into orders or runs as versions. */
  out: Batch[];
  /** Steps that make forms others wait for. */
  makesForms?: Id<'step'>[];
}

export interface ConsumeContext extends DraftContext {
  stepIds: Id<'step'>[];
  steps: Record<Id<'step'>, Step>;
  tools: Record<Id<'toolUse'>, ToolUse>;
  counts: Counts;
}

export type CostKind = 'machine' | 'stock' | 'form' | 'ink' | 'goods' | 'outside';
/** What a stone used: figure ids, for the totals. `fixed` does not grow with the quantity. */
export interface Consumed {
  /** `per`: the count a cost grows with (a step's run, a flow's demand); the run of the stone's first step where nothing is said. */
  costs: { figure: Id<'figure'>; kind: CostKind; fixed: boolean; per?: Id<'figure'> }[];
  inkKg?: Id<'figure'>[];
  plates?: Id<'figure'>[];
  wasteKg?: { kind: string; figure: Id<'figure'> }[];
}

/** One line of a stone's panel: a figure, a text, or a value to edit in place. */
export interface PanelRow {
  label: string;
  figure?: Id<'figure'>;
  text?: string;
  edit?: {
    at: string[];
    kind: 'count' | 'length' | 'percent' | 'hours' | 'seconds' | 'choice' | 'text';
    options?: { value: string; says: string }[];
  };
}

/** The department whose hands a stone's ticket page goes to. */
export type Department =
  | 'store'
  | 'prepress'
  | 'ink'
  | 'press'
  | 'foil'
  | 'engraving'
  | 'plating'
  | 'cylinders'
  | 'guillotine'
  | 'fold'
  | 'sections'
  | 'binding'
  | 'bench'
  | 'sheeting'
  | 'dieCutting'
  | 'breaking'
  | 'gluing'
  | 'inspection'
  | 'packing';

/** What a stone's page says on paper beyond its panel: lists (cuts, lots, inks) and lines a person fills in. */
export interface PaperPage {
  department: Department;
  /** The stone's own drawing; `sheet`: and the sheet as it lies, with gripper and lay. */
  scene: boolean;
  sheet?: true;
  /** Drawings beside the stone's own: what it is about, seen as the person there sees it. */
  more?: Scene[];
  rows: PanelRow[];
  lists: { title: string; head: string[]; rows: string[][] }[];
  blanks: string[];
}

/** A finding that a kind of work makes of each of its own runs; what looks at more than one stone is a rule of the plan. `nr` is its number in the house's list. */
export interface OwnRule {
  code: string;
  nr?: number;
  find(cx: ConsumeContext, spec: JobSpec): Omit<Finding, 'code' | 'at'>[];
}

/** Versions of what is made, as they come to a run that may tell them apart. */
export interface VersionsToTell {
  versions: readonly PartVersion[];
  inks: readonly string[];
  form: Form | null;
}

/** A step on the shop floor as functions; one per kind of work, chosen by families, registered in PROCESSES. */
export interface Process {
  id: Id<'process'>;
  /** Whether a machine that can do the process suits these parts: the default takes the first that does. */
  suits?(machine: Machine, parts: Part[]): boolean;
  /** Of several that suit, the default takes the first that this holds for. */
  prefers?(machine: Machine, parts: Part[]): boolean;
  /** Processes whose place on a route it may take. */
  insteadOf?: readonly Id<'process'>[];
  /** What it reads of a machine's card beside speed, crew, setup and rates. */
  abilities?: readonly AbilityKey[];
  /** What a machine for it takes: sheets between a smallest and a largest, or webs. */
  reach?: 'sheet' | 'web';
  /** May stand as the maker of a set, joining several products. */
  joins?: true;
  /** The practice values its setup (where it is said in cycles) and running loss go by when nothing else is said. */
  losses?: { setup?: PracticeKey; running: PracticeKey; again?: PracticeKey };
  /** Its machine is set for its paper, feeder to delivery: what wants the same paper in the same size next finds it set. */
  feeds?: true;
  /** Makes an image that somebody else has to approve; approves what others made. */
  images?: true;
  approves?: true;
  /** Lays foil on what was printed. */
  laysFoil?: true;
  /** Lays a coat under lamps over what was printed. */
  laysCoat?: true;
  /** Takes out what ran through faulty from an earlier machine. */
  takesOutFaults?: true;
  /** What comes next on the same setting, another form of one die or another order of one outline, is set up with little: in so long. */
  againS?: PracticeKey;
  /** Runs version by version where they differ in what it prints. */
  tellsVersions?(run: VersionsToTell): boolean;
  /** Takes versions together that came apart. */
  joinsVersions?: true;
  /** Parts what lies on a form: behind it every order of a gang goes its own way. */
  parts?: true;
  /** Cuts lifts of sheets by a program of gauges. */
  byGauges?: true;
  /** Parts sheets by straight cuts from edge to edge, and by nothing else. */
  straightCuts?: true;
  /** Has nothing to do on such a form, or to such a section among those of all forms: it goes on as it is. */
  needless?(form: Form, section?: LaidSection, forms?: readonly Form[]): boolean;
  /** What it finds of its own runs. */
  rules?: readonly OwnRule[];
  /** First pass: late machines speak before the layout. */
  asks(cx: ProcessContext): Partial<LayoutAsk>;
  /** Steps, flows, tools and losses. */
  draft(cx: DraftContext): Draft;
  /** After the counts: ink, foil, forms, time, money. */
  consume(cx: ConsumeContext): Consumed;
  /** What of a step is read at the register desk. */
  registers?(cx: ConsumeContext, step: Id<'step'>): RegisterOf | null;
  /** Its web may break: what a break loses is reckoned at the machine. */
  breaks?(cx: ConsumeContext): WebThatBreaks;
  /** Takes faults out of a reel that it winds off backwards: lengths of so many metres. */
  cutsOut?(cx: ConsumeContext): { lengthM: number };
  /** What is measured at it, and between what that may lie: the next step waits while it does not. */
  measures?(cx: ConsumeContext): Measure[];
  /** The forms it makes for a press, by side. */
  forms?(cx: ConsumeContext): { side: string; inks: string[]; plates: { ink: string; version: string }[] }[];
  /** The stone's drawing. */
  scene(cx: ConsumeContext): Scene;
  /** The stone's pages of the ticket. */
  paper(cx: ConsumeContext): PaperPage[];
  /** The same of all its runs together, where one page serves whoever works there: the store pulls for every form in one go. Absent: a page a run. */
  paperOfRuns?(runs: readonly ConsumeContext[]): PaperPage[];
  /** The stone's own panel rows. */
  panel(cx: ConsumeContext): PanelRow[];
  /** One line under the stone's name. */
  summary(cx: ConsumeContext): { figure?: Id<'figure'>; text: string };
}

/** A numeric setting typed on the step, else the default given. */
export function setting(cx: ProcessContext, name: string, otherwise: Term): Term {
  const set = Object.hasOwn(cx.settings, name) ? cx.settings[name] : undefined;
  if (typeof set !== 'number') return otherwise;
  return typed(set, 'fig' in otherwise ? '1' : otherwise.unit, `setting:${cx.id}.${name}`);
}

/** From this many like jobs on, the works' own log takes the place of the handbook. */
export const ENOUGH_LIKE_JOBS = 20;

/** What the works' own log says of a process: on this machine, else on all of them; null below enough like jobs. */
export function ownLoss(cx: Pick<ProcessContext, 'process' | 'machineId' | 'shelf'>): { log: OwnLoss; at: string } | null {
  for (const key of [`${cx.process}@${cx.machineId}`, cx.process]) {
    const log = Object.hasOwn(cx.shelf.losses, key) ? cx.shelf.losses[key] : undefined;
    if (log && log.jobs >= ENOUGH_LIKE_JOBS) return { log, at: `log:${key}, ${log.jobs} jobs` };
  }
  return null;
}

/** The plant's table of losses for this work, if it keeps one: the first for as many inks or more, else the last. */
export function lossTable(cx: ProcessContext, inks = 0): { points: LossPoint[]; inForce: boolean; at: string } | null {
  const kept = cx.plant.spoilage && Object.hasOwn(cx.plant.spoilage, cx.process) ? cx.plant.spoilage[cx.process] : undefined;
  const table = kept?.tables.find((t) => t.upToInks >= inks) ?? kept?.tables.at(-1);
  return kept && table ? { points: table.lines, inForce: kept.school === 'table', at: `spoilage:${cx.process}` } : null;
}

/** A setting that is a word, else the default. */
export function wordSetting(cx: ProcessContext, name: string, otherwise: string): string {
  const set = Object.hasOwn(cx.settings, name) ? cx.settings[name] : undefined;
  return typeof set === 'string' ? set : otherwise;
}

export const settingPath = (cx: ProcessContext, name: string): string[] => ['choices', 'settings', cx.id, name];

/** Where the order says something of what a run makes. */
export const wishPath = ({ parts }: Pick<ProcessContext, 'parts'>, key: string): string[] => [
  'products',
  parts[0]?.product ?? '',
  'wish',
  key,
];

/** A machine's limit as a term; the trade's default where the machine card is silent. */
export function limitTerm(cx: ProcessContext, name: AbilityKey, otherwise: Term): Term {
  const value = cx.machine.limits[name];
  if (value === undefined || 'fig' in otherwise) return otherwise;
  return { value, unit: otherwise.unit, from: 'plant', at: `machine:${cx.machineId}.${name}` };
}

export const machineTerm = (
  cx: ProcessContext,
  name: 'perHour' | 'netPerHour' | 'setupS' | 'setupRepeatS' | 'setupCostPerHour' | 'runCostPerHour' | 'crew',
): Term => ({
  value: cx.machine[name],
  unit: name.endsWith('PerHour') && name.includes('Cost') ? 'money/h' : name.startsWith('setup') ? 's' : name === 'crew' ? '1' : '1/h',
  from: 'plant',
  at: `machine:${cx.machineId}.${name}`,
});
