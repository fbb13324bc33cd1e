import { practiceTerm } from '../../plant/practice';
import { handsProcess } from './hands-process';

/** Products put together by hand into a set. */
export const assemble = handsProcess(
  'assemble',
  (cx) =>
    cx.incoming.map((f, i) => ({
      key: `part${i + 1}`,
      name: f.flow,
      seconds: practiceTerm(cx.plant, 'hands.insertS'),
      each: 1,
      supply: null,
      price: practiceTerm(cx.plant, 'piece.price'),
    })),
  ['repetition'],
  true,
);
