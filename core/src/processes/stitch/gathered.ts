import type { DraftContext } from '../process';
import { type GatheredSection, sectionsGathered } from '../sections-chosen';

/** The sections of a booklet in the order of the feeders: the first drops the innermost, the last the outermost. */
export const feederOrder = (cx: Pick<DraftContext, 'parts' | 'forms'>): GatheredSection[] =>
  sectionsGathered(cx).sort((a, b) => b.section.outside - a.section.outside || b.section.nr - a.section.nr);

/** Pages of the text's sections in the order of the book. */
export const textSections = (cx: Pick<DraftContext, 'parts' | 'forms'>): number[] =>
  feederOrder(cx)
    .filter((s) => s.part === cx.parts[0])
    .map((s) => s.section.pages.length)
    .reverse();
