import type { Id, Term } from '../quantity/figure';
import type { Flow, Step } from '../flow/net';

/** Pieces that lie in a carton together: a layer's footprint, how many pieces are in it, how thick it is, what paper it holds; what is never parted. */
export interface Bundle {
  footprintMm: [number, number];
  pieces: number;
  layerMm: number;
  paperMm2: number;
  together: number;
  /** Mass of a piece, where it is of several papers: its figure. */
  kg?: Id<'figure'>;
}

/** What lies in a pile between two steps: printed sheets of form 3, cut cards of order B, gathered blocks. */
export interface Batch {
  flow: Id<'flow'>;
  /** The forms and parts it is made of. */
  forms: readonly Id<'form'>[];
  parts: readonly Id<'part'>[];
  /** The section it is, where a sheet was parted into several; null: nothing parted them. */
  section: string | null;
  /** Null: no version is told from another in it. */
  version: Id<'version'> | null;
  /** Steps that left ink on it that has to dry. */
  wet: readonly Id<'step'>[];
  /** What is faulty in it and runs through until it is taken out (a web is not cut for a fault); null: nothing. */
  faults: Term | null;
  /** How its pieces lie together, where they do not come singly. */
  bundle: Bundle | null;
  /** Has to lie so long after a step before anything else takes it: board in its wrapping, glue that sets. */
  rests?: Step['waits'][number];
}

/** A batch that comes to a stone: its flow, and how many of it one piece takes. */
export interface Incoming extends Batch {
  of: Flow;
  times: number;
}

function each<T>(lists: readonly (readonly T[])[]): readonly T[] {
  const [only, ...more] = lists;
  return only && more.length === 0 ? only : [...new Set(lists.flat())];
}

/** The batch a step leaves: what it took, taken together, under the flow it gives; `changes` says what it made of it. */
export function onwards(taken: readonly Batch[], flow: Id<'flow'>, changes: Partial<Batch> = {}): Batch {
  const [lead] = taken;
  const sameVersion = taken.every((b) => b.version === lead?.version);
  return {
    flow,
    forms: each(taken.map((b) => b.forms)),
    parts: each(taken.map((b) => b.parts)),
    section: taken.every((b) => b.section === lead?.section) ? (lead?.section ?? null) : null,
    version: sameVersion ? (lead?.version ?? null) : null,
    wet: each(taken.map((b) => b.wet)),
    faults: taken.find((b) => b.faults !== null)?.faults ?? null,
    bundle: taken.length === 1 ? (lead?.bundle ?? null) : null,
    ...changes,
  };
}
