import { readNumber } from '@druckerei/core/words';
/** Farther than any press is off: read in another unit, perhaps. It is asked, not taken. */
export const MOST_MM = 5;

/** Millimetres as they were typed, with comma or point; null: nothing was, or it is no number. */
export function typedMm(text: string): number | null {
  const mm = readNumber(text);
  return Number.isNaN(mm) ? null : mm;
}

/** Something was typed that cannot be taken. */
export function isWrongMm(text: string): boolean {
  const mm = typedMm(text);
  return text.trim() !== '' && (mm === null || Math.abs(mm) > MOST_MM);
}
