import type { Formula } from '../quantity/figure';

/** When work sent out is back: the date that was agreed, or the supplier's days after it left, whichever is later. Epoch seconds; days on the clock. */
export const OUTSIDE_END: Formula = {
  id: 'route.outsideEnd',
  unit: 'moment',
  source: 'the supplier’s days and the date agreed; common practice, no source',
  of: ({ start = 0, daysS = 0, returnBy = 0 }) => Math.max(start + daysS, returnBy),
};

/**
 * A return date as it was typed: "2026-03-09", noon of that day (UTC: core knows no time zone), or with its hour. Null: none, or it cannot be read.
 * @example returnMoment('2026-03-06') // 1772798400
 */
export function returnMoment(text: unknown): number | null {
  if (typeof text !== 'string') return null;
  const found = /^(\d{4}-\d{2}-\d{2})(?:T(\d{2}:\d{2}))?$/.exec(text.trim());
  const at = found ? Date.parse(`${found[1] ?? ''}T${found[2] ?? '12:00'}:00Z`) : NaN;
  return Number.isNaN(at) ? null : at / 1000;
}
