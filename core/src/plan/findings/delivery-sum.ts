import { idOf } from '../../quantity/id-of';
import { orderedQuantity } from '../../product/job-spec';
import type { Rule } from './rule';

/** Deliveries do not add up to what was ordered. */
export const deliverySum: Rule = {
  code: 'delivery.sum',
  find: ({ spec }) =>
    Object.entries(spec.items).flatMap(([id, item]) => {
      const delivered = item.deliveries.reduce((sum, d) => sum + Object.values(d.share).reduce((a, b) => a + b, 0), 0);
      const ordered = orderedQuantity(item);
      return item.deliveries.length === 0 || delivered === ordered
        ? []
        : [{ level: 'decide', at: 'job', figure: idOf(id, 'wanted'), args: { delivered, ordered }, remedies: [] }];
    }),
};
