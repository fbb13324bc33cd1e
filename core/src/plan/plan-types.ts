import type { Figure, Id } from '../quantity/figure';
import type { Flow, Step, ToolUse } from '../flow/net';
import type { Counts } from '../flow/solve-backward';
import type { Form } from '../layout/form';
import type { Part } from '../product/part';
import type { Finding, FindingArgs } from '../processes/finding';
import type { PanelRow } from '../processes/process';

/** A stone of the river: one place on the route with its steps, panel and picture line. Of a stone that runs several forms, parts or versions all runs together. */
export interface Stone {
  id: Id<'stone'>;
  key: string;
  /** The product it works for, where the job makes several and it works for one; '' else. */
  product: string;
  /** Of one run among several: which; '' else. */
  name: string;
  /** Its runs, where it has several. */
  runs: { id: Id<'stone'>; name: string; steps: Id<'step'>[] }[];
  process: Id<'process'>;
  family: string;
  parts: Id<'part'>[];
  machine: Id<'machine'>;
  machineName: string;
  outside: boolean;
  steps: Id<'step'>[];
  summary: { figure?: Id<'figure'>; text: string };
  panel: PanelRow[];
  cautions: Id<'caution'>[];
  /** Figures the river shows: what comes in, what leaves, in which unit; null where no pieces pass. */
  in: Id<'figure'> | null;
  out: Id<'figure'> | null;
  perGoodIn: number;
  perGoodOut: number;
  lost: { kind: string; figure: Id<'figure'>; perGood: number }[];
  /** What of the loss goes as a rule, in finished copies; and what lies before its steps as a reserve, in pieces of what each takes. */
  likely: { figure: Id<'figure'>; share: number }[];
  reserve: { figure: Id<'figure'>; perGood: number }[];
  /** Once anything of the job was counted: what goes in and comes out for good, in cycles, and finished copies in a cycle. */
  real: { run: Id<'figure'>; good: Id<'figure'>; copiesIn: number; copiesOut: number; counted: boolean; done: boolean } | null;
  setupS: Id<'figure'>;
  runS: Id<'figure'>;
  waitS: Id<'figure'>[];
  startAt: Id<'figure'>;
  endAt: Id<'figure'>;
}

export type TotalKey =
  | 'sheets'
  | 'metres'
  | 'money'
  | 'perThousand'
  | 'runOn'
  | 'machineS'
  | 'waitS'
  | 'inkKg'
  | 'plates'
  | 'readyAt'
  | 'chance'
  | 'reserve'
  | 'wasteKg';

/** The plan: plain JSON, everything derived from spec, plant and shelf. */
export interface Plan {
  /** Four names: same four, same plan. */
  of: { core: string; spec: string; plant: string; shelf: string };
  parts: Record<Id<'part'>, Part>;
  /** The forms its parts lie on: one sheet, one turn of a cylinder each. */
  forms: Record<Id<'form'>, Form>;
  /** Parts of several orders that share a form, by gang. */
  gangs: Record<Id<'form'>, Id<'part'>[]>;
  tools: Record<Id<'toolUse'>, ToolUse>;
  flows: Record<Id<'flow'>, Flow>;
  steps: Record<Id<'step'>, Step>;
  stones: Stone[];
  counts: Counts;
  /** Rows of the order: items; where an item's versions are told apart each of them, named by item and version. */
  items: Record<
    Id<'item'>,
    {
      item: Id<'item'>;
      version: Id<'version'> | null;
      product: Id<'product'>;
      goods: Id<'flow'>;
      wanted: Id<'figure'>;
      least: Id<'figure'>;
      most: Id<'figure'>;
      chance: Id<'figure'> | null;
      /** Good pieces at the end by what was counted, with the range nine of ten such jobs lie in; null while nothing is counted. */
      forecast: { good: Id<'figure'>; low: Id<'figure'>; high: Id<'figure'> } | null;
    }
  >;
  totals: Partial<Record<TotalKey, Id<'figure'>>>;
  /** What the ready date rests on: codes with arguments. */
  assumptions: { code: string; args: FindingArgs }[];
  figures: Record<Id<'figure'>, Figure>;
  findings: Finding[];
}
