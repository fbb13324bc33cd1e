import { idOf } from '../quantity/id-of';
import { fig, type Ledger, typed } from '../quantity/ledger';
import { practiceTerm } from '../plant/practice';
import type { Plant } from '../plant/plant';
import { BASE_SAID, CYLINDER_DIAMETER, CYLINDER_TURN, COPPER_WANTED, NEW_BASE, USUAL_STEP_UM } from '../form/cylinder-set';
import type { Part, Traits } from '../product/part';
import type { Roller, RollerSet } from '../product/roller';
import type { CylinderSetWish, EmbossingPairWish } from './cylinder-set-wish';
import type { RouteStone } from './family';

/** What every order of bodies says where it says nothing. */
export const USUAL_BODY = { firstTurnMm: 500, faceMm: 1_450, bandMm: 1_410, chromeUm: 8, hollow: false, stepUm: USUAL_STEP_UM } as const;

/** A body as its row and the order have it. */
export interface BodyAsked {
  /** Last word of its id. */
  key: string;
  name: string;
  station: number;
  stepUm: number;
  base: string;
  baseMm: number | undefined;
  plated: boolean;
  traits: Partial<Pick<Traits, 'engraved' | 'embossing'>>;
}
interface Where {
  ids: { product: string; item: string };
  plant: Plant;
  ledger: Ledger;
}
type BodyWish = Pick<CylinderSetWish & EmbossingPairWish, 'firstTurnMm' | 'faceMm' | 'bandMm' | 'hollow' | 'chromeUm' | 'bodyKg'>;

/** A body as a part of its set: its diameter and turn by its station; its base as it is in the store, else as a new one is turned for the first of the set. */
export function bodyPart(asked: BodyAsked, wish: BodyWish, set: RollerSet, { ids, plant, ledger }: Where): Part {
  const { key, name, station, stepUm, base, baseMm, plated, traits } = asked;
  const of = { ...USUAL_BODY, ...wish };
  const id = idOf(ids.product, key);
  const at = (what: string): string => idOf(id, what);
  const terms = { firstTurnMm: typed(of.firstTurnMm, 'mm', 'firstTurnMm'), stepUm: typed(stepUm, 'µm', 'stepUm') };
  const chromeUm = typed(of.chromeUm, 'µm', 'chromeUm');
  ledger.figure(at('diameterMm'), CYLINDER_DIAMETER, { ...terms, station: typed(station, '1', 'station') });
  ledger.figure(at('turnMm'), CYLINDER_TURN, { diameterMm: fig(at('diameterMm')) });
  ledger.figure(at('firstMm'), CYLINDER_DIAMETER, { ...terms, station: { value: 1, unit: '1', from: 'family', at: 'the first' } });
  if (baseMm === undefined)
    ledger.figure(at('baseMm'), NEW_BASE, {
      diameterMm: fig(at('firstMm')),
      copperUm: plated ? practiceTerm(plant, 'cylinders.newCopperUm') : { value: 0, unit: 'µm', from: 'family', at: 'cut into the steel' },
      chromeUm,
    });
  else ledger.figure(at('baseMm'), BASE_SAID, { base: typed(baseMm, 'mm.001', 'baseMm') });
  ledger.figure(at('copperUm'), COPPER_WANTED, { diameterMm: fig(at('diameterMm')), baseMm: fig(at('baseMm')), chromeUm });
  const roller: Roller = {
    ...{ name, station, base, plated, stepUm },
    faceMm: of.faceMm,
    bandMm: of.bandMm,
    hollow: of.hollow,
    chromeUm: of.chromeUm,
    bodyKg: of.bodyKg ?? 0,
    figures: { diameterMm: at('diameterMm'), turnMm: at('turnMm'), baseMm: at('baseMm'), copperUm: at('copperUm') },
  };
  return {
    id,
    product: ids.product,
    item: ids.item,
    role: key,
    name,
    layouter: 'none',
    widthMm: of.faceMm,
    heightMm: of.firstTurnMm,
    bleedMm: 0,
    leaves: 1,
    grainAlong: null,
    colours: [[], []],
    coveragePercent: {},
    grade: null,
    traits: { roller, rollerSet: set, ...traits },
  };
}
/** Stones by their keys, a run for each body; those that no body needs are left out. */
export const bodyStones = (
  stones: readonly [key: string, process: string, of: readonly Part[]][],
  together: readonly Part[],
  last: readonly [string, string][],
): RouteStone[] => [
  ...stones.flatMap(([key, process, of]): RouteStone[] =>
    of.length > 0 ? [{ key, process, of: of.map((p) => p.id), settings: {}, each: 'part' }] : [],
  ),
  ...last.map(([key, process]): RouteStone => ({ key, process, of: together.map((p) => p.id), settings: {} })),
];
