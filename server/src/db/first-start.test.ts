import { readFileSync } from 'node:fs';
import { randomUUID } from 'node:crypto';
import pg from 'pg';
import { dropDatabase } from './drop-database.fixture';
import { demoIsLoaded, FirstStart, firstStart } from './first-start';
import { makePool } from './pool';

const ROOT = `${__dirname}/../../..`;
const read = (name: string): Record<string, unknown> =>
  JSON.parse(readFileSync(`${ROOT}/demo/${name}.json`, 'utf8')) as Record<string, unknown>;
const FROM = FirstStart.parse({ ...read('first-start'), plant: read('plant') });

const name = `t_${randomUUID().replaceAll('-', '')}`;
const url = (which: string | undefined, database: string): string => {
  const u = new URL(which ?? '');
  u.pathname = `/${database}`;
  return u.href;
};
const owner = async (statement: string): Promise<void> => {
  const c = new pg.Client({ connectionString: process.env['TEST_OWNER_URL'] });
  await c.connect();
  await c.query(statement).finally(() => c.end());
};
let db: pg.Pool;
beforeEach(async () => {
  await owner(`create database ${name} template druckerei_template`);
  db = makePool(url(process.env['TEST_APP_URL'], name), () => undefined);
});
afterEach(async () => {
  await db.end();
  await dropDatabase(owner, name);
});
const people = async (): Promise<unknown[]> => (await db.query(`select name, must_change from users order by name`)).rows;
const start = (demo: boolean, password?: string) => firstStart(db, FROM, { demo, password });

it('without the demo makes one administrator with a password of its own, shown once, and none of the published ones', async () => {
  const { firstAdmin, demo } = await start(false);
  expect(demo).toBeNull();
  expect(firstAdmin?.password).toMatch(/^([a-z2-9]{4}-){4}[a-z2-9]{4}$/);
  expect(await people()).toEqual([{ name: 'admin', must_change: true }]);
  expect((await db.query(`select 1 from lots`)).rowCount).toBe(0);
  // Later starts make nobody, whatever they are asked.
  expect(await start(true)).toEqual({ firstAdmin: null, demo: null });
  expect(await people()).toHaveLength(1);
});
it('takes the password it is given', async () => {
  expect((await start(false, 'ladder-and-lamp-3')).firstAdmin).toEqual({ name: 'admin', password: 'ladder-and-lamp-3' });
});
it('with the demo makes its people, who need no other password, and asks for its orders once', async () => {
  expect(await start(true)).toEqual({ firstAdmin: null, demo: 'toLoad' });
  expect(await people()).toHaveLength(FROM.people.length);
  await demoIsLoaded(db);
  expect(await start(true)).toEqual({ firstAdmin: null, demo: 'loaded' });
});
it('fills a database once, however many start on it at the same moment', async () => {
  const all = await Promise.all([start(false), start(false), start(false)]);
  expect(all.filter((s) => s.firstAdmin !== null)).toHaveLength(1);
  expect(await people()).toHaveLength(1);
});
