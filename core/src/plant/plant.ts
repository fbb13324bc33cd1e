import type { Abilities } from './abilities';
import type { Id, Unit } from '../quantity/figure';
import type { Fastness } from './fastness';

/** Styles a carton of the works' own may be built on. */
export const CARTON_BASES = ['straight', 'reverse', 'snapLock', 'autoBottom', 'sleeve', 'tray'] as const;
/** A carton style of the works' own, as parameters: what it is built on, and where its flaps differ from the usual ones; mm. */
export interface CartonStyleCard {
  name: string;
  base: (typeof CARTON_BASES)[number];
  flapMm?: number;
  tuckMm?: number;
  reliefMm?: number;
}

/** Where a practice value comes from: a standard, a handbook (from memory), common practice, the plant's own record, or invented for the demo. */
export const PRACTICE_TAGS = ['std', 'book', 'practice', 'own', 'invented'] as const;
export type PracticeTag = (typeof PRACTICE_TAGS)[number];

/** A default of the trade or the plant: value with the half-width of the guess, its tag and its source in words. */
export interface Practice {
  value: number;
  pm: number;
  unit: Unit;
  tag: PracticeTag;
  source: string;
}

/** Half of what a machine can do; the rest (what it prints, folds, packs) belongs to its processes. */
export interface Machine {
  name: string;
  processes: Id<'process'>[];
  /** Rated cycles an hour, and what a shift really runs (learned or set by the plant). */
  perHour: number;
  netPerHour: number;
  crew: number;
  setupS: number;
  setupRepeatS: number;
  setupCostPerHour: number;
  runCostPerHour: number;
  /** Sheet machines: smallest and largest sheet, long side first. */
  minSheetMm?: [number, number];
  maxSheetMm?: [number, number];
  /** Margins and abilities; each kind of work names those it reads. */
  limits: Abilities;
  /** It stands no more, or is not planned on any more: no new plan takes it; what is released runs out on it. */
  retired?: true;
  /** Work sent out is a step like any other. */
  outside?: { supplier: string; days: number; lossPpm: number };
}

/** Machines a plan may take for a kind of work, in the order of their cards. */
export const machinesFor = ({ machines }: Pick<Plant, 'machines'>, process: Id<'process'>): [Id<'machine'>, Machine][] =>
  Object.entries(machines).filter(([, m]) => m.retired === undefined && m.processes.includes(process));

export type Surface = 'gloss' | 'matt' | 'uncoated';

export interface Stock {
  name: string;
  form: 'sheet' | 'roll' | 'board' | 'film' | 'foil' | 'goods';
  /** Stocks of one grade differ by size only: a part wishes a grade, a choice names the stock. */
  grade: string;
  gsm: number;
  caliperUm: number;
  /** What this works adds to every panel of a carton of this board, by its own table; the caliper where nothing is said. */
  panelAddMm?: number;
  widthMm: number;
  lengthMm?: number;
  grain?: 'long' | 'short';
  surface?: Surface;
  totalInkPercent?: number;
  /** Reflectance of the bare stock, 380 to 730 nm by 10 nm; a white of its surface where nothing is said. */
  reflectance?: number[];
  /** Board that gives under the clamp, or is laminated: lower lifts. */
  soft?: boolean;
  /** Price per 1,000 sheets, pieces or metres, from a quantity on; ascending. */
  price: [from: number, perThousand: number][];
  leadDays: number;
  /** Sold in packs of so many; the smallest order the mill takes. */
  packOf?: number;
  leastOrder?: number;
  /** Rolls: mass with core, outer diameter, core diameter and mass; metres for the price. */
  rollKg?: number;
  rollDiameterMm?: number;
  coreMm?: number;
  coreKg?: number;
  /** Self-adhesive laminate: face, adhesive, liner in words; whether the adhesive may lie next to food. */
  laminate?: { face: string; adhesive: string; liner: string; foodSafe: boolean };
  /** Surface tension of a film's printed side. */
  surfaceMnPerM?: number;
}

export interface InkSeries {
  name: string;
  /** Fit for packaging that touches food. */
  lowMigration?: boolean;
  waxed: boolean;
  lampDried: boolean;
  pricePerKg: number;
  /** What it stands, as the maker says. */
  fast?: Fastness[];
  /** Tack of its inks by name, where the maker says. */
  tack?: Record<string, number>;
  /** Wet film it is laid with, g/m², where that is not the usual film of an ink: coatings. */
  filmGsm?: number;
  /** For gravure: thinned at the press until a cup runs out in so many seconds; with water instead of solvent. */
  thinned?: boolean;
  water?: boolean;
}

/** What a process ink printed solid should look like, and how much a mid tone gains. */
export interface PrintAim {
  lab: readonly [l: number, a: number, b: number];
  density: number;
  /** Colour difference allowed on the sheet that is signed. */
  deltaE: number;
  /** Tone value increase at 50 %, and how far it may be off, in points. */
  tvi50: number;
  tviOff: number;
}
export type ProcessInk = 'K' | 'C' | 'M' | 'Y';

/** How a process reckons its losses, and the table it may go by: lines of good and lost cycles, for up to so many inks. */
export interface Spoilage {
  school: 'setupRunning' | 'table';
  tables: { upToInks: number; lines: [good: number, lost: number][] }[];
}

/** A shift: its weekdays (1 = Monday), its hours and breaks, plant-local "HH:MM". One that ends before it begins runs into the next day. */
export interface Shift {
  name: string;
  days: number[];
  from: string;
  to: string;
  breaks: [from: string, to: string][];
}
/** Days on which nobody works, or one machine stands: first and last, plant-local. */
export interface Closed {
  name: string;
  from: string;
  to: string;
  machine?: Id<'machine'>;
}
/** Who may run which machines, in which shifts, and when away. */
export interface Person {
  name: string;
  machines: Id<'machine'>[];
  shifts: Id<'shift'>[];
  away: { from: string; to: string }[];
}
/** When machines and people work. What says nothing keeps the opening hours of the house. */
export interface Calendar {
  shifts: Record<Id<'shift'>, Shift>;
  machines: Record<Id<'machine'>, Id<'shift'>[]>;
  people: Record<Id<'person'>, Person>;
  closed: Record<Id<'closed'>, Closed>;
}
export const NO_CALENDAR: Calendar = { shifts: {}, machines: {}, people: {}, closed: {} };

/** A carton or a pallet of the works: outer size, its own mass, its price. */
export interface PackCard {
  name: string;
  widthMm: number;
  depthMm: number;
  heightMm: number;
  emptyKg: number;
  price: number;
  /** Thickness of its walls, by which its inside is smaller on every side; nothing where they do not count. */
  wallMm?: number;
  /** For pieces that stand on edge: what lies flat is not put into it unless somebody says so. */
  onEdgeOnly?: boolean;
}

/** Slow facts, immutable, named by their hash; below 200 kB. */
export interface Plant {
  schema: 1;
  name: string;
  timeZone: string;
  currency: string;
  machines: Record<Id<'machine'>, Machine>;
  stocks: Record<Id<'stock'>, Stock>;
  inks: Record<Id<'inkSeries'>, InkSeries>;
  /** Varnishes, coatings, primers: what comes from the drum. */
  coats?: Record<Id<'inkSeries'>, InkSeries>;
  /** The series a job runs with when nothing else is said. */
  usualInk: Id<'inkSeries'>;
  /** The grade of sheets a job is made from when nothing else is said. */
  usualGrade: string;
  /** Sparse: only what the plant sets differently from `PRACTICE_DEFAULTS`. */
  practice: Record<string, Practice>;
  /** The school of losses of each process, and its table by number of inks; setup and running loss where nothing is said. */
  spoilage?: Record<Id<'process'>, Spoilage>;
  /** Opening hours by weekday (1 = Monday), plant-local "HH:MM"; the server expands them to UTC intervals for the shelf. */
  hours: Record<string, [from: string, to: string][]>;
  calendar?: Calendar;
  /** Cartons and pallets the works packs into; the trade's usual where nothing is said. */
  cartons?: Record<Id<'carton'>, PackCard>;
  pallets?: Record<Id<'pallet'>, PackCard>;
  /** Carton styles of the works' own. */
  cartonStyles?: Record<Id<'cartonStyle'>, CartonStyleCard>;
  /** Aims of the process inks by paper, where the works sets its own; those of `PRINT_AIMS` where nothing is said. */
  aims?: Partial<Record<Surface, Partial<Record<ProcessInk, PrintAim>>>>;
}

/** Cycles counted on a step: run, good, and those of the rest that went for setting up and as samples. */
export interface Counted {
  run: number;
  good: number;
  done: boolean;
  setup?: number;
  samples?: number;
}
/** What was measured at a step, and by whom. */
export interface Measured {
  value: number;
  by: string;
}
/** A job that makes a tool or pieces for another. */
export interface ChildJob {
  number: number;
  name: string;
  /** Epoch seconds. */
  readyAt: number;
  delivered: boolean;
  /** What it costs the works as planned. */
  money: number;
  /** The card under which what it made lies in the tool store, once it is delivered. */
  tool?: Id<'tool'>;
  /** Of a set of cylinders: what it is made for. */
  cylinders?: CylindersMade;
}
/** The web a set of cylinders prints: one turn of the first, the engraved band, the inks in the order of the stations. */
export interface CylindersMade {
  turnMm: number;
  bandMm: number;
  inks: string[];
}
/** A job that makes something for this one; undefined where it is not there any more. */
export const childOf = ({ jobs = {} }: Pick<Shelf, 'jobs'>, job: Id<'job'>): ChildJob | undefined =>
  Object.hasOwn(jobs, job) ? jobs[job] : undefined;
/** What the works' own log says of a process (on a machine): running loss, setup loss as a factor on what the handbook gives, and how both spread from job to job. */
export interface OwnLoss {
  jobs: number;
  meanPpm: number;
  sdPpm: number;
  /** Standard deviation of the logarithm of the running loss. */
  runningSpread?: number;
  setupFactor?: number;
  setupSpread?: number;
}

/** What the working desks know of a job. */
export interface DeskWords {
  /** Mixed inks by name: whether a draw-down of them was accepted, and what the mixture stands. */
  inks: Record<string, { accepted: boolean; fast?: Fastness[]; lowMigration?: boolean }>;
  /** Versions of the forms that were made, by stone; and how many forms were kept from a job before. */
  forms: Record<Id<'stone'>, { versions: string[]; kept: number }>;
  /** The version of the artwork somebody said yes to last; null where nobody did. */
  approved: string | null;
  /** Colours out of register that no setting brings in, from the last readings of each step. */
  register: { step: Id<'step'>; ink: string; leftMm: number; toleranceMm: number; remedy: string }[];
  /** Ink on the heaviest spot, percent, of the steps whose separations were read. */
  totalInk?: Record<Id<'step'>, number>;
}

/** Fast facts: what this one job touches, cut by the server, kept in snapshots. */
export interface Shelf {
  /** The clock comes in here: epoch seconds. */
  asOf: number;
  /** Sheets of a lot, or metres of a roll; a roll keeps what was weighed and measured. */
  lots: Record<
    Id<'lot'>,
    {
      stock: Id<'stock'>;
      quantity: number;
      owner: 'works' | 'customer';
      caliperUm?: number;
      kg?: number;
      diameterMm?: number;
      coreMm?: number;
    }
  >;
  tools: Record<Id<'tool'>, { spec: string; lifeLeft: number; state: 'store' | 'out' | 'customer' }>;
  losses: Record<Id<'process'> | `${string}@${string}`, OwnLoss>;
  /** How far the losses of a whole job go together, from how many jobs. */
  together?: { spread: number; jobs: number };
  /** Open hours of each machine as UTC intervals; `any` for machines without their own. */
  open: Record<Id<'machine'>, [from: number, to: number][]>;
  gates: Record<string, { state: 'open' | 'waiting' | 'refused'; by?: number }>;
  /** What was logged replaces what was computed. */
  counted: Record<Id<'step'>, Counted>;
  /** What was measured at each step, by the measure's key: the newest. */
  measured?: Record<Id<'step'>, Record<string, Measured>>;
  /** Who wrote at each step that it ran, by name. */
  signed?: Record<Id<'step'>, string[]>;
  /** What the floor has to say beside the counts: differences by place, and handovers nobody has read yet. */
  floor?: { off: { step: Id<'step'> | null; pile: string; by: number }[]; unread: { machine: Id<'machine'>; notes: number }[] };
  /** What the desks have to say: ink kitchen, plates and tools, register. */
  desks?: DeskWords;
  frozen: Record<string, string>;
  /** Due moment of each item in epoch seconds (core knows no time zone), by item id. */
  due: Record<Id<'item'>, number>;
  /** What was ordered of a stock and is on its way: how much comes when. */
  coming?: Record<Id<'stock'>, [at: number, quantity: number][]>;
  /** Work that stands before this job on a machine, of jobs released with an earlier date: how long it takes in all, and the last of them. Absent: nobody knows. */
  busy?: Record<Id<'machine'>, { seconds: number; job: number }>;
  /** Jobs that make something for this one: when each is ready, and whether it was delivered to the store. */
  jobs?: Record<Id<'job'>, ChildJob>;
  /** Largest pallet the customer takes, when the customer says. */
  palletLimit?: { kg: number; heightMm: number };
}

export const EMPTY_SHELF: Shelf = { asOf: 0, lots: {}, tools: {}, losses: {}, open: {}, gates: {}, counted: {}, frozen: {}, due: {} };
