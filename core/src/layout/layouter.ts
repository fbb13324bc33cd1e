import type { Id } from '../quantity/figure';
import type { Ledger } from '../quantity/ledger';
import type { Machine, Plant, Shelf, Stock } from '../plant/plant';
import type { Chosen, ChosenCells, GangForm, Settings } from '../product/job-spec';
import type { Part } from '../product/part';
import type { PartVersion } from '../product/versions';
import type { Form } from './form';
import type { NestAsk } from './nest-ask';
import type { SheetLayoutAsk } from './sheet-layout';
import type { LayoutAsk } from './usable-sheet';
import type { WorkStyleId } from './work-style';

/** A stone that works on the form, a late one too: what it asks, its machine and what is set on it. */
export interface AskingStone {
  id: Id<'stone'>;
  ask: Partial<LayoutAsk>;
  machineId: Id<'machine'>;
  machine: Machine;
  settings: Settings;
}

export interface LayoutContext {
  /** The part's id, or the gang's: figures and choices stand under it. */
  id: Id<'form'>;
  parts: readonly Part[];
  stockId: Id<'stock'>;
  stock: Stock;
  style: WorkStyleId;
  /** The style of one of several forms, where one was chosen for it and the press can print so. */
  styleOf: (form: Id<'form'>) => WorkStyleId | null;
  stones: readonly AskingStone[];
  chosen: Chosen<ChosenCells> | null;
  /** Versions of what is made, in the order they run. */
  versions: readonly PartVersion[];
  /** Good copies wanted of each part, and how many of it somebody set on which form: what a gang is laid out by. */
  wanted: Readonly<Record<Id<'part'>, number>>;
  gangForms: readonly GangForm[];
  /** Places of a gang's die on which nothing is laid, by number. */
  closedPlaces: readonly number[];
  plant: Plant;
  shelf: Shelf;
  ledger: Ledger;
}

/** Why a chosen layout does not count, and the default stands in; `noRoom`: there is none, as not one of each fits. */
export type LayoutTrouble = 'stale' | 'overlap' | 'offSheet' | 'copies' | 'noRoom';

/** What a search for a layout is asked: for rectangles, or for blanks of any outline. */
export type LayoutQuestion = { of: 'rectangles'; ask: SheetLayoutAsk } | { of: 'outline'; ask: NestAsk };

export interface Laid {
  forms: Form[];
  /** The question a search may answer, by what is laid. */
  ask?: LayoutQuestion;
  trouble?: LayoutTrouble;
}

/** Lays one part, or several together, on forms. Chosen by the part, registered in LAYOUTERS. */
export interface Layouter {
  id: Id<'layouter'>;
  /** What it lays them on. */
  stock: Stock['form'];
  /** Its sheets are perfected where the press can and nothing else was chosen. */
  perfects?: true;
  /** Writes its workings to the ledger; a chosen layout counts only while its question is the one asked now and it has no fault. */
  layOut(cx: LayoutContext): Laid;
}
