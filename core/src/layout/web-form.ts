/** How sheets lie on one turn of the cylinder. */
export interface WebForm {
  lanes: number;
  around: number;
  teeth: number;
  /** Width of a sheet, and its length as it is cut: the repeat shared by the sheets around. */
  sheetMm: [width: number, length: number];
}
