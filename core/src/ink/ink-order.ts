import { isFromTheDrum } from '../product/ink-names';

/** Tack of process inks graded to be laid in this order, the stiffest first; a series may say its own. Common practice, values from memory. */
export const USUAL_TACK: Readonly<Record<string, number>> = { K: 13, C: 12, M: 11, Y: 10 };

type Place = 'K' | 'C' | 'M' | 'Y' | 'ground' | 'special' | 'drum';
/** Opaque inks that lie beneath the others, or on film behind them. */
export const GROUND = /white|gold|silver|bronze|copper|ground/i;

/**
 * Schools of ink order. `null`: by the inks' tack. Special inks, varnish and coating follow in the order they were asked for, but where a school gives them a place.
 * On paper by gravure the opaque ground comes first and black last, to draw the outlines; printed in reverse on film the other way round, white last.
 * Source: handbook, from memory.
 */
export const INK_ORDER_SCHOOLS = {
  blackFirst: ['K', 'C', 'M', 'Y', 'special'],
  cyanFirst: ['C', 'M', 'Y', 'K', 'special'],
  yellowFirst: ['Y', 'M', 'C', 'K', 'special'],
  fallingTack: null,
  groundFirst: ['ground', 'Y', 'M', 'C', 'special', 'K', 'drum'],
  groundLast: ['K', 'special', 'C', 'M', 'Y', 'ground', 'drum'],
} as const satisfies Record<string, readonly Place[] | null>;
export type InkOrderSchool = keyof typeof INK_ORDER_SCHOOLS;

/**
 * The inks of a pass in printing order; nothing is lost or doubled. `tack` goes by name; an ink whose tack is not known comes after those whose is.
 * @example inkOrder(['Y', 'M', 'C', 'K'], 'blackFirst') // ['K', 'C', 'M', 'Y']
 */
export function inkOrder(inks: readonly string[], school: InkOrderSchool, tack: Readonly<Record<string, number>> = USUAL_TACK): string[] {
  const places: readonly Place[] | null = INK_ORDER_SCHOOLS[school];
  const rank = places ? (ink: string): number => placeIn(places, ink) : (ink: string): number => -(own(tack, ink) ?? -Infinity);
  // Sorting keeps the order asked for where two rank alike.
  return [...inks].sort((a, b) => Math.sign(rank(a) - rank(b)) || 0);
}
function placeIn(places: readonly Place[], ink: string): number {
  const kinds: readonly string[] = [ink, isFromTheDrum(ink) ? 'drum' : GROUND.test(ink) ? 'ground' : 'special', 'special'];
  return kinds.map((kind) => places.findIndex((p) => p === kind)).find((at) => at >= 0) ?? places.length;
}
const own = (tack: Readonly<Record<string, number>>, ink: string): number | undefined => (Object.hasOwn(tack, ink) ? tack[ink] : undefined);

/** CIELAB lightness of process inks printed solid on coated paper, whole numbers. Source: ISO 12647-2, values from memory. */
const PROCESS_LIGHTNESS: Readonly<Record<string, number>> = { K: 16, C: 55, M: 48, Y: 89 };
/** What a name says of a special ink's lightness, the first that fits. Common practice, no source: a guess, but yellow is no black. */
const BY_NAME: readonly [RegExp, number][] = [
  [/white|varnish|coat|lacquer|primer|taggant/i, 95],
  [/yellow|cream|ivory|lemon|straw/i, 85],
  [/gold|silver|pastel|light|pale|pink|rose/i, 72],
  [/black|soot/i, 16],
  [/navy|dark|deep|midnight|brown/i, 28],
];
const MIDDLE_LIGHTNESS = 50;

/**
 * How light an ink is, as CIELAB L* of its solid: a unit that goes to a lighter ink is washed with more care. Special inks by what their name says, else in the middle.
 * @example inkLightness('Y') > inkLightness('K') // true
 */
export const inkLightness = (ink: string): number =>
  own(PROCESS_LIGHTNESS, ink) ?? BY_NAME.find(([says]) => says.test(ink))?.[1] ?? MIDDLE_LIGHTNESS;
