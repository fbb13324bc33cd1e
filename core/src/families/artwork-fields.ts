import type { WishField } from './family';

/** Fields of the artwork, the same for every printed family. */
export const ARTWORK_FIELDS: readonly WishField[] = [
  { key: 'smallestTypePt', kind: 'number' },
  { key: 'typeInks', kind: 'count' },
  { key: 'finestLineMm', kind: 'length' },
  { key: 'finestOverprintMm', kind: 'length' },
  { key: 'screenPerCm', kind: 'number' },
  { key: 'coatOnGlue', kind: 'flag' },
  { key: 'stands', kind: 'inks' },
];
export const ARTWORK_WORDS: Record<string, string> = {
  smallestTypePt: 'Smallest reversed type, points',
  typeInks: 'Inks it is reversed from',
  finestLineMm: 'Finest line',
  finestOverprintMm: 'Finest overprint',
  screenPerCm: 'Screen, lines a cm',
  coatOnGlue: 'Coat on a glue area',
  stands: 'Must stand (light, lye, fat, heat)',
};
