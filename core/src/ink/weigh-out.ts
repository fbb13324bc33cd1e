import { OutOfRange, requireAboveZero, requireNotNegative } from '../quantity/errors';
import type { RecipePart } from './base-ink';

/** The scale of a kitchen shows tenths of a gram; nobody weighs half a per cent closer. */
const SCALE_KG = 0.0001;
const TOLERANCE_SHARE = 0.005;
const LEAST_TOLERANCE_KG = 0.0005;

export interface Weighing {
  base: string;
  kg: number;
  /** The pail on the scale afterwards, and how far this weighing may be off. */
  totalKg: number;
  toleranceKg: number;
}

const onScale = (kg: number): number => Math.round(kg / SCALE_KG) * SCALE_KG;

/**
 * A recipe in the order of weighing: the largest part first, so that the strong small ones come into a pail that can still be topped up;
 * among equals as they stand in the recipe. Common practice, no source.
 *
 * Rounded to what the scale shows. Tolerance: half a per cent, at least half a gram. @throws OutOfRange a mass not above 0, or a recipe without parts
 */
export function weighOut(parts: readonly RecipePart[], massKg: number): Weighing[] {
  requireAboveZero('massKg', massKg);
  const all = parts.reduce((n, p) => n + p.parts, 0);
  requireAboveZero('parts', all);
  let totalKg = 0;
  return [...parts]
    .sort((a, b) => b.parts - a.parts)
    .map(({ base, parts: p }) => {
      const kg = onScale((massKg * p) / all);
      totalKg = onScale(totalKg + kg);
      return { base, kg, totalKg, toleranceKg: Math.max(kg * TOLERANCE_SHARE, LEAST_TOLERANCE_KG) };
    });
}

export interface Reweighed {
  weighings: Weighing[];
  /** The batch grows to this: too much of one base is made good by more of all others. */
  massKg: number;
}
/**
 * Too much of a base is in the pail: what of each makes the recipe right again. What was weighed already is topped up.
 *
 * Formula: the batch grows by the largest of weighed / wanted over the bases weighed so far; never shrinks.
 * @throws OutOfRange a base that is not in the recipe, or a mass below 0
 */
export function reweigh(parts: readonly RecipePart[], massKg: number, weighed: Readonly<Record<string, number>>): Reweighed {
  const all = parts.reduce((n, p) => n + p.parts, 0);
  let grows = 1;
  for (const [base, kg] of Object.entries(weighed)) {
    const part = parts.find((p) => p.base === base);
    if (!part) throw new OutOfRange('base', base, 'one of the recipe');
    requireNotNegative('weighed', kg);
    grows = Math.max(grows, kg / ((massKg * part.parts) / all));
  }
  const grown = massKg * grows;
  return { massKg: grown, weighings: weighOut(parts, grown) };
}

/**
 * Ink to mix for a job: what the plan needs and a reserve for correcting and for the next tin. Formula: `need · (1 + reserve)`.
 * Source: arithmetic; the reserve is the works' own. @throws OutOfRange a need not above 0, a negative reserve
 * @example batchKg(2, 0.1) // 2.2
 */
export function batchKg(neededKg: number, reserve: number): number {
  requireAboveZero('neededKg', neededKg);
  requireNotNegative('reserve', reserve);
  return neededKg * (1 + reserve);
}
