import { randomBytes, randomUUID } from 'node:crypto';
import { TestServer } from '../test-server.fixture';
import { isUploaded, keepUpload, purgeUploads, readUpload } from './uploads';

const server = new TestServer();
beforeAll(() => server.start());
afterAll(() => server.stop());

const going = new AbortController().signal;
const olderBy = (hash: string, time: string): Promise<unknown> =>
  server.db.query(`update uploads set at = now() - $2::interval where hash = $1`, [hash, time]);
/** A task that waits for a file. */
const awaited = (file: string): Promise<unknown> =>
  server.db.query(`insert into tasks (id, kind, ask, made_by) select $1, 'import', $2, id from users limit 1`, [randomUUID(), { file }]);

it('are kept in pieces and read whole', async () => {
  const file = randomBytes(9_000_001);
  const hash = await keepUpload(server.db, file);
  expect((await readUpload(server.db, hash, going)).equals(file)).toBe(true);
  const { rows } = await server.db.query(`select nr from uploads where hash = $1 order by nr`, [hash]);
  expect(rows).toEqual([{ nr: 0 }, { nr: 1 }, { nr: 2 }]);
  await expect(readUpload(server.db, 'f'.repeat(64), going)).rejects.toThrow('not here');
});
it('that are empty are refused', async () => {
  await expect(keepUpload(server.db, Buffer.alloc(0))).rejects.toThrow('empty');
});
it('go after a day, but for those a task still waits for', async () => {
  const [young, old, wanted] = [
    await keepUpload(server.db, randomBytes(10)),
    await keepUpload(server.db, randomBytes(11)),
    await keepUpload(server.db, randomBytes(12)),
  ];
  await olderBy(old, '25 hours');
  await olderBy(wanted, '25 hours');
  await awaited(wanted);
  expect(await purgeUploads(server.db)).toBe(1);
  expect(await Promise.all([young, old, wanted].map((h) => isUploaded(server.db, h)))).toEqual([true, false, true]);
});
it('make room for a new one, the oldest first; where all are waited for, the new one is refused', async () => {
  await server.db.query('delete from uploads');
  const most = 1_000;
  const [first, second] = [await keepUpload(server.db, randomBytes(400), most), await keepUpload(server.db, randomBytes(400), most)];
  await olderBy(first, '2 hours');
  await olderBy(second, '1 hour');
  const third = await keepUpload(server.db, randomBytes(500), most);
  expect(await Promise.all([first, second, third].map((h) => isUploaded(server.db, h)))).toEqual([false, true, true]);
  await awaited(second);
  await expect(keepUpload(server.db, randomBytes(300), most)).rejects.toThrow('Too many files wait');
  expect(await isUploaded(server.db, third)).toBe(true);
});
