import { requireAboveZero, requireNotNegative } from '../quantity/errors';

/** A class of work on the folder-gluer: belt speed, gap between blanks, most an hour; setting up. Common practice, no source. */
export interface GlueClass {
  metresAMinute: number;
  gapMm: number;
  mostAnHour: number;
  setupS: number;
}
export const GLUE_CLASSES = {
  seam: { metresAMinute: 200, gapMm: 60, mostAnHour: 40_000, setupS: 45 * 60 },
  autoBottom: { metresAMinute: 120, gapMm: 150, mostAnHour: 25_000, setupS: 90 * 60 },
  fourCorner: { metresAMinute: 90, gapMm: 250, mostAnHour: 20_000, setupS: 120 * 60 },
} as const satisfies Record<string, GlueClass>;
export type GlueClassId = keyof typeof GLUE_CLASSES;

/** What of the belts' speed a shift keeps. Common practice, no source: 0.6 to 0.8. */
const NET_SHARE = 0.7;

/**
 * Blanks an hour on the folder-gluer, belts running and over a shift.
 *
 * Formula: gross = min(most, 60,000 v / (R + gap)), R the blank's extent along the creases the belts fold, v in m/min; net = 0.7 gross.
 * Source: geometry; the share is common practice, no source.
 * @throws OutOfRange extent not above 0
 * @example gluerRate('seam', 252.32).gross // 38422.1
 */
export function gluerRate(work: GlueClassId, extentMm: number): { gross: number; net: number } {
  requireAboveZero('extentMm', extentMm);
  const { metresAMinute, gapMm, mostAnHour } = GLUE_CLASSES[work];
  const gross = Math.min(mostAnHour, (60_000 * metresAMinute) / (extentMm + gapMm));
  return { gross, net: NET_SHARE * gross };
}

/** A bead stops short of either end of its joint, so that no glue is pressed out. Common practice, no source. */
const BEAD_ENDS_MM = 5;
/** Cold glue in a bead, g a metre: 0.5 to 1.2. Common practice, no source. */
const BEAD_G_PER_M = 0.8;

/**
 * Length of the bead along a joint, mm, and the glue in it, g.
 * Formula: joint − 2·5; × 0.8 g/m. Source: common practice, no source.
 * @throws OutOfRange joint below 0
 * @example beadOf(118.44) // { mm: 108.44, g: 0.086752 }
 */
export function beadOf(jointMm: number): { mm: number; g: number } {
  requireNotNegative('jointMm', jointMm);
  const mm = Math.max(jointMm - 2 * BEAD_ENDS_MM, 0);
  return { mm, g: (mm / 1000) * BEAD_G_PER_M };
}
