import '../families/label-sheet-wish';
import type { LabelSheetWish } from '../families/label-sheet-wish';
import { type JobSpec, NO_CHOICES } from '../product/job-spec';

/** Line 2: labels from the roll, on sheets of 4 by 6, stacks of 400 in film; faulty sheets destroyed. */
export const labelSpec = (quantity = 480_000, wish: LabelSheetWish = {}, settings: JobSpec['choices']['settings'] = {}): JobSpec => ({
  schema: 1,
  name: 'Cheese labels',
  items: {
    i1: {
      orderLine: null,
      product: 'label',
      versions: { only: { name: 'only', quantity, changes: [] } },
      deliveries: [],
      overs: { underPpm: 0, overPpm: 50_000, extra: 'customer' },
      pieces: 'alike',
      balanced: false,
    },
  },
  products: {
    label: {
      kind: 'made',
      family: 'label-sheet',
      wish: {
        widthMm: 60,
        heightMm: 40,
        across: 4,
        along: 6,
        inks: ['K', 'C', 'M', 'Y'],
        perforated: true,
        delivered: 'sheets',
        sheetsAStack: 400,
        wrapped: true,
        rejects: 'destroy',
        ...wish,
      },
    },
  },
  choices: { ...NO_CHOICES, settings },
  overrides: {},
  decisions: {},
});
