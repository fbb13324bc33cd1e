import type { Term } from '../quantity/figure';
import type { DraftContext } from './process';

/** The caliper a stone reckons with: measured on the lot where one was, else as the stock card says. A pile from the wrong bulk is off by up to 30 %. */
export function caliperTerm({ shelf, stockId, stock }: Pick<DraftContext, 'shelf' | 'stockId' | 'stock'>): Term {
  const lot = Object.entries(shelf.lots).find(([, l]) => l.stock === stockId && l.caliperUm !== undefined);
  return lot
    ? { value: lot[1].caliperUm ?? 0, unit: 'µm', from: 'shelf', at: `lot:${lot[0]}, measured` }
    : { value: stock?.caliperUm ?? 0, unit: 'µm', from: 'plant', at: `stock:${stockId ?? ''}` };
}

/** The same as a number. */
export const caliperUmOf = (cx: Pick<DraftContext, 'shelf' | 'stockId' | 'stock'>): number => {
  const term = caliperTerm(cx);
  return 'value' in term ? term.value : 0;
};
