import type { CardField } from './machine-card';

/** What of a carton style of the works' own a person may set, beside the style it is built on. */
export const CARTON_STYLE_FIELDS: readonly CardField[] = [
  { at: ['name'], key: 'name', kind: 'text' },
  { at: ['flapMm'], key: 'flapMm', kind: 'length' },
  { at: ['tuckMm'], key: 'tuckMm', kind: 'length' },
  { at: ['reliefMm'], key: 'reliefMm', kind: 'length' },
];
