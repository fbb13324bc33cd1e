import { practiceTerm } from '../../plant/practice';
import type { Supply } from '../../flow/net';
import { handsProcess } from './hands-process';

declare module '../../product/part' {
  interface Traits {
    envelope: { name: string; sealed: boolean; supply: Supply };
  }
}

/** Into the envelope, and sealed. */
export const envelope = handsProcess(
  'envelope',
  (cx) => {
    const wanted = cx.parts[0]?.traits?.envelope;
    if (!wanted) return [];
    return [
      {
        key: 'envelopes',
        name: wanted.name,
        seconds: practiceTerm(cx.plant, 'hands.insertS'),
        each: 1,
        supply: wanted.supply,
        price: practiceTerm(cx.plant, 'envelope.price'),
      },
      ...(wanted.sealed
        ? [
            {
              key: 'seal',
              name: 'seal',
              seconds: practiceTerm(cx.plant, 'hands.sealS'),
              each: 0,
              supply: null,
              price: practiceTerm(cx.plant, 'piece.price'),
            },
          ]
        : []),
    ];
  },
  ['repetition'],
);
