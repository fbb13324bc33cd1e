import type { Id } from '../../quantity/figure';
import { typed } from '../../quantity/ledger';
import { practiceTerm } from '../../plant/practice';
import type { Supply } from '../../flow/net';
import { handsProcess } from './hands-process';

/** A piece put on by hand, so many on each copy. */
export interface AppliedPiece {
  id: Id<'piece'>;
  name: string;
  secondsEach: number;
  each: number;
  supply: Supply;
}
declare module '../../product/part' {
  interface Traits {
    applied: AppliedPiece[];
  }
}

/** Pieces put on by hand: a ribbon, a seal, a tipped-in sample. */
export const applyByHand = handsProcess(
  'apply',
  (cx) =>
    (cx.parts[0]?.traits?.applied ?? []).map((p) => ({
      key: p.id,
      name: p.name,
      seconds: typed(p.secondsEach * p.each, 's', `applied:${p.id}`),
      each: p.each,
      supply: p.supply,
      price: practiceTerm(cx.plant, 'piece.price'),
    })),
  ['repetition'],
);
