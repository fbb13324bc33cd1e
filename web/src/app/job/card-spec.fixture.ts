import { FAMILIES, type JobSpec, NO_CHOICES } from '@druckerei/core';

/** A job of line 1 for the client's tests: what a new order starts from, 5,000 pieces; `wish` adds to it. */
export const cardSpec = (wish: object = {}): JobSpec => ({
  schema: 1,
  name: 'Card',
  choices: NO_CHOICES,
  overrides: {},
  decisions: {},
  items: {
    i1: {
      orderLine: null,
      product: 'card',
      versions: { only: { name: 'only', quantity: 5000, changes: [] } },
      deliveries: [],
      overs: { underPpm: 0, overPpm: 0, extra: 'stock' },
      pieces: 'alike',
      balanced: false,
    },
  },
  products: { card: { kind: 'made', family: 'folded-card', wish: { ...FAMILIES['folded-card'].starts, ...wish } } },
});
