import type { CardField } from './machine-card';

/** Everything of an ink series' card that a person may set, beside what it stands and its tack. */
export const INK_FIELDS: readonly (CardField | { at: string[]; key: string; kind: 'flag' })[] = [
  { at: ['name'], key: 'name', kind: 'text' },
  { at: ['pricePerKg'], key: 'pricePerKg', kind: 'number' },
  { at: ['filmGsm'], key: 'filmGsm', kind: 'number' },
  { at: ['lampDried'], key: 'lampDried', kind: 'flag' },
  { at: ['waxed'], key: 'waxed', kind: 'flag' },
  { at: ['lowMigration'], key: 'lowMigration', kind: 'flag' },
  { at: ['thinned'], key: 'thinned', kind: 'flag' },
  { at: ['water'], key: 'water', kind: 'flag' },
];
