import { OutOfRange, requireNotNegative } from '../quantity/errors';
import type { Formula } from '../quantity/figure';
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

/** Straight pieces that an arc is drawn with. */
const ARC_STEPS = 16;
/**
 * Points of a rounded spine over its chord, bulging to the left of x, from the top down: for drawings.
 * Source: geometry of a circle.
 * @throws OutOfRange an angle not between 0 and 180
 * @example arcPoints({ chordMm: 10, angleDeg: 90, x: 0, y: 0 }).length // 17
 */
export function arcPoints({ chordMm, angleDeg, x, y }: { chordMm: number; angleDeg: number; x: number; y: number }): [number, number][] {
  if (!(angleDeg > 0 && angleDeg < 180)) throw new OutOfRange('angleDeg', angleDeg, 'between 0 and 180');
  const half = (angleDeg * Math.PI) / 360;
  const r = chordMm / 2 / sin(half);
  return Array.from({ length: ARC_STEPS + 1 }, (_, i): [number, number] => {
    const a = (2 * i * half) / ARC_STEPS - half;
    return [x - r * (cos(a) - cos(half)), y + chordMm / 2 + r * sin(a)];
  });
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

/* The same as figures that show their working. */

/** Block after nipping. Source: arithmetic; swell common practice, no source. */
export const SEWN_BLOCK: Formula<'textMm' | 'endpapersMm' | 'sections' | 'swellMm'> = {
  id: 'finishing.sewnBlock',
  unit: 'mm',
  source: 'arithmetic; swell common practice, no source',
  of: ({ textMm, endpapersMm, sections, swellMm }) => sewnBlockMm({ leavesMm: textMm + endpapersMm, sections, swellMm }),
};
/** Arc of a rounded spine; angle in degrees. Source: geometry. */
export const ARC: Formula<'blockMm' | 'angleDeg'> = {
  id: 'finishing.arc',
  unit: 'mm',
  source: 'geometry of a circle over the block',
  of: ({ blockMm, angleDeg }) => roundedSpine(blockMm, angleDeg).arcMm,
};
/** Hollow of the fore-edge of a rounded block; angle in degrees. Source: geometry. */
export const HOLLOW: Formula<'blockMm' | 'angleDeg'> = {
  id: 'finishing.hollow',
  unit: 'mm',
  source: 'geometry of a circle over the block',
  of: ({ blockMm, angleDeg }) => roundedSpine(blockMm, angleDeg).hollowMm,
};
/** Cycles of the sewing machine. Source: an empty cycle parts the books; common practice, no source. 2,110 of 8 sections: 18,990. */
export const SEWING_CYCLES: Formula<'books' | 'sections'> = {
  id: 'finishing.sewingCycles',
  unit: 'cycle',
  source: 'a cycle a section, and an empty one between books; common practice, no source',
  of: ({ books, sections }) => sewingCycles(books, sections),
};
/** Stitch groups along the spine. Source: handbook rule, from memory. */
export const STITCH_GROUPS: Formula<'heightMm' | 'pitchMm'> = {
  id: 'finishing.stitchGroups',
  unit: '1',
  source: 'handbook rule, from memory',
  of: ({ heightMm, pitchMm }) => sewingThread({ heightMm, pitchMm, sectionMm: 0 }).groups,
};
/** Thread of a book: every section as the mean of them all. Source: handbook rule, from memory. */
export const THREAD_A_BOOK: Formula<'heightMm' | 'pitchMm' | 'textMm' | 'sections'> = {
  id: 'finishing.threadABook',
  unit: 'mm',
  source: 'handbook rule, from memory',
  of: ({ heightMm, pitchMm, textMm, sections }) =>
    sections > 0 ? sections * sewingThread({ heightMm, pitchMm, sectionMm: textMm / sections }).threadMm : 0,
};
/** Thread of all books. Source: arithmetic. */
export const THREAD_METRES: Formula<'books' | 'eachMm'> = {
  id: 'finishing.threadMetres',
  unit: 'm',
  source: 'arithmetic',
  of: ({ books, eachMm }) => (books * eachMm) / 1000,
};
