import type { Practice } from './plant';

/** A range [a to b]: default = its middle, half-width of the guess = half the range (trade rule for defaults). */
export const range = (a: number, b: number, unit: Practice['unit'], tag: Practice['tag'], source: string): Practice => ({
  value: (a + b) / 2,
  pm: (b - a) / 2,
  unit,
  tag,
  source,
});
export const fixed = (value: number, unit: Practice['unit'], tag: Practice['tag'], source: string): Practice => ({
  value,
  pm: 0,
  unit,
  tag,
  source,
});
export const BOOK = 'handbook range, from memory';
export const PRACTICE = 'common practice, no source';
export const hours = (h: number): number => h * 3600;
