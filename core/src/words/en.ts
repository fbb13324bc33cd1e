import { FINDINGS, REMEDIES } from './en/findings';
import type { Args } from './kind-words';
import { LABELS } from './en/labels';
import { formatMoment } from './format';
import { type ScreenKey, SCREENS } from './en/screens';

/* The one catalogue of sentences, by what they are about. */
export { CAUTIONS } from './en/cautions';
export { FINDINGS, REMEDIES } from './en/findings';
export { FORMULAS } from './en/formulas';
export { LABELS, LEVEL_WORDS } from './en/labels';
export { type ScreenKey, SCREENS } from './en/screens';
export { CARD_WORDS, PRACTICE_ROOMS, PRACTICE_WORDS, PROCESS_WORDS, TAG_WORDS } from './en/settings';

/** A sentence of a screen, with what is filled in for {0}, {1} … */
export const say = (key: ScreenKey, ...filled: readonly unknown[]): string =>
  SCREENS[key].replace(/\{(\d)\}/g, (_, n: string) => {
    const value = filled[Number(n)];
    return typeof value === 'string' || typeof value === 'number' ? String(value) : '';
  });

/** What a ready date rests on, as a person says it: "answer (file proof v2) by Wed 2 Dec 10:00". */
export function assumptionSays({ code, args }: { code: string; args: Args }, timeZone: string): string {
  const what = [args['stock'] ?? args['tool'] ?? args['what'], args['version']]
    .filter((w) => w !== undefined && w !== '')
    .map((w) => label(String(w)));
  const by = typeof args['by'] === 'number' ? `${label('assume.by')} ${formatMoment(args['by'], timeZone)}` : '';
  return [label(code), what.length > 0 ? `(${what.join(' ')})` : '', by].filter(Boolean).join(' ');
}

/** A label, or the word itself where the catalogue has none (names typed by people). */
export const label = (key: string): string => LABELS[key] ?? key;
export const findingTitle = (code: string, args: Args): string => FINDINGS[code]?.title(args) ?? code;
export const findingSays = (code: string, args: Args): string => FINDINGS[code]?.says(args) ?? '';
export const remedySays = (code: string, args: Args): string => REMEDIES[code]?.(args) ?? code;
