import { type Fit, leastSquares } from '../quantity/least-squares';
import { studentT } from '../quantity/student-t';
import type { Mark, Reading } from './reading';

/** What a colour may be off by. Shifts in mm; shears, stretch in mm a metre; fan-out in mm a square metre. */
export const REGISTER_TERMS = ['shiftX', 'shiftY', 'slantX', 'slantY', 'stretchX', 'stretchY', 'fan'] as const;
export type RegisterTerm = (typeof REGISTER_TERMS)[number];
/** Which marks would show a term that these do not. */
export type MissingMark = 'any' | 'side' | 'tail' | 'corner';

export type TermFound =
  /** `pm`: half-width of the 95 % interval; null where nothing is left over to tell it from. `real`: more than that from nothing. */
  | { known: true; value: number; pm: number | null; real: boolean }
  /** Never 0: these marks cannot show it. */
  | { known: false; missing: MissingMark };
export interface RegisterFit {
  terms: Record<RegisterTerm, TermFound>;
  /** What no term explains, mark by mark, in mm. */
  left: { mark: string; dxMm: number; dyMm: number }[];
  /** Standard deviation of a reading about the fit, mm; null where nothing is left over. */
  sdMm: number | null;
  /** The reading that does not belong to the others, if there is one: set aside. */
  aside: string | null;
  read: number;
}

interface Column {
  term: RegisterTerm;
  missing: MissingMark;
  of: (x: number, y: number) => number;
}
/** Places in metres from the middle of the sheet, so that a term does not stand for another's shift. */
const ACROSS: readonly Column[] = [
  { term: 'shiftX', missing: 'any', of: () => 1 },
  { term: 'slantX', missing: 'tail', of: (_x, y) => y },
  { term: 'stretchX', missing: 'side', of: (x) => x },
  { term: 'fan', missing: 'corner', of: (x, y) => x * y },
];
const ROUND: readonly Column[] = [
  { term: 'shiftY', missing: 'any', of: () => 1 },
  { term: 'slantY', missing: 'side', of: (x) => x },
  { term: 'stretchY', missing: 'tail', of: (_x, y) => y },
];

interface Placed {
  id: string;
  x: number;
  y: number;
  dx: number;
  dy: number;
}
/** Chance of setting aside a reading though all belong together. */
const WRONGLY_ASIDE = 0.01;
/** A reading this near is never set aside: two people read a loupe no closer. */
const READ_TO_MM = 0.02;
const CONFIDENCE = 0.95;

/**
 * How a colour lies against the reference colour.
 *
 * Formula: least squares of dx = tx + b·y + sx·x + f·x·y and dy = ty + a·x + sy·y, x and y from the middle of the sheet; one standard deviation for both directions;
 * 95 % intervals by Student's t. A term is taken in only where its column stands apart from those before it: what the marks cannot show is named, never 0.
 * One reading may be wrong: the one whose deleted residual is beyond t at 1 % (shared among all readings) is set aside and named.
 * Source: least squares, Golub & Van Loan ch. 5; deleted residuals, Cook & Weisberg 1982. a = slantY, b = slantX; a ≈ −b is a rotation.
 */
export function fitRegister(marks: readonly Mark[], readings: readonly Reading[], sheetMm: readonly [number, number]): RegisterFit {
  const placed = readings.flatMap(({ mark, dxMm, dyMm }): Placed[] => {
    const at = marks.find((m) => m.id === mark);
    return at ? [{ id: mark, x: (at.xMm - sheetMm[0] / 2) / 1000, y: (at.yMm - sheetMm[1] / 2) / 1000, dx: dxMm, dy: dyMm }] : [];
  });
  const all = bothWays(placed);
  const wrong = wrongReading(placed, all);
  const kept = wrong === null ? placed : placed.filter((p) => p.id !== wrong);
  const { across, round, sd, freedom } = wrong === null ? all : bothWays(kept);
  const t = freedom > 0 ? studentT(CONFIDENCE, freedom) : null;
  const terms = Object.fromEntries(
    [...found(across, sd, t), ...found(round, sd, t)].map(({ term, ...is }) => [term, is]),
  ) as unknown as RegisterFit['terms'];
  return {
    terms,
    left: kept.map((p, i) => ({ mark: p.id, dxMm: across.fit?.residuals[i] ?? p.dx, dyMm: round.fit?.residuals[i] ?? p.dy })),
    sdMm: freedom > 0 ? sd : null,
    aside: wrong,
    read: placed.length,
  };
}

interface OneWay {
  columns: readonly Column[];
  used: readonly Column[];
  rows: number[][];
  fit: Fit | null;
}
/** One direction with as many terms as the marks can show. */
function oneWay(placed: readonly Placed[], columns: readonly Column[], value: (p: Placed) => number): OneWay {
  let used: Column[] = [];
  let [rows, fit]: [number[][], Fit | null] = [[], null];
  for (const column of columns) {
    const with_ = [...used, column];
    const wider = placed.map((p) => with_.map((c) => c.of(p.x, p.y)));
    const tried = leastSquares(wider, placed.map(value));
    if (tried && standsApart(wider)) [used, rows, fit] = [with_, wider, tried];
  }
  return { columns, used, rows, fit };
}
/** Columns that differ by less than this of their length are one and the same to a loupe. */
const APART = 0.02;
function standsApart(rows: readonly (readonly number[])[]): boolean {
  const last = (rows[0]?.length ?? 1) - 1;
  if (last === 0) return true;
  const fit = leastSquares(
    rows.map((r) => r.slice(0, last)),
    rows.map((r) => r[last] as number),
  );
  const length = Math.sqrt(rows.reduce((n, r) => n + (r[last] as number) * (r[last] as number), 0));
  const own = Math.sqrt((fit?.residuals ?? []).reduce((n, r) => n + r * r, 0));
  return fit !== null && own > APART * length;
}

interface BothWays {
  across: OneWay;
  round: OneWay;
  sd: number;
  freedom: number;
}
function bothWays(placed: readonly Placed[]): BothWays {
  const across = oneWay(placed, ACROSS, (p) => p.dx);
  const round = oneWay(placed, ROUND, (p) => p.dy);
  const freedom = (across.fit?.freedom ?? 0) + (round.fit?.freedom ?? 0);
  const squares = [across, round].reduce((n, way) => n + (way.fit?.residuals ?? []).reduce((s, r) => s + r * r, 0), 0);
  return { across, round, sd: freedom > 0 ? Math.sqrt(squares / freedom) : 0, freedom };
}

function found({ columns, used, fit }: OneWay, sd: number, t: number | null): ({ term: RegisterTerm } & TermFound)[] {
  return columns.map(({ term, missing }) => {
    const at = used.findIndex((c) => c.term === term);
    if (at < 0 || !fit) return { term, known: false, missing };
    const value = fit.x[at] as number;
    const pm = t === null ? null : t * sd * Math.sqrt((fit.inverse[at] as number[])[at] as number);
    return { term, known: true, value, pm, real: pm !== null && Math.abs(value) > pm };
  });
}

/** The mark whose reading does not belong to the others; null where none stands out, or too few are left to tell. */
function wrongReading(placed: readonly Placed[], { across, round, sd, freedom }: BothWays): string | null {
  const left = freedom - 2;
  if (left < 3 || !across.fit || !round.fit) return null;
  const limit = studentT(1 - WRONGLY_ASIDE / (2 * placed.length), left);
  const squares = sd * sd * freedom;
  let worst: { id: string; t: number } | null = null;
  for (let i = 0; i < placed.length; i++) {
    const ways = [across, round].map((way) => {
      const row = way.rows[i] as number[];
      const inverse = way.fit?.inverse ?? [];
      const leverage = row.reduce((n, a, r) => n + a * row.reduce((m, b, c) => m + b * ((inverse[r] as number[])[c] as number), 0), 0);
      const residual = way.fit?.residuals[i] as number;
      return { residual, own: Math.max(1 - leverage, 1e-9) };
    });
    const rest = squares - ways.reduce((n, w) => n + (w.residual * w.residual) / w.own, 0);
    const without = Math.sqrt(Math.max(rest, 0) / left);
    for (const { residual, own } of ways) {
      if (Math.abs(residual / own) < READ_TO_MM) continue;
      const t = without > 0 ? Math.abs(residual) / (without * Math.sqrt(own)) : Infinity;
      if (t > limit && (worst === null || t > worst.t)) worst = { id: (placed[i] as Placed).id, t };
    }
  }
  return worst?.id ?? null;
}
