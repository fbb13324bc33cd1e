import type * as z from 'zod';
import type { FamilyId } from '../product/job-spec';
import type { Family } from './family';
import { booklet } from './booklet';
import { cuttingDie } from './cutting-die';
import { cylinderSet } from './cylinder-set';
import { embossingPair } from './embossing-pair';
import { foilDie } from './foil-die';
import { discSleeve } from './disc-sleeve';
import { foldedCard } from './folded-card';
import { foldingCarton } from './folding-carton';
import { gravureRoll } from './gravure-roll';
import { hardcover } from './hardcover';
import { labelSheet } from './label-sheet';
import { paperback } from './paperback';

/** All product lines by id. One row for a new one. */
export const FAMILIES: { readonly [F in FamilyId]: Family<F> } = {
  'folded-card': foldedCard,
  'label-sheet': labelSheet,
  'folding-carton': foldingCarton,
  'disc-sleeve': discSleeve,
  booklet,
  paperback,
  hardcover,
  'foil-die': foilDie,
  'cutting-die': cuttingDie,
  'cylinder-set': cylinderSet,
  'embossing-pair': embossingPair,
  'gravure-roll': gravureRoll,
};

/** What a works of this trade makes and no family plans yet; a line that comes takes its own out. Their words are the labels `line.…`. */
export const NOT_MADE_YET: readonly string[] = ['onDemand', 'laminatedBox', 'shippingBox', 'envelope', 'secureSheet', 'stationery'];

/** A family by its id, whatever its wish: methods take the wish of their own family. */
const ANY: Readonly<Record<FamilyId, Family<FamilyId>>> = FAMILIES;
export const familyOf = (id: FamilyId): Family<FamilyId> => ANY[id];

/** The wish schema of every family, for the door of core. */
export const wishSchemas = (families: Readonly<Record<string, { wish: z.ZodType }>>): Record<string, z.ZodType> =>
  Object.fromEntries(Object.entries(families).map(([id, f]) => [id, f.wish]));
