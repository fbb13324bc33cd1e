import { OutOfRange, requireAboveZero } from '../quantity/errors';
import type { Formula } from '../quantity/figure';
import { ceilTolerant, floorTolerant } from '../quantity/round-tolerant';

/* Reels as they leave the press, and as the winder takes them off: backwards, the last metre first. */

/** Good metres of a run that lie on a reel, counted from the run's beginning. */
export interface MotherReel {
  fromM: number;
  toM: number;
}
/**
 * Metres wound on a mother reel: what diameter and mass allow, or less where somebody set it, down to whole lengths; a length at least.
 *
 * Formula: ⌊least / length⌋ · length. Source: arithmetic.
 */
export const REEL_METRES: Formula = {
  id: 'stock.reelMetres',
  unit: 'm',
  source: 'the least of what the machines take, down to whole lengths',
  of: ({ lengthM = 1, ...mosts }) => Math.max(floorTolerant(Math.min(...Object.values(mosts)) / lengthM), 1) * lengthM,
};
/** Metres of web of so many kg. Formula: kg / mass of a metre. Source: definition of grammage (ISO 536). */
export const METRES_OF_MASS: Formula<'kg' | 'metreKg'> = {
  id: 'stock.metresOfMass',
  unit: 'm',
  source: 'definition of grammage (ISO 536)',
  of: ({ kg, metreKg }) => (metreKg > 0 ? kg / metreKg : 0),
};
/** What is cut out of a reel at the winder, in metres from its outside, and the lengths that are wound before. */
export interface CutOut {
  /** The first reel is 0. */
  reel: number;
  fromM: number;
  toM: number;
  afterLengths: number;
  /** From the last whole length to the end of the cut-out. */
  lostM: number;
}

/**
 * Reels of a run, each down to whole lengths, the last with the rest.
 * @param mostM that one reel can hold
 * @throws OutOfRange a length not above 0, a reel that holds none
 */
export function motherReels(goodM: number, mostM: number, lengthM: number): MotherReel[] {
  requireAboveZero('lengthM', lengthM);
  const each = floorTolerant(mostM / lengthM) * lengthM;
  if (each <= 0) throw new OutOfRange('mostM', mostM, `at least a length of ${lengthM}`);
  return Array.from({ length: ceilTolerant(goodM / each) }, (_, k) => ({ fromM: k * each, toM: Math.min(goodM, (k + 1) * each) }));
}
/**
 * Where a fault is cut out at the winder. A reel runs backwards: metre m lies (its last metre − m) from its outside. A fault over two reels is two cut-outs.
 *
 * Formula: from = to_k − x₂, to = to_k − x₁; stop after ⌊from / length⌋ lengths; lost = to − those. Source: geometry of a reel that is wound off from its outside.
 * @param fault good metres of the run from and to
 * @throws OutOfRange a fault that runs backwards, a length not above 0
 */
export function cutOuts(reels: readonly MotherReel[], [faultFrom, faultTo]: readonly [number, number], lengthM: number): CutOut[] {
  requireAboveZero('lengthM', lengthM);
  if (!(faultTo >= faultFrom)) throw new OutOfRange('fault', `${faultFrom} to ${faultTo}`, 'from a metre to one behind it');
  return reels.flatMap(({ fromM, toM }, reel): CutOut[] => {
    const [a, b] = [Math.max(fromM, faultFrom), Math.min(toM, faultTo)];
    if (a >= b) return [];
    const [outside, inside] = [toM - b, toM - a];
    const afterLengths = floorTolerant(outside / lengthM);
    return [{ reel, fromM: outside, toM: inside, afterLengths, lostM: inside - afterLengths * lengthM }];
  });
}
/**
 * Lengths that a planned splice costs at the winder: it lies in one of them, somewhere. Formula: ⌈taped / length⌉ + 1. Source: arithmetic.
 * @param tapedM both sides of the tape, 1 m as a rule (common practice, no source)
 * @throws OutOfRange a length not above 0
 * @example spliceLengths({ tapedM: 1, lengthM: 2 }) // 2
 */
export function spliceLengths({ tapedM, lengthM }: { tapedM: number; lengthM: number }): number {
  requireAboveZero('lengthM', lengthM);
  return ceilTolerant(tapedM / lengthM) + 1;
}
/** Lengths lost at a planned splice. */
export const SPLICE_LENGTHS: Formula<'tapedM' | 'lengthM'> = {
  id: 'stock.spliceLengths',
  unit: '1',
  source: 'arithmetic; both sides of the tape: common practice, no source',
  of: ({ tapedM, lengthM }) => (lengthM > 0 ? spliceLengths({ tapedM, lengthM }) : 0),
};
