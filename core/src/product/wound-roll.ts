/** Where a roll is cut: after a length, or at the mark that is printed once a repeat. */
export const ROLL_CUTS = ['length', 'mark'] as const;
/** Which side of a roll its print lies on. */
export const PRINTED_SIDES = ['out', 'in'] as const;
/** What is printed on: the surface, or the back of clear film, so that it is seen through it. */
export const PRINT_WAYS = ['surface', 'reverse'] as const;

/** A roll that is wound for who buys it: so long, printed in repeats, on a tube or none. */
export interface WoundRoll {
  lengthMm: number;
  /** It may be longer by so much, and never shorter. */
  overPercent: number;
  /** One turn of the first cylinder. */
  turnMm: number;
  /** Outside of the tube; 0: none. */
  coreMm: number;
  printedSide: (typeof PRINTED_SIDES)[number];
  /** Every roll begins at the same place of the pattern. */
  alike: boolean;
  cut: (typeof ROLL_CUTS)[number];
  printed: (typeof PRINT_WAYS)[number];
  /** Shrink film it is sleeved in, µm; 0: none. */
  sleeveUm: number;
  label: boolean;
  /** Rolls of all designs together in a mixed box; 0: designs are packed apart. */
  aBox: number;
  /** Children or food come near it: what is left of the solvent is measured before anything is wound. */
  solventLimit: boolean;
  /** Overlap of colours that stand in each other's gaps. */
  trapMm: number;
}
declare module './part' {
  interface Traits {
    wound: WoundRoll;
  }
}
