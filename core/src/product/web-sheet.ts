/** A sheet cut from the web: pieces across and along, the gap between them, the edge around them. Sizes are trim sizes, in mm. */
export interface WebSheet {
  across: number;
  along: number;
  gapMm: number;
  edgeMm: number;
}
