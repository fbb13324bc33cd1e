import type { Id } from '../quantity/figure';
import type { Artwork } from './artwork';

/** What a family says of a part that only certain kinds of work ask for; each adds its own by declaration merging. */
// eslint-disable-next-line @typescript-eslint/no-empty-object-type -- empty here on purpose: lines fill it
export interface Traits {}

/** One printed or unprinted piece of a product, and what is asked of it. Sizes are trim sizes of the open piece. */
export interface Part {
  id: Id<'part'>;
  product: Id<'product'>;
  item: Id<'item'>;
  role: string;
  /** What it is called, where its role does not say it: the ink of a cylinder. */
  name?: string;
  widthMm: number;
  heightMm: number;
  bleedMm: number;
  leaves: number;
  /** Along which side of the piece the grain should run: parallel to its folds; null where it does not matter. */
  grainAlong: 'width' | 'height' | null;
  colours: [front: string[], back: string[]];
  /** Typed share of the area covered by an ink, in percent. */
  coveragePercent: Record<string, number>;
  totalInkPercent?: number;
  smallestDistanceMm?: number;
  artwork?: Artwork;
  /** Touches food: binds ink series and adhesive. */
  food?: boolean;
  /** How it is laid on forms. */
  layouter: Id<'layouter'>;
  traits?: { [T in keyof Traits]?: Traits[T] };
  /** Something later, such as a foil, strikes one of its sides: every copy must show the same one. */
  oneSided?: true;
  /** The grade of stock wished; null: it needs none of its own. */
  grade: string | null;
}

/** What a form asks of the way its sheets are worked: how many parts share it, and whether later work strikes one side of the sheet only. */
export interface FormAsk {
  parts: number;
  oneSided: boolean;
}
/**
 * What the parts on a form ask of the way it is worked: how many they are, and whether something strikes one of their sides.
 * @example formAsk([]) // { parts: 0, oneSided: false }
 */
export const formAsk = (parts: readonly Pick<Part, 'oneSided'>[]): FormAsk => ({
  parts: parts.length,
  oneSided: parts.some((p) => p.oneSided === true),
});
