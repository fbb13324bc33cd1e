import { requireAboveZero, requireNotNegative } from '../quantity/errors';

/* Work at the pace of a hand: so many an hour, and rest in it. */

/**
 * Minutes of a pass at a press that is fed by hand. Formula: set-up + counters · 15 + run / rate · 60 · (1 + rest). Source: arithmetic; 600 to 800 an hour with 10 to
 * 15 % of rest, common practice, no source.
 * @throws OutOfRange a rate not above 0, a rest below 0
 * @example handPassMinutes({ setUpMin: 75, counters: 0, run: 412, anHour: 700, rest: 0.125 }) // 114.73
 */
export function handPassMinutes({
  setUpMin,
  counters,
  run,
  anHour,
  rest,
}: {
  setUpMin: number;
  counters: number;
  run: number;
  anHour: number;
  rest: number;
}): number {
  requireAboveZero('anHour', anHour);
  requireNotNegative('rest', rest);
  return setUpMin + counters * COUNTER_MIN + (run / anHour) * 60 * (1 + rest);
}
/** A counter is cut to the die again, min. Common practice, no source. */
const COUNTER_MIN = 15;
/**
 * Minutes of looking at pieces one by one. Formula: pieces · seconds · (1 + rest) / people / 60. Source: arithmetic; 2 to 4 s a piece, common practice, no source.
 * @throws OutOfRange nobody, a rest below 0
 * @example inspectionMinutes({ pieces: 708, eachS: 3, rest: 0.125, people: 1 }) // 39.825
 */
export function inspectionMinutes({
  pieces,
  eachS,
  rest,
  people,
}: {
  pieces: number;
  eachS: number;
  rest: number;
  people: number;
}): number {
  requireAboveZero('people', people);
  requireNotNegative('rest', rest);
  return (pieces * eachS * (1 + rest)) / people / 60;
}
/**
 * Pieces from which two up pays where one up is fed by hand: half the strokes for the minutes that the second die and its trimming take.
 *
 * Formula: 2 · minutes · rate / (60 · (1 + rest)). Source: arithmetic.
 * @throws OutOfRange a rate not above 0
 * @example twoUpPaysFrom({ moreMin: 98, anHour: 700, rest: 0.125 }) // 2032.59
 */
export function twoUpPaysFrom({ moreMin, anHour, rest }: { moreMin: number; anHour: number; rest: number }): number {
  requireAboveZero('anHour', anHour);
  requireNotNegative('rest', rest);
  return (2 * moreMin * anHour) / (60 * (1 + rest));
}
