import { ceilTolerant } from '../quantity/round-tolerant';
import type { Stock } from '../plant/plant';
import { guillotineCount } from './guillotine-count';

/** Sheets of one size cut from a larger one. */
export interface Trim {
  /** Small sheets out of one large. */
  fromOne: number;
  /** Large sheets for a number of small ones. */
  sheets: number;
  /** What falls away, as a share of the large sheet. */
  wasteShare: number;
}

/**
 * Whether a sheet can be cut from a larger one of the same grade, and how many large ones that takes.
 *
 * Formula: pieces out of one by straight cuts (exact count); sheets = ⌈wanted / pieces⌉.
 * Grain: both sheets say theirs, and the small sheet keeps it: pieces are not turned, and lie so that the grain runs along the same side; where either says nothing they may be turned.
 * Null: not the same grade, not both sheets, or not even one fits.
 * Source: geometry; grain kept is common practice, no source.
 */
export function trimToSize(wanted: number, small: Stock, large: Stock): Trim | null {
  const [s, l] = [small, large].map((x) => (x.form === 'sheet' && x.lengthMm !== undefined ? ([x.widthMm, x.lengthMm] as const) : null));
  if (!s || !l || small.grade !== large.grade || s[0] * s[1] >= l[0] * l[1]) return null;
  const grains = [alongGrain(small), alongGrain(large)];
  const [piece, mayTurn] = grains.includes(null) ? [s, true] : [grains[0] === grains[1] ? s : ([s[1], s[0]] as const), false];
  const fromOne = guillotineCount({ width: l[0], height: l[1], pieceWidth: piece[0], pieceHeight: piece[1], mayTurn }).count;
  if (fromOne === 0) return null;
  return { fromOne, sheets: ceilTolerant(wanted / fromOne), wasteShare: 1 - (fromOne * s[0] * s[1]) / (l[0] * l[1]) };
}

/** The side the grain runs along, as the card writes its sides: width or length. Null: the card does not say. */
function alongGrain({ grain, widthMm, lengthMm }: Stock): 'width' | 'length' | null {
  if (grain === undefined || lengthMm === undefined || widthMm === lengthMm) return null;
  return (grain === 'long') === widthMm > lengthMm ? 'width' : 'length';
}
