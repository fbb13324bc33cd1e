import { type FoldProgram } from './fold-model';
import { pagesOf, SCHEMES, type SchemeId } from './schemes';

/** Schemes that sections are planned with, by their pages: the usual one of each. */
export const SECTION_SCHEMES: Readonly<Record<number, SchemeId>> = { 4: 'p4', 8: 'p8', 12: 'p12', 16: 'p16', 24: 'p24', 32: 'p32' };

/** Right-angle folds one after another that a scheme takes. */
export const foldsOfProgram = ({ steps }: FoldProgram): number => steps.filter((s) => s.do === 'fold').length;

/** Heaviest paper that takes so many folds, the first for one fold; g/m². */
export type FoldLimits = readonly number[];

/**
 * Folds that a paper takes.
 * Source: common practice, no source: 1 up to 300 (scored), 2 up to 170, 3 up to 135, 4 up to 90 (perforated).
 * @example foldsAllowed(100, [300, 170, 135, 90]) // 3
 */
export const foldsAllowed = (gsm: number, limits: FoldLimits): number => limits.filter((limit) => gsm <= limit).length;

/**
 * Pages of the sections that a paper may be folded to, the largest first.
 * @example sizesAllowed(100, [300, 170, 135, 90]) // [16, 12, 8, 4]
 */
export const sizesAllowed = (gsm: number, limits: FoldLimits, stations = Infinity): number[] =>
  Object.values(SECTION_SCHEMES)
    .map((id): FoldProgram => SCHEMES[id])
    .filter((program) => foldsOfProgram(program) <= Math.min(foldsAllowed(gsm, limits), stations))
    .map(pagesOf)
    .sort((a, b) => b - a);
