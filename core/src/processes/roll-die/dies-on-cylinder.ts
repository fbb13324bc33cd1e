import type { Term } from '../../quantity/figure';
import { typed } from '../../quantity/ledger';
import { type ConsumeContext, setting } from '../process';
import { isRepeat } from '../time-and-cost';

/** Dies to make: none on repeat work, whose die is kept, or where one of this size lies in the store. */
export const dies = (cx: ConsumeContext): Term => setting(cx, 'dies', typed(isRepeat(cx) ? 0 : 1, '1', 'one die'));
