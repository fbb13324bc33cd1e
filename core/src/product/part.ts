import type { Id } from '../quantity/figure';
import type { Supply } from '../flow/net';

/** A hot-foil area on a part. */
export interface FoilArea {
  id: Id<'foil'>;
  name: string;
  widthMm: number;
  heightMm: number;
  foilStock?: Id<'stock'>;
  tool?: Id<'tool'>;
}
/** A piece put on by hand, so many on each copy. */
export interface AppliedPiece {
  id: Id<'piece'>;
  name: string;
  secondsEach: number;
  each: number;
  supply: Supply;
}

/** One printed or unprinted piece of a product, and what is asked of it. Sizes are trim sizes of the open piece. */
export interface Part {
  id: Id<'part'>;
  product: Id<'product'>;
  item: Id<'item'>;
  role: string;
  widthMm: number;
  heightMm: number;
  bleedMm: number;
  leaves: number;
  folds: number;
  foldedWidthMm: number;
  /** Along which side of the piece the grain should run: parallel to its folds; null where it does not matter. */
  grainAlong: 'width' | 'height' | null;
  colours: [front: string[], back: string[]];
  /** Typed share of the area covered by an ink, in percent. */
  coveragePercent: Record<string, number>;
  totalInkPercent?: number;
  smallestDistanceMm?: number;
  foils: FoilArea[];
  /** Asked closeness of foil to print. */
  foilToPrintMm?: number;
  applied: AppliedPiece[];
  envelope: { name: string; sealed: boolean; supply: Supply } | null;
  perBand: number;
  perCarton?: number;
  /** The grade of stock wished. */
  grade: string;
}
