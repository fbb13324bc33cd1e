import { OutOfRange, requireNotNegative } from '../quantity/errors';
import { floorTolerant } from '../quantity/round-tolerant';
import { portableCos as cos, portableSin as sin } from '../quantity/portable-math';

/**
 * Thickness of a sewn block after nipping: its leaves, and what the threads leave in every fold.
 * Formula: Σ leaves · caliper + sections · swell. Source: arithmetic; swell 0 to 0.06 mm a section, common practice, no source; a dummy wins.
 * @throws OutOfRange swell below 0
 * @example sewnBlockMm({ leavesMm: 13.952, sections: 8, swellMm: 0.03 }) // 14.192
 */
export function sewnBlockMm({ leavesMm, sections, swellMm }: { leavesMm: number; sections: number; swellMm: number }): number {
  requireNotNegative('swellMm', swellMm);
  return leavesMm + sections * swellMm;
}

/** A rounded spine: as long as its arc; the fore-edge is hollow by as much as the spine bulges. */
export interface RoundedSpine {
  arcMm: number;
  hollowMm: number;
}
/**
 * Spine of a block rounded to an angle.
 *
 * Formulas: arc = T · (θ/2) / sin(θ/2); hollow = T · tan(θ/4) / 2. Source: geometry of a circle over the chord T.
 * @param angleDeg 90 to 120 as a rule
 * @throws OutOfRange an angle not between 0 and 180
 * @example roundedSpine(14.192, 90).arcMm // 15.763
 */
export function roundedSpine(blockMm: number, angleDeg: number): RoundedSpine {
  if (!(angleDeg > 0 && angleDeg < 180)) throw new OutOfRange('angleDeg', angleDeg, 'between 0 and 180');
  const half = (angleDeg * Math.PI) / 360;
  const quarter = half / 2;
  return { arcMm: (blockMm * half) / sin(half), hollowMm: (blockMm * sin(quarter)) / cos(quarter) / 2 };
}

/** Fold and thread of a stitch lie so much within the section at either end. Handbook value, from memory. */
const STITCH_MM = 19;
const FREE_ENDS_MM = 30;

/**
 * Stitch groups along a spine, and the thread a section takes.
 * Formulas: ⌊(H − 30) / pitch⌋; groups · 2 · (19 + 2 · section thickness). Source: handbook rule, from memory.
 * @example sewingThread({ heightMm: 150, pitchMm: 25, sectionMm: 1.664 }).groups // 4
 */
export function sewingThread({ heightMm, pitchMm, sectionMm }: { heightMm: number; pitchMm: number; sectionMm: number }): {
  groups: number;
  threadMm: number;
} {
  const groups = Math.max(floorTolerant((heightMm - FREE_ENDS_MM) / pitchMm), 0);
  return { groups, threadMm: groups * 2 * (STITCH_MM + 2 * sectionMm) };
}

/**
 * Sewing cycles of so many books: one a section, and an empty one that parts it from the next.
 * @example sewingCycles(2_110, 8) // 18990
 */
export const sewingCycles = (books: number, sections: number): number => books * (sections + 1);
