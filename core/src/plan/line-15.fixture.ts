import type { CylinderSetWish } from '../families/cylinder-set-wish';
import { type JobSpec, NO_CHOICES } from '../product/job-spec';

/** A job of the house for the cylinder shop: one of what a line makes. */
export const shopJob = (
  name: string,
  product: string,
  made: JobSpec['products'][string],
  choices: Partial<JobSpec['choices']> = {},
): JobSpec => ({
  schema: 1,
  name,
  items: {
    i1: {
      orderLine: null,
      product,
      versions: { only: { name: '', quantity: 1, changes: [] } },
      deliveries: [],
      overs: { underPpm: 0, overPpm: 1_000_000, extra: 'stock' },
      pieces: 'unlike',
      balanced: false,
    },
  },
  products: { [product]: made },
  choices: { ...NO_CHOICES, ...choices },
  overrides: {},
  decisions: {},
});

/** Line 15 as its specification works it: five cylinders for drawer paper; first turn 500, bases of 158.640. */
export const drawerCylinders = (wish: CylinderSetWish = {}, choices: Partial<JobSpec['choices']> = {}): JobSpec =>
  shopJob(
    'Cylinders, drawer paper',
    'cylinders',
    {
      kind: 'made',
      family: 'cylinder-set',
      wish: {
        name: 'drawer paper, blossom',
        baseMm: 158.64,
        rows: {
          r1: { ink: 'gold', version: 'v2', linesPerCm: 54, base: 'B-201' },
          r2: { ink: 'yellow', version: 'v2', angleDeg: 60, base: 'B-202' },
          r3: { ink: 'red', version: 'v2', angleDeg: 30, base: 'B-203' },
          r4: { ink: 'blue', version: 'v2', base: 'B-204' },
          r5: { ink: 'black', version: 'v2', linesPerCm: 70, base: 'B-205' },
        },
        ...wish,
      },
    },
    choices,
  );
