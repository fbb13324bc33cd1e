import { requireAboveZero, requireNotNegative } from '../quantity/errors';
import { seeded } from '../quantity/seeded';

/** Pieces reckoned from a measure, and how far that may be off either way. */
export interface MeasuredCount {
  pieces: number;
  pm: number;
}

/**
 * Pieces of a stack by its weight.
 *
 * Formula: pieces = (kg − tare) ÷ mass of a piece, rounded; ± = pieces × spread of the grammage + what the scale may be off, in pieces. The two are added: both may be
 * off the same way.
 * Source: arithmetic; counting finished stacks by weight is common practice, no source.
 *
 * @throws OutOfRange mass of a piece not above 0, any other below 0
 * @example countByWeight({ kg: 12.5, tareKg: 0.5, pieceKg: 0.012, spreadPpm: 10_000, scaleKg: 0.005 }) // { pieces: 1_000, pm: 11 }
 */
export function countByWeight(t: { kg: number; tareKg: number; pieceKg: number; spreadPpm: number; scaleKg: number }): MeasuredCount {
  requireAboveZero('pieceKg', t.pieceKg);
  requireNotNegative('kg', t.kg);
  requireNotNegative('tareKg', t.tareKg);
  const pieces = Math.max((t.kg - t.tareKg) / t.pieceKg, 0);
  return { pieces: Math.round(pieces), pm: Math.ceil((pieces * t.spreadPpm) / 1e6 + t.scaleKg / t.pieceKg - 1e-9) };
}

/**
 * Pieces of a pile by its height.
 *
 * Formula: pieces = height ÷ thickness of a piece, rounded; ± = pieces × spread of the caliper + what the rule may be off, in pieces.
 * Source: geometry; common practice, no source.
 *
 * @throws OutOfRange thickness not above 0, height below 0
 * @example countByHeight({ heightMm: 400, pieceUm: 400, spreadPpm: 10_000, ruleMm: 1 }) // { pieces: 1_000, pm: 13 }
 */
export function countByHeight(t: { heightMm: number; pieceUm: number; spreadPpm: number; ruleMm: number }): MeasuredCount {
  requireAboveZero('pieceUm', t.pieceUm);
  requireNotNegative('heightMm', t.heightMm);
  const pieces = (t.heightMm * 1000) / t.pieceUm;
  return { pieces: Math.round(pieces), pm: Math.ceil((pieces * t.spreadPpm) / 1e6 + (t.ruleMm * 1000) / t.pieceUm - 1e-9) };
}

/**
 * Whether a count may be written down: it is not off by more than what is at stake. Else it is counted by hand.
 * @example isGoodEnough({ pieces: 480, pm: 6 }, 5) // false
 */
export const isGoodEnough = ({ pm }: MeasuredCount, atStake: number): boolean => pm <= atStake;

/** What a measure may be off: the catalogue's grammage and caliper, or a lot's that was measured; scale and rule. Common practice, no source. */
export const MEASURE_SPREAD = {
  catalogueGsmPpm: 40_000,
  catalogueCaliperPpm: 50_000,
  measuredPpm: 10_000,
  scaleKg: 0.005,
  ruleMm: 1,
} as const;

/** What a step's finished pieces weigh and how thick they are, with their spreads. Written down with its release. */
export interface PieceMeasure {
  pieceKg: number;
  kgPpm: number;
  pieceUm: number;
  umPpm: number;
}

/**
 * A scale that is simulated and says so: what so many pieces would weigh, each a little off, read to the scale's step. Same seed, same weight.
 * @example simulatedScaleKg(1000, 0.01, 7) === simulatedScaleKg(1000, 0.01, 7) // true
 */
export function simulatedScaleKg(pieces: number, pieceKg: number, seed: number): number {
  const off = (seeded(seed)() - 0.5) * 2 * (MEASURE_SPREAD.measuredPpm / 1e6);
  const step = MEASURE_SPREAD.scaleKg;
  return Math.round((pieces * pieceKg * (1 + off)) / step) * step;
}
