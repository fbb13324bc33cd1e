import type { Id } from '../quantity/figure';

/** A design in its lanes, from the operator's side on. */
export interface LaidDesign {
  version: Id<'version'>;
  name: string;
  lanes: number;
}
/** How sheets lie on one turn of the cylinder. */
export interface WebForm {
  lanes: number;
  around: number;
  teeth: number;
  /** Width of a sheet, and its length as it is cut: the repeat shared by the sheets around. */
  sheetMm: [width: number, length: number];
  /** Designs that lie side by side, each in lanes of its own; absent: one at a time has them all. */
  designs?: readonly LaidDesign[];
}
