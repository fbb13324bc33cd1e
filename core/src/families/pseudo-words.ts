import {
  CARD_WORDS,
  CAUTIONS,
  FINDINGS,
  FORMULAS,
  LABELS,
  LEVEL_WORDS,
  PRACTICE_ROOMS,
  PRACTICE_WORDS,
  PROCESS_WORDS,
  REMEDIES,
  SCREENS,
  TAG_WORDS,
} from '../words/en';
import { UNIT_WORDS } from '../words/format';
import { FAMILIES } from './registry';

/** Text between these marks came from the catalogue. */
export const PSEUDO_MARKS = ['⟦', '⟧'] as const;

const ACCENTS: Record<string, string> = { a: 'á', e: 'é', i: 'í', o: 'ó', u: 'ú', A: 'Á', E: 'É', O: 'Ó', U: 'Ú' };

/**
 * A text as in a language that does not exist: accented, a third longer as translations often are, and marked.
 * Places to be filled in keep their names.
 */
export function pseudo(text: string): string {
  if (text === '') return text;
  const accented = text.replace(/\{\d\}|[aeiouAEOU]/g, (c) => ACCENTS[c] ?? c);
  return `${PSEUDO_MARKS[0]}${accented}${'·'.repeat(Math.ceil(text.length / 3))}${PSEUDO_MARKS[1]}`;
}

type Words = Record<string, unknown>;
function overwrite(words: Words): void {
  for (const [key, said] of Object.entries(words)) {
    if (typeof said === 'string') words[key] = pseudo(said);
    else if (typeof said === 'function')
      words[key] = (...args: unknown[]) => pseudo(String((said as (...a: unknown[]) => unknown)(...args)));
    else if (said !== null && typeof said === 'object') overwrite(said as Words);
  }
}

/** Puts the catalogue into that language, for this page: what is then still plain was written past the catalogue. */
export function speakPseudo(): void {
  const all: object[] = [
    CARD_WORDS,
    CAUTIONS,
    FINDINGS,
    FORMULAS,
    LABELS,
    LEVEL_WORDS,
    PRACTICE_ROOMS,
    PRACTICE_WORDS,
    PROCESS_WORDS,
    REMEDIES,
    SCREENS,
    TAG_WORDS,
    UNIT_WORDS,
  ];
  for (const words of [...all, ...Object.values(FAMILIES).map((f) => f.words)]) overwrite(words as Words);
}
