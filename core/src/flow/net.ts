import type { CountUnit, Id, Term } from '../quantity/figure';
import type { Batch } from './counts';
import type { LossPoint } from './loss-table';

export type Supply =
  | { from: 'here' }
  | { from: 'customer' }
  | { from: 'buy'; leadDays: number }
  | { from: 'stock'; stock: Id<'stock'>; lot?: Id<'lot'> | undefined }
  | { from: 'store'; tool: Id<'tool'> }
  | { from: 'job'; job: Id<'job'>; item: Id<'item'> };

/** Pieces of a part in one state, in one unit. */
export interface Flow {
  unit: CountUnit;
  part: Id<'part'>;
  item: Id<'item'>;
  version?: Id<'version'>;
  /** The section it is, in words, where a sheet was parted into several. */
  section?: string;
  /** Units per finished copy: gives the river one common width. */
  perGood: number;
  /** The same for each item, where copies of several lie on one sheet. */
  perGoodOf?: Record<Id<'item'>, number>;
  /** So many equal flows held as one: the sheets of twelve sections alike. Counts are those of one. */
  alike?: number;
  /** Only where no step makes it. */
  supply?: Supply;
}

/**
 * What one cycle takes or gives of a flow. `spoilPpm`: supplied pieces spoilt while they are put on. `comesBack`: out of a spoilt cycle it is taken and put in
 * again. `share`: two machines make one flow.
 */
export interface Port {
  flow: Id<'flow'>;
  per: number;
  spoilPpm?: number;
  comesBack?: true;
  share?: number;
}

export interface Loss {
  setupCycles: number;
  runningPpm: number;
  samples: number;
  /** Lost cycles per begun batch of so many cycles, kind by kind: rolls, reels, piles. Plans of older programs hold one, not a list. */
  perBatch?: readonly Batch[];
  /** The table school: what so many good cycles lose, in place of setup and running loss. */
  table?: LossPoint[];
  /** What goes as a rule: the above are allowances, which most jobs stay under. Absent in plans of older programs: as much as is set aside. */
  likely?: { setup: number; runningPpm: number; tableShare?: number };
}

/** Why a step waits on the clock. */
export type WaitReason = 'turn' | 'pass' | 'coat' | 'foil' | 'cut' | 'rest';

/** One process on one machine. A cycle is one impression, cut sheet, fold, box, metre. */
export interface Step {
  process: Id<'process'>;
  /** The stone of the river: twelve section steps can be one stone. */
  stone: Id<'stone'>;
  takes: Port[];
  gives: Port[];
  loss: Loss;
  /** Good cycles it makes though fewer would do: somebody, or the forms of a gang, set them. */
  least?: number;
  /** True: a cycle always takes its full complement (a sheet is cut whole). False: the last one may be part-filled (band, carton, pallet). */
  whole: boolean;
  machine: Id<'machine'>;
  needs: { gate: string; tool?: Id<'toolUse'> }[];
  /** Steps that must be done first though no pieces pass between them: plates and dies are made for the press. */
  after?: Id<'step'>[];
  /** Elapsed time between the end of an earlier step and this one's start: ink dries by the clock, not by the shift. */
  waits: { after: Id<'step'>; figure: Id<'figure'>; why: WaitReason }[];
  keepsFrom?: Id<'step'>;
  /** So many equal steps held as one, run one after another: twelve sections alike. Counts and times are those of one. */
  alike?: number;
  /** Sent out: the days it takes, on the clock, and when it is agreed to be back (epoch seconds). */
  outside?: { days: number; returnBy: number | null };
  /** Inks by unit, for the wash-up between steps; and what of them is printed on which side. */
  inks?: string[];
  prints?: { side: 'front' | 'back'; inks: string[] }[];
  cautions: Id<'caution'>[];
}

/** A figure id of a form or tool's use. */
export interface ToolUse {
  kind: string;
  spec: string;
  count: Id<'figure'>;
  cycles: Id<'figure'>;
  remakes: Id<'figure'>;
  supply: Supply;
  /** What a job of the works has to make for it: a product line and its wish, some of it by figures of this plan, rounded up. Absent: the works makes none of these. */
  made?: { family: string; wish: Record<string, unknown>; figures?: Record<string, Id<'figure'>> };
}

/** The counted net: steps joined by flows; acyclic. `wanted` is what leaves the house, by flow and item. */
export interface Net {
  flows: Record<Id<'flow'>, Flow>;
  steps: Record<Id<'step'>, Step>;
  wanted: Record<Id<'flow'>, Record<string, Term>>;
  /** What lies before a step beyond what it is planned to take, by flow. */
  reserve?: Readonly<Record<Id<'flow'>, Record<string, Term>>>;
}

/**
 * What a cycle takes of a flow, counted for one of equal steps: twelve sections alike pull twelve times from a stock they share, and one of each when they are
 * gathered.
 * @example takesOf({}, { flow: 'f', per: 2 }, { f: {} }) // 2
 */
export const takesOf = (step: Step, { flow, per }: Port, flows: Net['flows']): number =>
  per * Math.max((step.alike ?? 1) / (flows[flow]?.alike ?? 1), 1);

interface Order {
  order: Id<'step'>[];
  circular: Id<'step'>[];
}
/** Orders already found: a net is walked by every pass, and its steps do not change. */
const found = new WeakMap<object, Order>();

/** Steps so that every maker stands before its takers; steps in a circle (a broken net) are left out and named. */
export function makersFirst(steps: Readonly<Record<Id<'step'>, Step>>): Order {
  const known = found.get(steps);
  if (known) return known;
  const made = inOrderOfMaking(steps);
  found.set(steps, made);
  return made;
}

function inOrderOfMaking(steps: Readonly<Record<Id<'step'>, Step>>): Order {
  const makers = new Map<Id<'flow'>, Id<'step'>[]>();
  for (const [id, step] of Object.entries(steps)) for (const { flow } of step.gives) makers.set(flow, [...(makers.get(flow) ?? []), id]);
  const order: Id<'step'>[] = [];
  const before = (step: Step): Id<'step'>[] => [
    ...step.takes.flatMap(({ flow }) => makers.get(flow) ?? []),
    ...(step.after ?? []).filter((id) => Object.hasOwn(steps, id)),
  ];
  const waiting = new Map(Object.entries(steps).map(([id, step]) => [id, new Set(before(step))]));
  for (
    let ready = [...waiting.keys()].filter((id) => waiting.get(id)?.size === 0);
    ready.length > 0;
    ready = [...waiting.keys()].filter((id) => waiting.get(id)?.size === 0)
  ) {
    for (const id of ready) {
      order.push(id);
      waiting.delete(id);
      for (const others of waiting.values()) others.delete(id);
    }
  }
  return { order, circular: [...waiting.keys()] };
}
