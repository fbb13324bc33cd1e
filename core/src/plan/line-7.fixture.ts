import type { HardcoverWish } from '../families/hardcover-wish';
import { type JobSpec, NO_CHOICES } from '../product/job-spec';

/** Line 7 as its specification works it: a pocket herbal, 105 × 150, 256 pages, sewn, round at 90°, 2,000 of them; a title on the spine. */
export const pocketHerbal = (wish: HardcoverWish = {}, choices: Partial<JobSpec['choices']> = {}, quantity = 2_000): JobSpec => ({
  schema: 1,
  name: 'Pocket herbal',
  items: {
    i1: {
      orderLine: null,
      product: 'hardback',
      versions: { all: { name: 'all', quantity, changes: [] } },
      deliveries: [],
      overs: { underPpm: 0, overPpm: 50_000, extra: 'customer' },
      pieces: 'alike',
      balanced: false,
    },
  },
  products: {
    hardback: {
      kind: 'made',
      family: 'hardcover',
      wish: {
        widthMm: 105,
        heightMm: 150,
        pages: 256,
        grade: 'Text wove 80',
        front: ['K'],
        back: ['K'],
        endGrade: 'Endpaper wove 120',
        boardGrade: 'Binder’s board 2.5',
        clothGrade: 'Book cloth, moss',
        titles: { t1: { name: 'Herbal', place: 'spine', widthMm: 9, heightMm: 80 } },
        ...wish,
      },
    },
  },
  choices: { ...NO_CHOICES, ...choices },
  overrides: {},
  decisions: {},
});
