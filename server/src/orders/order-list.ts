import type { JobState, OrderFilter } from '@druckerei/contract';
import * as z from 'zod';
import { Refused } from '../errors';
import type { Chosen } from './orders.queries';

/* A page of the list begins after a key: what was read last is named, not counted, so that a page costs the same wherever it is. */

/** Before the first row of each way to sort. */
export const FIRST = { due: ['-infinity', 0], customer: ['', 0], newest: ['', 2_147_483_647] } as const;

const Cursor = z.tuple([z.string().max(200), z.number().int()]);
export const cursorOf = (key: string, number: number): string => Buffer.from(JSON.stringify([key, number])).toString('base64url');

/** The key a page goes on after. Refused where it is none of ours. */
export function afterOf(cursor: string): [key: string, number: number] {
  try {
    return Cursor.parse(JSON.parse(Buffer.from(cursor, 'base64url').toString()));
  } catch {
    throw new Refused(400, 'invalid', 'Some fields need another look.', {
      fields: [{ path: 'after', says: 'is no place in this list; read it from the start' }],
    });
  }
}

/** What a person typed, as words of which each must begin a word of the row; signs that mean something to a search are left out. */
export const wordsOf = (typed: string): string =>
  typed
    .toLowerCase()
    .split(/[^\p{L}\p{N}]+/u)
    .filter(Boolean)
    .map((word) => `${word}:*`)
    .join(' & ');

/** What each choice shows; what is delivered is out of hand, and found under its own name. */
const STATES: Record<NonNullable<OrderFilter['state']>, readonly JobState[]> = {
  all: ['draft', 'part', 'released', 'revising'],
  draft: ['draft', 'part'],
  blocked: ['draft', 'part', 'revising'],
  late: ['draft', 'part', 'released', 'revising'],
  released: ['released', 'revising'],
  delivered: ['delivered'],
};

/** Values for the chosen rows: words, states, which of them, and now. A text without a single letter or digit finds nothing. */
export function chosenBy({ find = '', state = 'all' }: OrderFilter, now: number): Chosen {
  const words = wordsOf(find);
  return [
    find.trim() !== '' && words === '' ? 'nothing & !nothing' : words,
    STATES[state],
    state === 'blocked' || state === 'late' ? state : 'any',
    now,
  ];
}
