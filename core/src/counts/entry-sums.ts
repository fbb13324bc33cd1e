import { COUNTED_KINDS, type FloorEntry } from './floor-entry';
import { type CountSum, INTO, OUT_OF } from './tally';

/**
 * What an entry adds to the sums of its job: a split or merge stands on both piles and on no step; only waste keeps its reason. With `times` −1 what a
 * counter-entry takes off again.
 * @example 40 split from pile A to pile B are `[{ pile: 'A', reason: 'out', quantity: 40 }, { pile: 'B', reason: 'in', quantity: 40 }]`
 */
export function entrySums(e: Pick<FloorEntry, 'step' | 'pile' | 'other' | 'kind' | 'reason' | 'quantity'>, times: 1 | -1 = 1): CountSum[] {
  if (!COUNTED_KINDS.includes(e.kind)) return [];
  const { kind } = e;
  const quantity = times * (e.quantity ?? 0);
  if (kind === 'split' || kind === 'merge')
    return [
      { step: null, pile: e.pile, kind, reason: OUT_OF, quantity },
      { step: null, pile: e.other, kind, reason: INTO, quantity },
    ];
  return [{ step: e.step, pile: e.pile, kind, reason: kind === 'waste' ? e.reason : '', quantity }];
}
