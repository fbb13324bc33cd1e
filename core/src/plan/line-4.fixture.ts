import '../families/folding-carton-wish';
import { type JobSpec, NO_CHOICES } from '../product/job-spec';
import type { FoldingCartonWish } from '../families/folding-carton-wish';

/** Line 4 as the trade describes it: a tea carton, reverse tuck, five inks and water coat, embossed, on board 275 g/m² of 0.44 mm. */
export const cartonSpec = (quantity = 60_000, wish: Partial<FoldingCartonWish> = {}): JobSpec => ({
  schema: 1,
  name: 'Tea carton',
  items: {
    i1: {
      orderLine: null,
      product: 'carton',
      versions: { only: { name: 'only', quantity, changes: [] } },
      deliveries: [],
      overs: { underPpm: 0, overPpm: 50_000, extra: 'customer' },
      pieces: 'alike',
      balanced: false,
    },
  },
  products: {
    carton: {
      kind: 'made',
      family: 'folding-carton',
      wish: {
        style: 'reverse',
        lengthMm: 72,
        widthMm: 48,
        heightMm: 126,
        front: ['K', 'C', 'M', 'Y', 'tea green'],
        coat: 'water',
        coveragePercent: { 'tea green': 30 },
        reliefs: { r1: { name: 'leaf', widthMm: 30, heightMm: 24, xMm: 35, yMm: 110 } },
        food: true,
        grade: 'Folding board 275',
        ...wish,
      },
    },
  },
  choices: NO_CHOICES,
  overrides: {},
  decisions: {},
});
