import type { Id } from '../quantity/figure';

/** How cells come into a cylinder: cut by a stylus into copper, burnt by a laser into zinc, etched through a resist. */
export const ENGRAVING_WAYS = ['stylus', 'laser', 'etch'] as const;
export type EngravingWay = (typeof ENGRAVING_WAYS)[number];
/** How the image stands on the cylinder: mirrored for print on the surface, right for print on the back of clear film. */
export const READINGS = ['mirrored', 'right'] as const;
/** What is printed on: its surface, or the back of clear film that is looked through. */
export const PRINTED_ON = ['surface', 'filmBack'] as const;
/** Between two cylinders a shaft of the press that turns them all, or a drive of each. */
export const DRIVES = ['shaft', 'single'] as const;

/** A body that is plated, cut and chromed: of a cylinder of a set, or of one of a pair of embossing rollers. */
export interface Roller {
  /** What tells it from the others: its ink; male or female. */
  name: string;
  /** Its place in the press; rollers of a pair have 1 both. */
  station: number;
  /** Number of the base in the store; '' where a new one is turned. */
  base: string;
  hollow: boolean;
  stepUm: number;
  faceMm: number;
  bandMm: number;
  chromeUm: number;
  /** False: cut into the steel of the body. */
  plated: boolean;
  /** What the body weighs; 0: nobody said. */
  bodyKg: number;
  /** Its figures: diameter over chrome, what a turn prints, the base, the copper it wants. */
  figures: Record<'diameterMm' | 'turnMm' | 'baseMm' | 'copperUm', Id<'figure'>>;
}
/** What is engraved into a cylinder. */
export interface Engraved {
  /** Of the separation. */
  version: string;
  way: EngravingWay;
  linesPerCm: number;
  angleDeg: number;
  stylusDeg: number;
  /** Width of a full cell. */
  cellUm: number;
  /** Wet film the print asks for; 0: nobody said. */
  filmUm: number;
  /** Finest line and smallest type of its artwork; 0: nobody said. */
  finestUm: number;
  typePt: number;
  reading: (typeof READINGS)[number];
  drive: (typeof DRIVES)[number];
}
/** What is milled into a roller of a pair. */
export interface Embossing {
  is: 'male' | 'female';
  motifs: number;
  widthMm: number;
  heightMm: number;
  /** Of a pad, the share that is motif. */
  motifShare: number;
  maleMm: number;
  reliefMm: number;
  caliperMm: number;
  teeth: number;
}
/** The set a roller belongs to: who owns it, where it is kept, what it is proved on. */
export interface RollerSet {
  owner: string;
  keeper: string;
  place: string;
  /** What it will print on, and what the proof is pulled on. */
  stock: string;
  ink: string;
  proofStock: string;
  proofInk: string;
  printedOn: (typeof PRINTED_ON)[number];
  /** Turns of the run it is made for; 0: nobody said. */
  runTurns: number;
}
declare module './part' {
  interface Traits {
    roller: Roller;
    engraved: Engraved;
    embossing: Embossing;
    rollerSet: RollerSet;
  }
}
