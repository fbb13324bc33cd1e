import type { Surface as PaperSurface } from '../plant/plant';
import type { Lab } from './lab';

/** What a process ink printed solid should look like, and how much a mid tone gains. */
export interface PrintAim {
  lab: Lab;
  density: number;
  /** Colour difference allowed on the sheet that is signed. */
  deltaE: number;
  /** Tone value increase at 50 %, and how far it may be off, in points. */
  tvi50: number;
  tviOff: number;
}
export type ProcessInk = 'K' | 'C' | 'M' | 'Y';

const aim = (lab: Lab, density: number, tvi50: number): PrintAim => ({ lab, density, deltaE: 5, tvi50, tviOff: 4 });

/**
 * Aims by paper. Source: ISO 12647-2, from memory (solids on black backing, TVI curves by eye): the plant's own values replace them in the settings.
 */
export const PRINT_AIMS: Record<PaperSurface, Record<ProcessInk, PrintAim>> = {
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
/** The process inks, by name. */
export const isProcessInk = (ink: string): ink is ProcessInk => Object.hasOwn(PRINT_AIMS.gloss, ink);
