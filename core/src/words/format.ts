import { KG_PER_POUND, M_PER_FOOT, MM_PER_INCH, poundsFromKg, UM_PER_CALIPER_POINT } from '../quantity/units';

/** Thin space between thousands, true minus. */
const THIN = '\u2009';
const MINUS = '\u2212';

/** A number with so many decimals at most (or always: money), thousands set apart by a thin space. */
export function formatNumber(value: number, decimals = 0, keepNoughts = false): string {
  if (!Number.isFinite(value)) return '–';
  const scale = [1, 10, 100, 1000, 10_000][decimals] ?? 1;
  const rounded = Math.round(Math.abs(value) * scale) / scale;
  const [whole = '0', fraction = ''] = rounded.toFixed(decimals).split('.');
  const grouped = whole.replace(/\B(?=(\d{3})+(?!\d))/g, THIN);
  const tail = keepNoughts ? fraction : fraction.replace(/0+$/, '');
  return (value < 0 && rounded !== 0 ? MINUS : '') + grouped + (tail ? `.${tail}` : '');
}

/** A duration as a person says it: "1 h 20", "24 min", "2 d 3 h". */
export function formatDuration(seconds: number): string {
  const minutes = Math.round(seconds / 60);
  if (Math.abs(seconds) < 90) return `${formatNumber(seconds)} s`;
  if (minutes < 60) return `${minutes} min`;
  const hours = Math.floor(minutes / 60);
  if (hours < 100) return minutes % 60 === 0 ? `${hours} h` : `${hours} h ${String(minutes % 60).padStart(2, '0')}`;
  return hours % 24 === 0 ? `${Math.floor(hours / 24)} d` : `${Math.floor(hours / 24)} d ${hours % 24} h`;
}

const moments = new Map<string, Intl.DateTimeFormat>();
function momentFormat(timeZone: string): Intl.DateTimeFormat {
  const known =
    moments.get(timeZone) ??
    new Intl.DateTimeFormat('en-GB', { weekday: 'short', day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit', timeZone });
  moments.set(timeZone, known);
  return known;
}

/** A moment in the plant's own time: "Thu 3 Dec 14:00". */
export function formatMoment(epochS: number, timeZone: string): string {
  if (!Number.isFinite(epochS) || epochS <= 0 || epochS > 8.64e12) return '–';
  const parts = Object.fromEntries(
    momentFormat(timeZone)
      .formatToParts(new Date(epochS * 1000))
      .map((p) => [p.type, p.value]),
  );
  return `${parts['weekday'] ?? ''} ${parts['day'] ?? ''} ${parts['month'] ?? ''} ${parts['hour'] ?? ''}:${parts['minute'] ?? ''}`;
}

/** Units of counts and rates as words, one and many. */
export const UNIT_WORDS: Record<string, [one: string, many: string]> = {
  '1/h': ['an hour', 'an hour'],
  sheet: ['sheet', 'sheets'],
  metre: ['metre', 'metres'],
  repeat: ['repeat', 'repeats'],
  roll: ['roll', 'rolls'],
  board: ['board', 'boards'],
  copy: ['copy', 'copies'],
  flat: ['flat', 'flats'],
  section: ['section', 'sections'],
  block: ['block', 'blocks'],
  piece: ['piece', 'pieces'],
  band: ['band', 'bands'],
  case: ['carton', 'cartons'],
  pallet: ['pallet', 'pallets'],
  plate: ['plate', 'plates'],
  die: ['die', 'dies'],
  lift: ['lift', 'lifts'],
  cut: ['cut', 'cuts'],
  cycle: ['cycle', 'cycles'],
};
/** So many of a thing, in words: "1 layer", "8 layers". */
export const countOf = (count: number, [one, many]: readonly [one: string, many: string]): string =>
  `${formatNumber(count)} ${Math.abs(count) === 1 ? one : many}`;

const DECIMALS: Record<string, number> = {
  mm: 1,
  m: 1,
  kg: 2,
  '%': 1,
  '1': 2,
  money: 2,
  'money/h': 2,
  'money/kg': 2,
  h: 1,
  'g/m²': 1,
  'm²': 2,
  'cm²': 1,
  kN: 0,
};

export interface Shown {
  number: string;
  unit: string;
}

/** How a person reads sizes, masses and calipers. Grammage stays g/m²: a basis weight would need the paper's class. */
export type UnitSystem = 'metric' | 'imperial';

const SIXTY_FOURTHS = 64;
/** Inches as they stand on a rule: whole and sixty-fourths where the length is one, else thousandths. */
function inchText(mm: number, decimals: number): string {
  const parts = (mm / MM_PER_INCH) * SIXTY_FOURTHS;
  const whole = Math.round(parts);
  if (whole === 0 || Math.abs(parts - whole) > 1e-6) return formatNumber(mm / MM_PER_INCH, decimals);
  let [over, below] = [Math.abs(whole) % SIXTY_FOURTHS, SIXTY_FOURTHS];
  while (over > 0 && over % 2 === 0) [over, below] = [over / 2, below / 2];
  const inches = Math.floor(Math.abs(whole) / SIXTY_FOURTHS);
  return (
    (whole < 0 ? MINUS : '') +
    [inches > 0 || over === 0 ? String(inches) : '', over > 0 ? `${over}/${below}` : ''].filter(Boolean).join(' ')
  );
}

/** A length as it is typed by a person of either system: reading it back gives the same millimetres (to 1e-4 mm where it is no fraction). */
export const typedLength = (mm: number, system: UnitSystem): string =>
  system === 'imperial' ? `${inchText(mm, 4)} in` : String(Math.round(mm * 1e4) / 1e4);

const IMPERIAL: Record<string, (value: number) => Shown> = {
  mm: (v) => ({ number: inchText(v, 3), unit: 'in' }),
  'mm.001': (v) => ({ number: formatNumber(v / MM_PER_INCH, 4), unit: 'in' }),
  µm: (v) => ({ number: formatNumber(v / UM_PER_CALIPER_POINT, 1), unit: 'pt' }),
  kg: (v) => ({ number: formatNumber(poundsFromKg(v), 2), unit: 'lb' }),
  m: (v) => ({ number: formatNumber(v / M_PER_FOOT, 0), unit: 'ft' }),
  'mm/s': (v) => ({ number: formatNumber(v / MM_PER_INCH, 1), unit: 'in/s' }),
};

/** Where and for whom a figure is shown. */
export interface Place {
  timeZone: string;
  currency: string;
  units?: UnitSystem;
}

/** A figure's value as it is shown: number and unit apart, so that the unit can stand lighter. */
export function formatFigure(value: number, unit: string, place: Place): Shown {
  const imperial = place.units === 'imperial' ? IMPERIAL[unit] : undefined;
  if (imperial) return imperial(value);
  if (unit === 's') return { number: formatDuration(value), unit: '' };
  if (unit === 'mm.001') return { number: formatNumber(value, 3, true), unit: 'mm' };
  if (unit === 'moment') return { number: formatMoment(value, place.timeZone), unit: '' };
  if (unit === 'ppm') return { number: formatNumber(value / 10_000, 2), unit: '%' };
  if (unit.startsWith('money')) return { number: formatNumber(value, 2, true), unit: unit.replace('money', place.currency) };
  // A card weighs grams: in kilograms it would read 0.
  if (unit === 'kg' && value !== 0 && Math.abs(value) < 0.1) return { number: formatNumber(value * 1000, 1), unit: 'g' };
  const words = UNIT_WORDS[unit];
  if (words) return { number: formatNumber(value, Number.isInteger(value) ? 0 : 1), unit: Math.abs(value) === 1 ? words[0] : words[1] };
  return { number: formatNumber(value, DECIMALS[unit] ?? 1), unit: unit === '1' ? '' : unit };
}

/** An amount with its currency. */
export function formatMoney(value: number, place: Place): string {
  const { number, unit } = formatFigure(value, 'money', place);
  return `${number} ${unit}`;
}

const TYPED: Record<string, { unit: string; per: number }> = {
  s: { unit: 'min', per: 60 },
  ppm: { unit: '%', per: 10_000 },
  '1/h': { unit: 'an hour', per: 1 },
};
const TYPED_IMPERIAL: Record<string, { unit: string; per: number }> = {
  mm: { unit: 'in', per: MM_PER_INCH },
  'mm.001': { unit: 'in', per: MM_PER_INCH },
  µm: { unit: 'pt', per: UM_PER_CALIPER_POINT },
  kg: { unit: 'lb', per: KG_PER_POUND },
  m: { unit: 'ft', per: M_PER_FOOT },
};

/** The unit in which a person types a figure by hand, and how much of the figure's own unit one of it is. */
export function typingUnit(unit: string, place: Place): { unit: string; per: number } {
  const own = { unit: formatFigure(2, unit, place).unit, per: 1 };
  return (place.units === 'imperial' ? TYPED_IMPERIAL[unit] : undefined) ?? TYPED[unit] ?? own;
}

/** An argument of a sentence: a number as people write it, a word as it is. */
export const said = (x: number | string | undefined, decimals = 1): string =>
  typeof x === 'number' ? formatNumber(x, decimals) : (x ?? '');
