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

/** Process inks as people call them, beside their letters. */
const CALLED: Readonly<Record<string, string>> = { black: 'K', key: 'K', cyan: 'C', magenta: 'M', yellow: 'Y' };
/** "4", "4c", "four colours": the process inks. */
const FOUR = /^(?:4|four)(?:[ -]?(?:c|colou?rs?))?$/i;
/** Letters of process inks run together or set apart, each once. */
const LETTERS = /^(?!.*([CMYK]).*\1)[CMYK](?: ?[CMYK]){0,3}$/i;

/**
 * Inks of a side as people type them: process inks by letters ("CMYK", "C M Y K", "k"), by name or as "4"; any other name is a spot ink or a varnish.
 * A comma, a semicolon or a plus stands between inks; letters of process inks may stand before a name ("CMYK gold"). Each ink once, in the order typed.
 *
 * @example readInks('CMYK + gold') // ['C', 'M', 'Y', 'K', 'gold']
 * @example readInks('4, gloss varnish') // ['C', 'M', 'Y', 'K', 'gloss varnish']
 */
export function readInks(text: string): string[] {
  const inks = text
    .split(/[,;+]+/)
    .map((part) => part.trim().replace(/\s+/g, ' '))
    .filter(Boolean)
    .flatMap((part) => {
      if (FOUR.test(part)) return ['C', 'M', 'Y', 'K'];
      const [first = '', ...rest] = part.split(' ');
      const after = rest.join(' ');
      // Two letters or more before a name are process inks; one may be part of it ("K gold" is a name somebody gave).
      if (first.length > 1 && after !== '' && LETTERS.test(first) && !LETTERS.test(part)) return [...lettersOf(first), after];
      return LETTERS.test(part) ? lettersOf(part) : [CALLED[part.toLowerCase()] ?? part];
    });
  return [...new Set(inks)];
}
const lettersOf = (text: string): string[] => [...text.toUpperCase().replaceAll(' ', '')];
