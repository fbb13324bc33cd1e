import type { GravureRollWish } from '../families/gravure-roll-wish';
import { type JobSpec, NO_CHOICES } from '../product/job-spec';

type Versions = JobSpec['items'][string]['versions'];

/** Two designs of drawer paper; gold is engraved alike in both. */
export const ROPE_AND_COMPASS: Versions = {
  v1: { name: 'Rope', quantity: 6_000, changes: ['yellow', 'red', 'blue', 'black'] },
  v2: { name: 'Compass', quantity: 6_000, changes: ['yellow', 'red', 'blue', 'black'] },
};

/** Line 12 as its specification works it: two designs of 6,000 rolls of 2 m × 700 on a web of 1,430, a thousand boxes of six and six. */
export const drawerPaper = (
  wish: GravureRollWish = {},
  choices: Partial<JobSpec['choices']> = {},
  versions: Versions = ROPE_AND_COMPASS,
): JobSpec => ({
  schema: 1,
  name: 'Drawer paper, Rope and Compass',
  items: {
    i1: {
      orderLine: 'l1',
      product: 'rolls',
      versions,
      deliveries: [],
      overs: { underPpm: 0, overPpm: 50_000, extra: 'customer' },
      pieces: 'alike',
      balanced: false,
    },
  },
  products: {
    rolls: {
      kind: 'made',
      family: 'gravure-roll',
      wish: {
        lengthM: 2,
        overPercent: 1,
        widthMm: 700,
        turnMm: 500,
        coreMm: 32,
        printedSide: 'out',
        cut: 'length',
        printed: 'surface',
        inks: ['gold', 'yellow', 'red', 'blue', 'black'],
        coveragePercent: { gold: 70, yellow: 25, red: 20, blue: 20, black: 8 },
        grade: 'Gravure paper 60',
        sleeveUm: 15,
        label: true,
        aBox: 12,
        ...wish,
      },
    },
  },
  choices: { ...NO_CHOICES, settings: { 'rolls.web.print': { reelMetres: 6_400 } }, ...choices },
  overrides: {},
  decisions: {},
});
