import * as z from 'zod';
import { isFreeName, KEPT_NAME } from '../plant/plant-schema';

const inkName = z.string().trim().min(1).max(30).refine(isFreeName, KEPT_NAME);

/** The inks of a side, each once, no more than a press has units. */
export const inkNames = z
  .array(inkName)
  .max(10, 'are more inks than a press has units (10 at most)')
  .refine((list) => new Set(list).size === list.length, 'names an ink twice');

/** Coverage in percent by ink, as far as it is known. */
export const coverageByInk = z.record(inkName, z.number().min(0).max(100));

const PROCESS_INKS: readonly string[] = ['K', 'C', 'M', 'Y'];
/** Varnish, coating, primer and taggant come from the drum. */
const FROM_THE_DRUM = /varnish|coat|lacquer|primer|taggant/i;
/**
 * Whether what is printed is a varnish or a coating, measured by the drum and not mixed.
 * @example isFromTheDrum('gloss varnish') // true
 */
export const isFromTheDrum = (ink: string): boolean => FROM_THE_DRUM.test(ink);
/**
 * An ink somebody mixes: no process ink, and nothing that comes from the drum. It needs an accepted draw-down before it prints.
 * @example isMixedInk('deep green') // true
 */
export const isMixedInk = (ink: string): boolean => !PROCESS_INKS.includes(ink) && !isFromTheDrum(ink);
