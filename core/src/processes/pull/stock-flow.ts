import type { CountUnit, Id } from '../../quantity/figure';
import { idOf } from '../../quantity/id-of';
import type { Flow } from '../../flow/net';
import { piecesOf } from '../../product/pieces';
import { copiesUp, goodsUp } from '../../layout/layout';
import { type ConsumeContext, type DraftContext, type ProcessContext, wordSetting } from '../process';
import type { Incoming } from '../batch';

export const stockFlow = (id: string): string => idOf(id, 'in');

/** What the store brings for a form: `each` of it for one form, shared by the copies on it; copies of several orders are told apart. */
export function suppliedFlow(cx: DraftContext, unit: CountUnit, each: number): Flow {
  const [part, ...others] = cx.parts;
  const perGood = (copies: number): number => (each * piecesOf(part)) / Math.max(copies, 1);
  const layout = cx.layout;
  return {
    unit,
    part: others.length > 0 ? '' : (part?.id ?? ''),
    item: others.length > 0 ? '' : (part?.item ?? ''),
    perGood: perGood(layout ? goodsUp(layout) : 1),
    ...(layout && others.length > 0 && { perGoodOf: Object.fromEntries(cx.parts.map((p) => [p.item, perGood(copiesUp(layout, p.id))])) }),
    supply: isCustomers(cx) ? { from: 'customer' } : { from: 'stock', stock: cx.stockId ?? '' },
  };
}

/** The same as the batch that a stone begins with. */
export const suppliedBatch = (cx: DraftContext, flow: Id<'flow'>, of: Flow): Incoming => ({
  flow,
  of,
  times: 1,
  forms: cx.form ? [cx.form.id] : [],
  parts: cx.parts.map((p) => p.id),
  section: null,
  version: null,
  wet: [],
  faults: null,
  bundle: null,
});

/** The customer sends the sheets: counted in, owned by the customer, returned. */
export const isCustomers = (cx: ProcessContext): boolean => wordSetting(cx, 'owner', 'works') === 'customer';

/** The flow that stands for the stock a stone pulls. */
export const pulledFlow = (cx: Pick<ConsumeContext, 'id'>): string => stockFlow(cx.id);
