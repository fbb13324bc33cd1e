import { requireAboveZero, requireNotNegative } from '../quantity/errors';
import type { Formula } from '../quantity/figure';
import { ceilTolerant } from '../quantity/round-tolerant';

/** Force a die wants for each millimetre of its rules, and what is added; common practice, no source, for boards of 300 to 350 g/m². */
export const DIE_FORCE = { cutNPerMm: 35, creaseNPerMm: 17.5, reserve: 1.4, rubber: 1.15 } as const;

/**
 * Force a flat-bed press wants for a die, in kN.
 *
 * Formula: (cut · 35 N/mm + crease · 17.5 N/mm) × 1.4 for uneven bedding × 1.15 for the rubber.
 * Source: common practice, no source.
 * @throws OutOfRange lengths below 0
 * @example dieForceKn({ cutMm: 15_338.5, creaseMm: 11_355.4 }) // 1184.3
 */
export function dieForceKn({
  cutMm,
  creaseMm,
  cutNPerMm = DIE_FORCE.cutNPerMm,
  creaseNPerMm = DIE_FORCE.creaseNPerMm,
  reserve = DIE_FORCE.reserve,
  rubber = DIE_FORCE.rubber,
}: { cutMm: number; creaseMm: number } & Partial<Record<keyof typeof DIE_FORCE, number>>): number {
  requireNotNegative('cutMm', cutMm);
  requireNotNegative('creaseMm', creaseMm);
  return ((cutMm * cutNPerMm + creaseMm * creaseNPerMm) * reserve * rubber) / 1000;
}
/** The same as a figure. */
export const DIE_FORCE_KN: Formula<'cutMm' | 'creaseMm' | keyof typeof DIE_FORCE> = {
  id: 'form.dieForce',
  unit: 'kN',
  source: 'common practice, no source',
  of: dieForceKn,
};
/** Rules of a die of so many places, in metres: what is cut, or creased, of each blank. */
export const DIE_METRES: Formula<'places' | 'eachMm'> = {
  id: 'form.dieMetres',
  unit: 'm',
  source: 'arithmetic',
  of: ({ places, eachMm }) => (places * eachMm) / 1000,
};
/** The same where neighbours share cuts: each such stretch is one rule, not two. */
export const DIE_METRES_SHARED: Formula<'places' | 'eachMm' | 'commonMm'> = {
  id: 'form.dieMetresShared',
  unit: 'm',
  source: 'arithmetic',
  of: ({ places, eachMm, commonMm }) => (places * eachMm - commonMm) / 1000,
};
/** What of its rated force a press is asked for. */
export const DIE_LOAD: Formula<'forceKn' | 'ratedKn'> = {
  id: 'form.dieLoad',
  unit: '%',
  source: 'arithmetic',
  of: ({ forceKn, ratedKn }) => (ratedKn > 0 ? (100 * forceKn) / ratedKn : 0),
};
/** A die with its counter plate, frame and grid: by the metre of its rules, and so much for the plates. */
export const DIE_COST: Formula<'cutM' | 'creaseM' | 'perMetre' | 'plates'> = {
  id: 'form.dieCost',
  unit: 'money',
  source: 'arithmetic, at the plant’s prices',
  of: ({ cutM, creaseM, perMetre, plates }) => (cutM + creaseM) * perMetre + plates,
};
/** Nicks of a sheet. */
export const NICKS: Formula<'places' | 'outlineMm'> = {
  id: 'form.nicks',
  unit: '1',
  source: '⌈outline / 200 mm⌉ a blank; common practice, no source',
  of: ({ places, outlineMm }) => places * nicksOf(outlineMm),
};
/** Rubber beside the cutting rules, metres: so many times their length. */
export const RUBBER_METRES: Formula<'cutM' | 'times'> = {
  id: 'form.rubberMetres',
  unit: 'm',
  source: 'common practice, no source',
  of: ({ cutM, times }) => cutM * times,
};

/** From this caliper on the creasing rule is the thicker one. Common practice, no source. */
const THICK_BOARD_MM = 0.6;
/**
 * Thickness of the creasing rule, mm: two and three points, as they are sold.
 * @example creaseRuleMm(0.44) // 0.71
 */
export const creaseRuleMm = (caliperMm: number): number => (caliperMm > THICK_BOARD_MM ? 1.05 : 0.71);

/**
 * Width of the channel in the counter plate, mm, to a tenth: board has room on both sides of the rule; across the grain, and of recycled board, a tenth more.
 *
 * Formula: 1.5 t + rule (+ 0.1 across the grain) (+ 0.1 recycled). Source: handbook rule, from memory.
 * @throws OutOfRange caliper not above 0
 * @example channelMm({ caliperMm: 0.44, acrossGrain: true }) // 1.5
 */
export function channelMm({
  caliperMm,
  acrossGrain,
  recycled = false,
}: {
  caliperMm: number;
  acrossGrain: boolean;
  recycled?: boolean;
}): number {
  requireAboveZero('caliperMm', caliperMm);
  const width = 1.5 * caliperMm + creaseRuleMm(caliperMm) + (acrossGrain ? 0.1 : 0) + (recycled ? 0.1 : 0);
  return Math.round(width * 10) / 10;
}

/** Height of a cutting rule, mm. */
const CUT_RULE_MM = 23.8;
/**
 * Height of the creasing rule, mm, to a twentieth: lower than the cutting rule by the board.
 * Formula: 23.80 − t. Source: handbook rule, from memory.
 * @example creaseRuleHeightMm(0.44) // 23.35
 */
export const creaseRuleHeightMm = (caliperMm: number): number => Math.round((CUT_RULE_MM - caliperMm) * 20) / 20;

/** So far apart are nicks that hold a blank in its sheet. Common practice, no source: 150 to 250 mm. */
const NICK_EVERY_MM = 200;
/**
 * Nicks of a blank. Formula: ⌈outline / 200 mm⌉. Source: common practice, no source.
 * @example nicksOf(1_258.21) // 7
 */
export const nicksOf = (outlineMm: number): number => ceilTolerant(outlineMm / NICK_EVERY_MM);

/**
 * Finished pieces from which a new die with more places is the cheaper one: what it costs over what each piece saves.
 *
 * Formula: Q = die / (c / n_old − c / n_new), c what a sheet costs all in. Null: the new one never is.
 * @throws OutOfRange places or costs not above 0
 * @example newDieFrom({ dieCost: 1_454.37, perSheet: 0.36, placesNow: 8, placesNew: 12 }) // 96958
 */
export function newDieFrom({
  dieCost,
  perSheet,
  placesNow,
  placesNew,
}: {
  dieCost: number;
  perSheet: number;
  placesNow: number;
  placesNew: number;
}): number | null {
  for (const [field, value] of Object.entries({ dieCost, perSheet, placesNow, placesNew })) requireAboveZero(field, value);
  const saved = perSheet / placesNow - perSheet / placesNew;
  return saved > 0 ? dieCost / saved : null;
}
