import type { Formula } from '../quantity/figure';

/**
 * Time an engraving machine and its people spend on dies: metal is milled away around the raised image, then the die is looked at under the loupe.
 *
 * `dies × (area × time an area + time to look)`
 * @example 6 dies of 20 cm² at 45 s/cm² and 600 s to look: 6 × (20 × 45 + 600) = 9,000 s
 * Source: arithmetic; the times are the plant's (common practice, no source).
 */
export const ENGRAVING_TIME: Formula<'dies' | 'widthMm' | 'heightMm' | 'perCm2' | 'look'> = {
  id: 'form.engravingTime',
  unit: 's',
  source: 'arithmetic',
  of: ({ dies, widthMm, heightMm, perCm2, look }) => dies * (((widthMm * heightMm) / 100) * perCm2 + look),
};

/**
 * Side of the metal of a die: its image, and the metal left around it, by which it is held.
 * @example 40 mm and 5 mm around: 40 + 2 × 5 = 50 mm
 * Source: arithmetic.
 */
export const DIE_SIDE: Formula<'imageMm' | 'marginMm'> = {
  id: 'form.dieSide',
  unit: 'mm',
  source: 'arithmetic',
  of: ({ imageMm, marginMm }) => imageMm + 2 * marginMm,
};

/**
 * Time a die room takes for cutting dies: every metre of rule is slotted, bent and set, every metre of rubber laid; then counter plate, stripping frame, blanking
 * grid and a proof.
 *
 * `dies × ((cut + crease) × time a metre + rubber × time a metre + plates)`
 * @example 1 die of 15 m cut and 11 m crease at 240 s, 27 m of rubber at 40 s, plates 4 h: 26 × 240 + 27 × 40 + 14,400 = 21,720 s
 * Source: arithmetic; the times are the plant's (common practice, no source).
 */
export const DIE_ROOM_TIME: Formula<'dies' | 'cutM' | 'creaseM' | 'ruleS' | 'rubberM' | 'rubberS' | 'platesS'> = {
  id: 'form.dieRoomTime',
  unit: 's',
  source: 'arithmetic',
  of: ({ dies, cutM, creaseM, ruleS, rubberM, rubberS, platesS }) => dies * ((cutM + creaseM) * ruleS + rubberM * rubberS + platesS),
};
