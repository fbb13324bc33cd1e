import type { Id } from '../quantity/figure';
import type { Supply } from '../flow/net';
import type { Artwork } from './artwork';
import type { WebSheet } from './web-sheet';

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

/** What is cut, slit and counted of a part printed on a web. */
export interface WebPiece extends WebSheet {
  /** As sheets in stacks, or wound on rolls. */
  delivered: 'sheets' | 'rolls';
  perforated: boolean;
  /** Distance between slits in the liner; null: none. */
  backSlitMm: number | null;
  sheetsAStack: number;
  piecesARoll: number;
  wrapped: boolean;
  /** Faulty sheets: destroyed under witness, or recycled. */
  rejects: 'destroy' | 'recycle';
}

/** What a family says of a part that only certain kinds of work ask for; each adds its own by declaration merging. */
// eslint-disable-next-line @typescript-eslint/no-empty-object-type -- empty here on purpose: lines fill it
export interface Traits {}

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
  artwork?: Artwork;
  foils: FoilArea[];
  /** Asked closeness of foil to print. */
  foilToPrintMm?: number;
  applied: AppliedPiece[];
  envelope: { name: string; sealed: boolean; supply: Supply } | null;
  perBand: number;
  perCarton?: number;
  /** Printed on a web from the roll; a sheet of its stock where this is not said. */
  web?: WebPiece;
  /** Touches food: binds ink series and adhesive. */
  food?: boolean;
  /** How it is laid on forms. */
  layouter: Id<'layouter'>;
  traits?: { [T in keyof Traits]?: Traits[T] };
  /** The grade of stock wished; null: it needs none of its own. */
  grade: string | null;
}
