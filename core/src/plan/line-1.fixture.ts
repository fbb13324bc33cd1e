import '../families/folded-card-wish';
import plantJson from '../../../demo/plant.json' with { type: 'json' };
import type { Plant, Shelf } from '../plant/plant';
import { EMPTY_SHELF } from '../plant/plant';
import { PlantSchema } from '../plant/plant-schema';
import { type JobSpec, NO_CHOICES } from '../product/job-spec';

export const LINDMOOR: Plant = PlantSchema.parse(plantJson);

/** Monday 2 March 2026, 06:00 UTC. */
export const MONDAY_S = Date.UTC(2026, 2, 2, 6) / 1000;
export const SHELF: Shelf = {
  ...EMPTY_SHELF,
  asOf: MONDAY_S,
  lots: {
    'lot-1': { stock: 'ivory300-520x720-short', quantity: 20_000, owner: 'works' },
    'lot-2': { stock: 'ivory300-520x720', quantity: 20_000, owner: 'works' },
  },
};

/** Line 1 as the trade describes it: folded card with foil, ribbon, envelope and seal, bands of six. */
export const cardSpec = (quantity = 10_000): JobSpec => ({
  schema: 1,
  name: 'Folded card with foil',
  items: {
    i1: {
      orderLine: null,
      product: 'card',
      versions: { only: { name: 'only', quantity, changes: [] } },
      deliveries: [],
      overs: { underPpm: 0, overPpm: 50_000, extra: 'customer' },
      pieces: 'alike',
      balanced: false,
    },
  },
  products: {
    card: {
      kind: 'made',
      family: 'folded-card',
      wish: {
        openWidthMm: 210,
        openHeightMm: 210,
        folds: 1,
        front: ['K', 'C', 'M', 'Y'],
        back: ['K'],
        grade: 'Ivory board 300',
        perBand: 6,
        foils: { f1: { name: 'crest', widthMm: 40, heightMm: 30 } },
        applied: { r1: { name: 'ribbon', secondsEach: 8, each: 1, supply: { from: 'buy', leadDays: 2 } } },
        envelope: 'lined envelope',
        sealed: true,
      },
    },
  },
  choices: NO_CHOICES,
  overrides: {},
  decisions: {},
});
