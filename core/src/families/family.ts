import type * as z from 'zod';
import type { Id } from '../quantity/figure';
import type { Ledger } from '../quantity/ledger';
import type { Scene } from '../scene/scene';
import type { ToolKind } from '../form/tool-card';
import type { Plant } from '../plant/plant';
import type { Choices, FamilyId, Settings, Wishes } from '../product/job-spec';
import type { Side } from '../product/foil-area';
import type { Part } from '../product/part';

/** A stone of a family's route: which process, on which parts, and what the family sets on it. Step ids are `part.key`. */
export interface RouteStone {
  key: string;
  process: Id<'process'>;
  of: Id<'part'>[];
  settings: Settings;
  /** One stone of the river with a run for each of these: every form of its parts, every section on them, or every part. */
  each?: 'form' | 'section' | 'part';
  /** What it prints, where that is not all that the forms carry: a second pass prints its own. */
  prints?: [front: string[], back: string[]];
}

/** What was decided on the job's stones: a route may follow it (sections by what the binder holds). */
export type RouteChoices = Pick<Choices, 'machine' | 'settings' | 'process'>;

/** What a family says of itself on screen: its name, the order form's fields, the words of its stones. */
export interface FamilyWords {
  name: string;
  hint: string;
  pieces: string;
  stones: Record<string, string>;
  fields: Record<string, string>;
}

/** Things of one kind under a field, each with fields of its own. Their words are `field.key`, and `field.add` for one more. */
export interface ListOf {
  of: readonly {
    key: string;
    kind: 'text' | 'length' | 'seconds' | 'count' | 'choice';
    /** Of a choice; the first counts where nothing is said. */ options?: readonly string[];
    /** Said after it, before the next. */ then?: string;
    /** What counts where nothing is said. */ usual?: string;
  }[];
  /** Its things have many fields: each is shown with its name. */
  labelled?: true;
  /** Ids are the prefix and a number. */
  prefix: string;
  fresh(n: number): Record<string, unknown>;
}

/** One field of the order form: where it stands in the wish, what kind it is, where on the product's picture it belongs. */
export interface WishField {
  key: string;
  kind: 'length' | 'count' | 'percent' | 'number' | 'inks' | 'choice' | 'flag' | 'text' | 'list';
  /** Of a list: what each of its things says, and what a new one begins with. */
  list?: ListOf;
  onPicture?: 'width' | 'height' | 'folded';
  options?: (plant: Plant) => { value: string; says: string }[];
  most?: number;
  /** Leaving it empty means there is none: it can be taken off. */
  mayBeOff?: true;
}

/** Things of a list that have a place on the product: drawn on each side of it, and moved there. */
export interface Placing {
  /** The list they stand in; each thing says `xMm`, `yMm`. */
  list: string;
  views: { side: Side; scene: Scene }[];
  /** The shape of a thing carries its ref; it may be moved between 0 and the most, so that it stays on the piece. */
  things: { id: string; ref: string; name: string; side: Side; xMm: number; yMm: number; mostXMm: number; mostYMm: number }[];
}

/** Another way to make the same product, which is weighed beside other stocks and presses: other wishes, or something set on its stones, by their keys. */
export interface Way<W> {
  /** Label of the words. */
  says: string;
  wish?: Partial<W>;
  settings?: Readonly<Record<string, Settings>>;
}

/** What of the works a picture depends on: its own styles; and, where they are known already, its stocks. */
export type Drawn = Pick<Plant, 'cartonStyles'> & Partial<Works>;
/** What of the works gives a size to what is made of its papers. */
export type Works = Pick<Plant, 'stocks' | 'practice' | 'usualGrade'>;

/** Whether the papers of the works are known: thickness and spine follow from them. */
export const hasWorks = (drawn: Drawn): drawn is Drawn & Works =>
  drawn.stocks !== undefined && drawn.practice !== undefined && drawn.usualGrade !== undefined;

/** A product line: data and choice of processes. */
export interface Family<F extends FamilyId> {
  id: F;
  /** Of a line that makes tools for other jobs: what lies in the tool store then. */
  makes?: ToolKind;
  /** What a new order calls its product; part ids begin with it. */
  product: Id<'product'>;
  words: FamilyWords;
  wish: z.ZodType<Wishes[F]>;
  fields: WishField[];
  /** What a new order starts from. */
  starts: Wishes[F];
  /** The finished product as a drawing; dimension lines carry the keys of the fields they show as refs. */
  picture(wish: Wishes[F], plant: Drawn): Scene;
  /** What lies on the finished product and is placed by moving it there; null: nothing does. */
  placing?(wish: Wishes[F], plant: Drawn): Placing | null;
  /** Defaults are written to the ledger or the part with their origin. */
  parts(ids: { product: Id<'product'>; item: Id<'item'> }, wish: Wishes[F], plant: Plant, ledger: Ledger): Record<Id<'part'>, Part>;
  route(wish: Wishes[F], parts: Record<Id<'part'>, Part>, chosen: RouteChoices): RouteStone[];
  /** Ways a planner of this line would weigh; none that is in force. */
  ways?(wish: Wishes[F], chosen: RouteChoices): Way<Wishes[F]>[];
}
