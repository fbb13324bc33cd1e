/** A sheet cut from the web: pieces across and along, the gap between them, the edge around them. Sizes are trim sizes, in mm. */
export interface WebSheet {
  across: number;
  along: number;
  gapMm: number;
  edgeMm: number;
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
declare module './part' {
  interface Traits {
    /** Printed on a web from the roll; a sheet of its stock where this is not said. */
    web: WebPiece;
  }
}
