import { FINDINGS, REMEDIES, type Args } from './en/findings';
import { LABELS } from './en/labels';

/* The one catalogue of sentences, by what they are about. */
export { CAUTION_DEFERS, CAUTIONS } from './en/cautions';
export { FINDINGS, REMEDIES } from './en/findings';
export { FORMULAS } from './en/formulas';
export { LABELS, LEVEL_WORDS } from './en/labels';
export { CARD_WORDS, PRACTICE_ROOMS, PRACTICE_WORDS, PROCESS_WORDS, TAG_WORDS } from './en/settings';

/** A label, or the word itself where the catalogue has none (names typed by people). */
export const label = (key: string): string => LABELS[key] ?? key;
export const findingTitle = (code: string, args: Args): string => FINDINGS[code]?.title(args) ?? code;
export const findingSays = (code: string, args: Args): string => FINDINGS[code]?.says(args) ?? '';
export const remedySays = (code: string, args: Args): string => REMEDIES[code]?.(args) ?? code;
