import type { BookletWish } from '../families/booklet-wish';
import { type JobSpec, NO_CHOICES } from '../product/job-spec';

/** Line 3 as its specification works it: a ferry timetable, 148 × 210, 44 pages with its cover, 12,000 of them. */
export const ferryTimetable = (wish: BookletWish = {}, choices: Partial<JobSpec['choices']> = {}, quantity = 12_000): JobSpec => ({
  schema: 1,
  name: 'Ferry timetable',
  items: {
    i1: {
      orderLine: null,
      product: 'booklet',
      versions: { all: { name: 'all', quantity, changes: [] } },
      deliveries: [],
      overs: { underPpm: 0, overPpm: 50_000, extra: 'customer' },
      pieces: 'alike',
      balanced: false,
    },
  },
  products: {
    booklet: {
      kind: 'made',
      family: 'booklet',
      wish: {
        widthMm: 148,
        heightMm: 210,
        pages: 44,
        grade: 'Matt coated 100',
        coverGrade: 'Matt coated 200',
        front: ['K', 'C', 'M', 'Y'],
        back: ['K', 'C', 'M', 'Y'],
        coverFront: ['K', 'C', 'M', 'Y', 'harbour blue'],
        coverBack: ['K', 'C', 'M', 'Y'],
        ...wish,
      },
    },
  },
  choices: { ...NO_CHOICES, ...choices },
  overrides: {},
  decisions: {},
});
