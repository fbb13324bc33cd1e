/** An id of a kind of thing: minted once, never a position in a list. */
export type Id<K extends string> = string & { readonly _?: K };

/** What a flow is counted in. */
export const COUNT_UNITS = [
  'sheet',
  'metre',
  'repeat',
  'roll',
  'board',
  'copy',
  'flat',
  'section',
  'block',
  'piece',
  'band',
  'case',
  'pallet',
] as const;
export type CountUnit = (typeof COUNT_UNITS)[number];
export type Unit =
  | CountUnit
  | '1'
  | 'ppm'
  | '%'
  | 'mm'
  // Read to a thousandth: cylinders, tools.
  | 'mm.001'
  | 'm'
  | 'µm'
  | 'm²'
  | 'cm²'
  | 'g/m²'
  | 'kg'
  | 's'
  | 'h'
  | 'kN'
  | 'mm/s'
  | '1/h'
  | 'money'
  | 'money/h'
  | 'money/kg'
  | 'plate'
  | 'die'
  | 'lift'
  | 'cut'
  | 'cycle'
  | 'moment';

/** Units of which there are no parts: half a plate is a slip. */
const WHOLE: readonly Unit[] = [...COUNT_UNITS.filter((unit) => unit !== 'metre'), 'plate', 'die', 'lift', 'cut', 'cycle'];
/**
 * Whether a figure in this unit is a whole number.
 * @example isWhole('plate') // true
 */
export const isWhole = (unit: Unit): boolean => WHOLE.includes(unit);

/** Where a value came from. */
export type From = 'typed' | 'family' | 'plant' | 'shelf' | 'log' | 'standard' | 'search' | 'guess';

/** One value that went into a figure: another figure, or a value with its origin. `pm` is the half-width of a guess. */
export type Term = { fig: Id<'figure'> } | { value: number; unit: Unit; from: From; at: string; pm?: number };

/** A figure replaced by hand, with a reason and an end date (epoch seconds). */
export interface Override {
  value: number;
  reason: string;
  by: string;
  until: number;
}

export interface Figure {
  value: number;
  unit: Unit;
  formula: Id<'formula'>;
  terms: Readonly<Record<string, Term>>;
  /** In force: `value` is this one, and what the formula gives stands in `computed`. */
  instead?: Override;
  computed?: number;
  /** Half-width of the guess, carried along from the terms. */
  pm?: number;
}

/** How a figure is computed; one constant beside each calculator. Its words stand in the catalogue under the same id. */
export interface Formula<T extends string = string> {
  id: Id<'formula'>;
  unit: Unit;
  source: string;
  /** False where moving the terms one by one would say nothing (a chance: its terms move together). */
  carriesGuess?: false;
  /** The sum of its terms, and nothing else: guesses among them add up without the sum being made again for each. */
  adds?: true;
  of(terms: Record<T, number>): number;
}
