import type { Formula } from '../quantity/figure';
import { ceilTolerant } from '../quantity/round-tolerant';

const source = 'one plate per ink and form; common practice, no source';
/** Plates of one pass: one per ink; none where the pass runs from the plates of the pass before (work-and-turn, work-and-tumble). */
export const PLATES: Formula<'inks'> = { id: 'form.plates', unit: 'plate', source, of: ({ inks }) => inks };
/** Plates of a side where versions change some inks: colours unchanged, and for each that changes one plate a version. */
export const PLATES_OF_VERSIONS: Formula<'unchanged' | 'changed'> = {
  id: 'form.platesOfVersions',
  unit: 'plate',
  source: 'colours unchanged + versions × colours that change, a side each; common practice, no source',
  of: ({ unchanged, changed }) => unchanged + changed,
};

/**
 * The versions an ink needs a plate of its own for: those that change it, and one for all that do not. A single version needs one.
 * @example platesOfInk('K', [{ name: 'en', changes: [] }, { name: 'de', changes: ['K'] }]) // ['en', 'de']
 */
export function platesOfInk(ink: string, versions: readonly { name: string; changes: readonly string[] }[]): string[] {
  const own = versions.filter((v) => v.changes.includes(ink)).map((v) => v.name);
  if (versions.length < 2 || own.length === 0) return [''];
  const shared = versions.find((v) => !v.changes.includes(ink));
  return shared ? [shared.name, ...own] : own;
}
/**
 * Plates to change when one version follows another on the press: of every ink that either of them changes.
 * @example platesChanged(['K', 'C'], { changes: [] }, { changes: ['K'] }) // ['K']
 */
export const platesChanged = (
  inks: readonly string[],
  from: { changes: readonly string[] },
  next: { changes: readonly string[] },
): string[] => inks.filter((ink) => from.changes.includes(ink) || next.changes.includes(ink));
/**
 * The version whose plate of an ink a version runs with: its own where it changes the ink, else the one shared by those that do not.
 * @example plateOfInk('K', { id: 'de', name: 'de', changes: ['K'] }, [{ id: 'en', name: 'en', changes: [] }]) // 'de'
 */
export const plateOfInk = (ink: string, version: VersionPlates, versions: readonly VersionPlates[]): string =>
  version.changes.includes(ink) ? version.name : (versions.find((v) => !v.changes.includes(ink))?.name ?? '');
interface VersionPlates {
  name: string;
  changes: readonly string[];
}
/** Life of a plate under this ink: rated life × factor. */
export const PLATE_LIFE: Formula<'rated' | 'factor'> = {
  id: 'form.plateLife',
  unit: 'cycle',
  source: 'handbook range, from memory',
  of: ({ rated, factor }) => rated * factor,
};
/** Sets to remake in the run: ⌈impressions / life⌉ − 1. */
export const REMAKES: Formula<'cycles' | 'life' | 'perSet'> = {
  id: 'form.remakes',
  unit: 'plate',
  source: 'arithmetic',
  of: ({ cycles, life, perSet }) => (life > 0 ? Math.max(ceilTolerant(cycles / life) - 1, 0) * perSet : 0),
};
/** Imaging time: the test wedge first, then plate after plate. */
export const IMAGING_TIME: Formula<'plates' | 'each' | 'wedge'> = {
  id: 'form.imagingTime',
  unit: 's',
  source: 'common practice, no source',
  of: ({ plates, each, wedge }) => (plates > 0 ? wedge + plates * each : 0),
};
/** A number of things at a price. */
export const PRICE_OF: Formula<'number' | 'price'> = {
  id: 'form.priceOf',
  unit: 'money',
  source: 'arithmetic',
  of: ({ number, price }) => number * price,
};
/** Heated dies: one a copy and foil area. */
export const FOIL_DIES: Formula<'copiesUp' | 'areas'> = {
  id: 'form.foilDies',
  unit: 'die',
  source: 'one die per copy up; common practice, no source',
  of: ({ copiesUp, areas }) => copiesUp * areas,
};
/** Price of a set of foil dies: by the area of each, and a minimum for each. */
export const FOIL_DIE_PRICE: Formula<'dies' | 'widthMm' | 'heightMm' | 'perCm2' | 'least'> = {
  id: 'form.foilDiePrice',
  unit: 'money',
  source: 'arithmetic, at the plant’s prices',
  of: (t) => t.dies * Math.max((t.widthMm * t.heightMm * t.perCm2) / 100, t.least),
};
