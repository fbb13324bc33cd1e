import type { LaidDesign } from '../layout/web-form';
import type { DraftContext } from './process';

/** Designs that come off a length in their lanes; one alone has all lanes, and its version where it runs in turn. */
export function designsOff(cx: DraftContext): LaidDesign[] {
  const lanes = Math.max(cx.layout?.web?.lanes ?? 1, 1);
  return cx.version
    ? [{ version: cx.version.id, name: cx.version.name, lanes }]
    : [...(cx.layout?.web?.designs ?? [{ version: '', name: '', lanes }])];
}

/** The design of each lane, from the operator's side on; '' where they are all alike. */
export const lanesOff = (cx: DraftContext): string[] =>
  designsOff(cx).flatMap(({ lanes, name }) => Array.from({ length: lanes }, () => name));

/** Reels that a page lists one by one; a slip of the pen in the quantity makes millions. */
export const MOST_REELS_LISTED = 60;
