import type { Plant, PrintAim, ProcessInk, Surface } from '../plant/plant';

const aim = (lab: PrintAim['lab'], density: number, tvi50: number): PrintAim => ({ lab, density, deltaE: 5, tvi50, tviOff: 4 });

/**
 * Aims by paper. Source: ISO 12647-2, from memory (solids on black backing, TVI curves by eye): the plant's own values replace them in the settings.
 */
export const PRINT_AIMS: Record<Surface, Record<ProcessInk, PrintAim>> = {
  gloss: {
    K: aim([16, 0, 0], 1.75, 16),
    C: aim([55, -36, -50], 1.45, 14),
    M: aim([48, 74, -3], 1.45, 14),
    Y: aim([89, -4, 93], 1.3, 14),
  },
  matt: {
    K: aim([18, 1, 0], 1.7, 18),
    C: aim([55, -34, -48], 1.4, 16),
    M: aim([48, 71, -2], 1.4, 16),
    Y: aim([87, -4, 89], 1.25, 16),
  },
  uncoated: {
    K: aim([33, 1, 1], 1.2, 22),
    C: aim([58, -25, -43], 1.0, 20),
    M: aim([54, 58, -2], 1.0, 20),
    Y: aim([86, -4, 75], 0.95, 20),
  },
};
/**
 * The process inks, by name.
 * @example isProcessInk('C') // true
 */
export const isProcessInk = (ink: string): ink is ProcessInk => Object.hasOwn(PRINT_AIMS.gloss, ink);

/** The aim of an ink on a paper: the works' own, else the standard's from memory. */
export const aimOf = (plant: Pick<Plant, 'aims'>, surface: Surface, ink: ProcessInk): PrintAim =>
  plant.aims?.[surface]?.[ink] ?? PRINT_AIMS[surface][ink];
