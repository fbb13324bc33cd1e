import { practiceTerm, practiceValue } from '../../plant/practice';
import { typed } from '../../quantity/ledger';
import type { Part } from '../../product/part';
import { LEAST_SEWN_PAGES } from '../../product/sewn';
import { blockOf } from '../block-sizes';
import { bookStep } from '../book-step';
import { gathererScene } from '../gatherer-scene';
import { hopperList } from '../hopper-list';
import { hopperOrder, textSections } from '../hoppers';
import { feedersShort, formEmpty, pagesOdd, sectionsCannot } from '../section-rules';
import { sectionsRow, sectionsSet } from '../sections-chosen';

/** Pages of the text that somebody printed. */
function askedPages(parts: readonly Part[]): number {
  const { pages = 0, blanks = 0 } = parts[0]?.traits?.bound ?? {};
  return pages - blanks;
}

/** Sections laid behind one another in the order of the book, one of each hopper. */
export const gather = bookStep({
  id: 'gather',
  abilities: ['feeders'],
  rules: [
    feedersShort('gather.feedersShort', (cx) => ({
      has: cx.machine.limits.feeders ?? practiceValue(cx.plant, 'gather.feeders'),
      needs: hopperOrder(cx).length,
      others: 0,
    })),
    formEmpty,
    sectionsCannot(textSections),
    pagesOdd('gather.pagesOdd', (cx) => askedPages(cx.parts), LEAST_SEWN_PAGES),
  ],
  losses: { setup: 'gather.setupCycles', running: 'gather.runningPpm' },
  unit: 'block',
  cautions: ['rollers', 'paperDust'],
  joins: true,
  asks: (cx) => {
    const block = blockOf(cx);
    const set = sectionsSet(cx);
    return {
      ...(block && { section: { ...block.trims, lapMm: 0, lapOn: 'high' as const } }),
      feeders: cx.machine.limits.feeders ?? practiceValue(cx.plant, 'gather.feeders'),
      ...(set.length > 0 && { sections: set }),
    };
  },
  makes: () => ({ section: null }),
  time: (cx) => ({ forms: typed(hopperOrder(cx).length, '1', 'feeders'), perFormS: practiceTerm(cx.plant, 'gather.perFeederS') }),
  rows: (cx) => [
    ...sectionsRow(cx, textSections(cx)),
    {
      label: 'feedersUsed',
      text: `${hopperOrder(cx).length} of ${cx.machine.limits.feeders ?? practiceValue(cx.plant, 'gather.feeders')}`,
    },
  ],
  page: (cx) => ({ lists: [hopperList(cx)] }),
  blanks: ['first set read page by page, signed by', 'missing, double, wrong, turned: counted by hopper, cleared by'],
  scene: gathererScene,
  says: (cx) => `${hopperOrder(cx).length} hoppers`,
});
