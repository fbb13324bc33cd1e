import * as z from 'zod';
import type { Db } from './pool';
import { many, maybeOne, one, rows, stored } from './rows';

const COUNT = rows(z.object({ n: z.number() }), 'select n from counts where job = $1');
/** A database that answers every question with these rows. */
const answering = (...found: unknown[]): Db => ({ query: () => Promise.resolve({ rows: found }) }) as unknown as Db;

it('gives all rows, one or none, as the schema says, and leaves out columns nobody asked for', async () => {
  expect(await many(answering({ n: 1, more: 'x' }, { n: 2 }), COUNT)).toEqual([{ n: 1 }, { n: 2 }]);
  expect(await maybeOne(answering(), COUNT)).toBeUndefined();
  expect(await one(answering({ n: 3 }), COUNT)).toEqual({ n: 3 });
});
it('says which column of which statement is not as the schema says', async () => {
  await expect(many(answering({ n: '1' }), COUNT)).rejects.toThrow(/at \[0\]\.n[\s\S]*select n from counts/);
});
it('refuses several rows where one is meant, and none where there must be one', async () => {
  await expect(maybeOne(answering({ n: 1 }, { n: 2 }), COUNT)).rejects.toThrow(/2 rows/);
  await expect(one(answering(), COUNT)).rejects.toThrow(/no row/);
});
it('says of a stored document what cannot be read, as a fault of ours', () => {
  expect(stored(z.object({ n: z.number() }), { n: 1 }, 'the page')).toEqual({ n: 1 });
  expect(() => stored(z.object({ n: z.number() }), { n: 'x' }, 'the page')).toThrow(/the page cannot be read[\s\S]*at n/);
});
