import type { Unit } from '../quantity/figure';
import { label } from '../words/en';
import { formatFigure, formatNumber } from '../words/format';

/** What is measured at a step and written down there: its aim, and between what it may lie. Whoever measures it says a number; of a question to be answered 1 is yes, 0 no. */
export interface Measure {
  /** What it is, and behind a point of what: `deltaE.r1`. */
  key: string;
  /** Of which of several, in words. */
  of?: string;
  unit: Unit;
  aim?: number;
  least?: number;
  most?: number;
  /** Answered by yes or no. */
  asked?: true;
}

/** A slip in the last digit of a reading is no reading outside. */
const TOLERANT = 1e-9;
/**
 * Whether a reading lies where it may.
 * @example isWithin({ key: 'taper', unit: 'µm', most: 10 }, 12) // false
 */
export const isWithin = ({ least = -Infinity, most = Infinity }: Measure, value: number): boolean =>
  value >= least - TOLERANT && value <= most + TOLERANT;

/**
 * What a reading is called.
 * @example measureName({ key: 'taper', unit: 'µm' }) // 'taper'
 */
export const measureName = ({ key, of }: Pick<Measure, 'key' | 'of'>): string =>
  [label(`measure.${key.split('.')[0] ?? key}`), of].filter(Boolean).join(', ');

const PLACE = { timeZone: 'UTC', currency: '' };
const inUnit = (value: number, unit: Unit): string => {
  const shown = formatFigure(value, unit, PLACE);
  return [shown.number, shown.unit].filter(Boolean).join(' ');
};
/**
 * The unit in which a reading is typed; none of an answer.
 * @example unitSays({ key: 'taper', unit: 'µm' }) // 'µm'
 */
export const unitSays = ({ unit, asked }: Measure): string => (asked ? '' : formatFigure(0, unit, PLACE).unit);
/**
 * What a reading aims at, and between what it may lie, in words.
 * @example allowedSays({ key: 'thickness', unit: 'µm', aim: 8, least: 5, most: 12 }) // 'aim 8 µm; 5 to 12 µm'
 */
export const allowedSays = (of: Measure): string =>
  [of.aim === undefined ? '' : `${label('measure.aim')} ${inUnit(of.aim, of.unit)}`, boundsSay(of)].filter(Boolean).join('; ');
function boundsSay({ unit, least, most, asked }: Measure): string {
  if (asked) return most === 0 ? 'no' : least === 1 ? 'yes' : 'yes or no';
  if (least !== undefined && most !== undefined) {
    const numbers = formatFigure(least, unit, PLACE).number;
    return `${numbers} to ${inUnit(most, unit)}`;
  }
  return most !== undefined ? `${inUnit(most, unit)} or less` : least !== undefined ? `${inUnit(least, unit)} or more` : '';
}
/**
 * A reading in words.
 * @example readingSays({ key: 'cracks', unit: '1', asked: true }, 0) // 'no'
 */
export const readingSays = ({ unit, asked }: Measure, value: number): string =>
  asked ? (value === 0 ? 'no' : 'yes') : unit === 'µm' ? `${formatNumber(value, 2)} µm` : inUnit(value, unit);
