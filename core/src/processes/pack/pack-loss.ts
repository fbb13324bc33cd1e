import { practiceTerm } from '../../plant/practice';
import type { LossTerms } from '../../flow/solve-backward';
import type { DraftContext } from '../process';

/** Packing spoils a share of its cycles where the plant says so; setups and samples cost no pieces. */
export const packLoss = (cx: DraftContext): LossTerms => ({ runningPpm: practiceTerm(cx.plant, 'pack.runningPpm') });
