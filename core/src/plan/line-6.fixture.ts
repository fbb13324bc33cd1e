import type { PaperbackWish } from '../families/paperback-wish';
import { type JobSpec, NO_CHOICES } from '../product/job-spec';

/** Line 6 as its specification works it: a short novel with a picture section, 120 × 190, 288 pages and 8 beside them, 6,000 of them, two-up come-and-go. */
export const shortNovel = (wish: PaperbackWish = {}, choices: Partial<JobSpec['choices']> = {}, quantity = 6_000): JobSpec => ({
  schema: 1,
  name: 'Short novel',
  items: {
    i1: {
      orderLine: null,
      product: 'book',
      versions: { all: { name: 'all', quantity, changes: [] } },
      deliveries: [],
      overs: { underPpm: 0, overPpm: 50_000, extra: 'customer' },
      pieces: 'alike',
      balanced: false,
    },
  },
  products: {
    book: {
      kind: 'made',
      family: 'paperback',
      wish: {
        widthMm: 120,
        heightMm: 190,
        pages: 288,
        grade: 'Book wove 70',
        front: ['K'],
        back: ['K'],
        insertPages: 8,
        insertAfter: 144,
        insertCounted: 'beside',
        insertGrade: 'Gloss coated 115',
        coverGrade: 'Cover board 240',
        coverFront: ['K', 'C', 'M', 'Y'],
        coverBack: [],
        twoUp: 'comeAndGo',
        ...wish,
      },
    },
  },
  choices: { ...NO_CHOICES, ...choices },
  overrides: {},
  decisions: {},
});
