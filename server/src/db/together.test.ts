import * as z from 'zod';
import { TestServer } from '../test-server.fixture';
import { many, maybeOne, rows } from './rows';
import { together } from './together';

const server = new TestServer();
beforeAll(() => server.start());
afterAll(() => server.stop());

const UP = rows(
  z.object({ n: z.number(), word: z.string().nullable() }),
  `select n, $2::text as word from generate_series(1, $1::int) n order by n desc`,
);
const NONE = rows(z.object({ n: z.number() }), `select 1 as n where false`);
const FAULTY = rows(z.object({ n: z.number() }), `select n from nowhere_at_all`);

/** The database, with the statements it was sent. */
function listening(): { db: typeof server.db; sent: string[] } {
  const sent: string[] = [];
  const db = {
    query: (asked: { text: string }) => {
      sent.push(asked.text);
      return server.db.query(asked);
    },
  } as unknown as typeof server.db;
  return { db, sent };
}

it('asks what does not wait for each other in one statement, each with its own values and its own order', async () => {
  const { db, sent } = listening();
  const reads = together(db);
  const [three, none, two] = await Promise.all([many(reads, UP, [3, 'a']), many(reads, NONE), many(reads, UP, [2, null])]);
  expect(three).toEqual([3, 2, 1].map((n) => ({ n, word: 'a' })));
  expect(none).toEqual([]);
  expect(two).toEqual([2, 1].map((n) => ({ n, word: null })));
  expect(sent).toHaveLength(1);
});
it('asks what waited for an answer in the next', async () => {
  const { db, sent } = listening();
  const reads = together(db);
  const first = await maybeOne(reads, UP, [1, 'a']);
  await Promise.all([many(reads, UP, [first?.n ?? 0, 'b']), many(reads, NONE)]);
  expect(sent).toHaveLength(2);
});
it('goes with the reads of a caller who reads together already', () => {
  const reads = together(server.db);
  expect(together(reads)).toBe(reads);
});
it('fails for every asker where one question is wrong, and goes on with the next', async () => {
  const reads = together(server.db);
  const said = await Promise.allSettled([many(reads, UP, [1, 'a']), many(reads, FAULTY)]);
  expect(said.map((s) => s.status)).toEqual(['rejected', 'rejected']);
  expect(await many(reads, UP, [1, 'a'])).toHaveLength(1);
});
it('writes nothing', () => {
  expect(() => together(server.db).query('delete from jobs')).toThrow('only reading');
});
