import type { Id } from '../../quantity/figure';
import type { Plan } from '../plan-types';

/** Items made in one run with an item, itself among them: orders for the same product, which one job makes once. */
export const sharing = (items: Plan['items'], item: Id<'item'>): Id<'item'>[] =>
  Object.keys(items).filter((id) => items[id]?.goods === items[item]?.goods);
