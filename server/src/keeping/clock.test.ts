import { randomUUID } from 'node:crypto';
import { pino } from 'pino';
import { NOW, TestServer } from '../test-server.fixture';
import { noticeClock, setBackS } from './clock';

const server = new TestServer();
beforeAll(() => server.start());
afterAll(() => server.stop());

it('that is a little slow was not set back', () => {
  expect([setBackS(NOW, NOW), setBackS(NOW + 60, NOW), setBackS(NOW + 61, NOW), setBackS(NOW - 9_999, NOW)]).toEqual([0, 0, 61, 0]);
});
it('that stands before what was last written down is told to the administrator, and said at the start', async () => {
  const admin = await server.signedIn('admin');
  const read = async (): Promise<Record<string, unknown>> => (await admin.call('GET', '/api/keeping')).body;
  // The tests' own clock stands in the past: what the database wrote by its clock is later.
  server.now = Math.floor(Date.now() / 1000);
  expect(await read()).toMatchObject({ clockBackS: 0, backups: [] });
  await server.db.query(
    `insert into events (who, what, job, detail, at) select id, 'test', null, $1, now() + interval '2 hours' from users limit 1`,
    [{ id: randomUUID() }],
  );
  expect((await read())['clockBackS']).toBeGreaterThan(7_000);
  const said: string[] = [];
  const log = pino({ level: 'error' }, { write: (line: string) => said.push(line) });
  await noticeClock(server.db, server.now, log);
  expect(said.join('')).toContain('was set back');
  server.now += 3 * 3600;
  expect((await read())['clockBackS']).toBe(0);
});
