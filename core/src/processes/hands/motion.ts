import type { Term } from '../../quantity/figure';
import type { Supply } from '../../flow/net';
import { type DraftContext, machineTerm, setting } from '../process';

/** One thing done to a piece at the bench: seconds, and what is put on. */
export interface Motion {
  key: string;
  name: string;
  seconds: Term;
  each: number;
  /** Where it comes from; null: nothing is put on. */
  supply: Supply | null;
  price: Term;
}

export const termValue = (cx: DraftContext, term: Term): number => ('fig' in term ? cx.ledger.value(term.fig) : term.value);

/** What the motions of a run are: each kind of bench work says its own. */
export type Motions = (cx: DraftContext) => Motion[];

export const peopleTerm = (cx: DraftContext): Term => setting(cx, 'people', machineTerm(cx, 'crew'));
