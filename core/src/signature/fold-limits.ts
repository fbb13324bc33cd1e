import { type FoldProgram } from './fold-model';
import { DOUBLE_SCHEMES, pagesOf, SCHEMES } from './schemes';

/** Schemes by the pages on their sheets. */
type SchemesByPages = Readonly<Record<number, FoldProgram>>;
/** Schemes that sections are planned with: the usual one of each size. */
const SECTION_SCHEMES: SchemesByPages = {
  4: SCHEMES.p4,
  8: SCHEMES.p8,
  12: SCHEMES.p12,
  16: SCHEMES.p16,
  24: SCHEMES.p24,
  32: SCHEMES.p32,
};
/** The same of two copies as one length. */
const DOUBLE_SECTION_SCHEMES: SchemesByPages = { 8: DOUBLE_SCHEMES.d4, 16: DOUBLE_SCHEMES.d8, 32: DOUBLE_SCHEMES.d16 };
/** Schemes of sections of one copy, or of two copies as one length. */
export const schemesFor = (isDouble: boolean): SchemesByPages => (isDouble ? DOUBLE_SECTION_SCHEMES : SECTION_SCHEMES);

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
 * Pages on the sheets of the sections that a paper may be folded to, the largest first.
 * @example sizesAllowed(100, [300, 170, 135, 90]) // [16, 12, 8, 4]
 */
export const sizesAllowed = (gsm: number, limits: FoldLimits, stations = Infinity, isDouble = false): number[] =>
  Object.values(schemesFor(isDouble))
    .filter((program) => foldsOfProgram(program) <= Math.min(foldsAllowed(gsm, limits), stations))
    .map(pagesOf)
    .sort((a, b) => b - a);
