import { OutOfRange, requireNotNegative } from '../quantity/errors';

/* Creep: leaves that lie in one another stand out at the face by the paper around which they are folded, and are cut narrower there. */

/** How a works reckons with the fold: pressed flat, or as a half circle round what lies inside; or by a dummy that was measured. */
export type CreepSchool = 'pressed' | 'round';

/**
 * How many sheets lie outside a page of a nested section: those of the sections outside it, the cover first, and those of its own.
 *
 * Formula: outside + ⌊(min(k, p + 1 − k) − 1) / 2⌋. Source: geometry.
 * @param k place of the page in its section, 1 the first
 * @throws OutOfRange a place that the section has not
 * @example creepLevel({ k: 4, sectionPages: 8, sheetsOutside: 9 }) // 10
 */
export function creepLevel({ k, sectionPages, sheetsOutside }: { k: number; sectionPages: number; sheetsOutside: number }): number {
  if (!(k >= 1 && k <= sectionPages)) throw new OutOfRange('k', k, `1 to ${sectionPages}`);
  requireNotNegative('sheetsOutside', sheetsOutside);
  return sheetsOutside + Math.floor((Math.min(k, sectionPages + 1 - k) - 1) / 2);
}

/**
 * How far a leaf stands out at the face.
 *
 * Formula: sum of the calipers of the sheets outside it (pressed); × π/2 (round). A measured dummy scales all: what it shows in the middle is what the middle has.
 * Source: arithmetic; the two schools are common practice, no source.
 * @param calipersUm of the sheets from the outermost to the innermost, the cover first
 * @param level sheets outside; `measuredMm`: what a dummy shows at the innermost sheet
 * @throws OutOfRange a level deeper than there are sheets
 * @example creepMm({ calipersUm: [180, ...Array(10).fill(95)], level: 10 }) // 1.035
 */
export function creepMm({
  calipersUm,
  level,
  school = 'pressed',
  measuredMm,
}: {
  calipersUm: readonly number[];
  level: number;
  school?: CreepSchool;
  measuredMm?: number;
}): number {
  if (level < 0 || level >= Math.max(calipersUm.length, 1)) throw new OutOfRange('level', level, `0 to ${calipersUm.length - 1}`);
  const outside = (sheets: number): number => calipersUm.slice(0, sheets).reduce((sum, um) => sum + um, 0) / 1000;
  const pressed = outside(level);
  if (measuredMm !== undefined) {
    const innermost = outside(calipersUm.length - 1);
    return innermost > 0 ? (measuredMm * pressed) / innermost : 0;
  }
  return school === 'round' ? (Math.PI / 2) * pressed : pressed;
}
