import type { Formula } from '../quantity/figure';
import { ceilTolerant, floorTolerant } from '../quantity/round-tolerant';
import { PPM } from '../quantity/units';

const geometry = 'geometry: the paper lies as a ring of its own thickness';
const MG_PER_KG_MM = 1e6;

/**
 * Length of a roll from its mass, in metres: what is wound, without the core.
 * Formula: `L = (m − m_core) · 10⁶ / (g · width)`, kg, g/m², mm. Source: definition of grammage (ISO 536). Not rounded.
 */
export const ROLL_LENGTH_BY_MASS: Formula<'rollKg' | 'coreKg' | 'gsm' | 'widthMm'> = {
  id: 'stock.rollLengthByMass',
  unit: 'm',
  source: 'definition of grammage (ISO 536)',
  of: ({ rollKg, coreKg, gsm, widthMm }) => (gsm > 0 && widthMm > 0 ? (Math.max(rollKg - coreKg, 0) * MG_PER_KG_MM) / (gsm * widthMm) : 0),
};
/**
 * Length of a roll from its diameter, in metres.
 * Formula: `L = π(D² − d²) / (4t)`, D and core d in mm, caliper t in µm. Source: geometry. Not rounded.
 */
export const ROLL_LENGTH_BY_DIAMETER: Formula<'diameterMm' | 'coreMm' | 'caliperUm'> = {
  id: 'stock.rollLengthByDiameter',
  unit: 'm',
  source: geometry,
  of: ({ diameterMm, coreMm, caliperUm }) =>
    caliperUm > 0 ? Math.max((Math.PI * (diameterMm * diameterMm - coreMm * coreMm)) / (4 * caliperUm), 0) : 0,
};
/**
 * Diameter of a roll of so many metres, in mm: the inverse of `ROLL_LENGTH_BY_DIAMETER`. Source: geometry.
 * @example rollDiameterMm({ lengthM: 5_000, coreMm: 76, caliperUm: 100 }) // 801.5
 */
export const rollDiameterMm = ({ lengthM, coreMm, caliperUm }: { lengthM: number; coreMm: number; caliperUm: number }): number =>
  Math.sqrt(coreMm * coreMm + (4 * lengthM * caliperUm) / Math.PI);
/** Mass of a running metre of web, in kg: width × grammage. Source: definition of grammage (ISO 536). */
export const METRE_MASS: Formula<'gsm' | 'widthMm'> = {
  id: 'stock.metreMass',
  unit: 'kg',
  source: 'definition of grammage (ISO 536)',
  of: ({ gsm, widthMm }) => (gsm * widthMm) / MG_PER_KG_MM,
};
/** Metres of a roll that can be printed: the length without what stays on the core. */
export const USABLE_LENGTH: Formula<'lengthM' | 'coreWasteM'> = {
  id: 'stock.usableLength',
  unit: 'm',
  source: 'length less core waste; common practice, no source',
  of: ({ lengthM, coreWasteM }) => Math.max(lengthM - coreWasteM, 0),
};
/** The length a plan reckons with: by mass where the roll was weighed, else by diameter. */
export const ROLL_LENGTH: Formula<'byMass' | 'byDiameter'> = {
  id: 'stock.rollLength',
  unit: 'm',
  source: 'house rule: weighed rolls are reckoned by mass, others by diameter',
  of: ({ byMass, byDiameter }) => (byMass > 0 ? byMass : byDiameter),
};
/** Rolls to bring: whole ones. */
export const ROLLS: Formula<'metres' | 'usable'> = {
  id: 'stock.rolls',
  unit: 'roll',
  source: 'arithmetic, whole rolls',
  of: ({ metres, usable }) => (usable > 0 ? ceilTolerant(metres / usable) : 0),
};
/**
 * Turns of web on a roll. Formula: `(D − d) / (2t)`, mm and µm. Source: geometry.
 * @example turnsOnRoll({ diameterMm: 800, coreMm: 76, caliperUm: 100 }) // 3620
 */
export const turnsOnRoll = ({ diameterMm, coreMm, caliperUm }: { diameterMm: number; coreMm: number; caliperUm: number }): number =>
  ((diameterMm - coreMm) * 1000) / (2 * caliperUm);
/**
 * Whole sheets cut from a length of web after a share of waste. Formula: `⌊L · (1 − p) / cut-off⌋`. Source: arithmetic.
 * @example sheetsOfWeb({ webM: 1_000, cutOffM: 0.5, wastePpm: 20_000 }) // 1960
 */
export const sheetsOfWeb = ({ webM, cutOffM, wastePpm }: { webM: number; cutOffM: number; wastePpm: number }): number =>
  cutOffM > 0 ? floorTolerant((webM * (PPM - wastePpm)) / PPM / cutOffM) : 0;
/** Time to change rolls: one change a roll. */
export const ROLL_CHANGES: Formula<'rolls' | 'each'> = {
  id: 'stock.rollChanges',
  unit: 's',
  source: 'common practice, no source',
  of: ({ rolls, each }) => rolls * each,
};
/** Joins in the web that are known downstream: one where each roll but the first begins. */
export const SPLICES: Formula<'rolls'> = {
  id: 'stock.splices',
  unit: '1',
  source: 'one join where each roll but the first begins',
  of: ({ rolls }) => Math.max(rolls - 1, 0),
};
/** Diameter of a finished roll. Formula: √(d² + 4 · length · caliper / π). Source: geometry. */
export const WOUND_DIAMETER: Formula<'lengthM' | 'coreMm' | 'caliperUm'> = {
  id: 'stock.woundDiameter',
  unit: 'mm',
  source: geometry,
  of: rollDiameterMm,
};
