import { SIDES } from '../product/foil-area';
import type { ListOf } from './family';

type Column = ListOf['of'][number];
const SIZE: readonly Column[] = [
  { key: 'name', kind: 'text' },
  { key: 'widthMm', kind: 'length', then: '×' },
  { key: 'heightMm', kind: 'length' },
];
const PLACE: readonly Column[] = [
  { key: 'xMm', kind: 'length', then: '·' },
  { key: 'yMm', kind: 'length' },
];

/** Foil areas in an order form: name, size, colour, side and place of each; a new one begins so large. */
export const foilList = (widthMm: number, heightMm: number): ListOf => ({
  of: [...SIZE, { key: 'colour', kind: 'text' }, { key: 'side', kind: 'choice', options: SIDES }, ...PLACE],
  prefix: 'f',
  fresh: (n) => ({ name: `foil ${n}`, widthMm, heightMm }),
});
/** Reliefs: as foil areas, but neither coloured nor on a side of their own. */
export const reliefList = (widthMm: number, heightMm: number): ListOf => ({
  of: [...SIZE, ...PLACE],
  prefix: 'r',
  fresh: (n) => ({ name: `relief ${n}`, widthMm, heightMm }),
});

/** What is asked of foil areas, the same for every family that has them. */
export const FOIL_FIELD_WORDS: Record<string, string> = {
  foils: 'Foil areas',
  'foils.name': 'Name of the foil area',
  'foils.widthMm': 'Foil width',
  'foils.heightMm': 'Foil height',
  'foils.colour': 'Foil colour',
  'foils.side': 'Side of the foil',
  'foils.xMm': 'From left',
  'foils.yMm': 'From top',
  'foils.add': 'Add a foil area',
  foilToPrintMm: 'Foil to print, asked',
};
