import { cpSync, mkdtempSync, readdirSync, writeFileSync } from 'node:fs';
import { randomUUID } from 'node:crypto';
import { tmpdir } from 'node:os';
import pg from 'pg';
import { dropDatabase } from './drop-database.fixture';
import { DatabaseNewer, migrate } from './migrate';

const DIR = `${__dirname}/../../migrations`;
const admin = process.env['TEST_OWNER_URL'] ?? '';
const named = (database: string): string => {
  const u = new URL(admin);
  u.pathname = `/${database}`;
  return u.href;
};
const run = async (statement: string, url = admin): Promise<pg.QueryResult> => {
  const c = new pg.Client({ connectionString: url });
  await c.connect();
  try {
    return await c.query(statement);
  } finally {
    await c.end();
  }
};
const made: string[] = [];
const empty = async (): Promise<string> => {
  const name = `m_${randomUUID().replaceAll('-', '')}`;
  await run(`create database ${name}`);
  made.push(name);
  return named(name);
};
const copy = (): string => {
  const dir = mkdtempSync(`${tmpdir()}/migrations-`);
  cpSync(DIR, dir, { recursive: true });
  return dir;
};
afterAll(async () => {
  for (const name of made) await dropDatabase(run, name);
});

it('goes from empty to the newest, and does nothing the second time', async () => {
  const url = await empty();
  expect((await migrate(url, DIR, null)).applied).toBe(readdirSync(DIR).length);
  expect((await migrate(url, DIR, null)).applied).toBe(0);
});
it('goes from every earlier version to the newest', async () => {
  for (let from = 1; from < readdirSync(DIR).length; from++) {
    const url = await empty();
    const dir = mkdtempSync(`${tmpdir()}/migrations-`);
    for (const f of readdirSync(DIR).sort().slice(0, from)) cpSync(`${DIR}/${f}`, `${dir}/${f}`);
    await migrate(url, dir, null);
    expect((await migrate(url, DIR, null)).applied).toBe(readdirSync(DIR).length - from);
  }
});
it('names the stone of steps that an older program released', async () => {
  const url = await empty();
  const dir = mkdtempSync(`${tmpdir()}/migrations-`);
  for (const f of readdirSync(DIR).sort().slice(0, 22)) cpSync(`${DIR}/${f}`, `${dir}/${f}`);
  await migrate(url, dir, null);
  await run(
    `alter table released_steps drop constraint released_steps_job_fkey, drop constraint released_steps_job_nr_fkey;
     insert into released_steps (job, nr, step, machine, facts, sheet)
     values (gen_random_uuid(), 1, 'card.card.cut', 'knife', '{"step": "card.card.cut", "stage": "card.card.cut", "run": 2100}', '{}')`,
    url,
  );
  await migrate(url, DIR, null);
  expect((await run('select facts from released_steps', url)).rows).toEqual([
    { facts: { step: 'card.card.cut', stone: 'card.card.cut', run: 2100 } },
  ]);
});
it('two processes at once: one applies, the other waits and finds nothing to do', async () => {
  const url = await empty();
  const applied = (await Promise.all([migrate(url, DIR, null), migrate(url, DIR, null)])).map((m) => m.applied).sort((a, b) => a - b);
  expect(applied).toEqual([0, readdirSync(DIR).length]);
});
it('refuses a changed old file and leaves nothing of a failing one', async () => {
  const url = await empty();
  const dir = copy();
  await migrate(url, dir, null);
  writeFileSync(`${dir}/0001.do.people.sql`, '-- changed\n');
  await expect(migrate(url, dir, null)).rejects.toThrow(/checksum/i);
  const failing = copy();
  writeFileSync(`${failing}/0099.do.bad.sql`, 'create table half_made (x int); select no_such_function();');
  await expect(migrate(url, failing, null)).rejects.toThrow(/no_such_function/);
  expect((await run(`select to_regclass('half_made') as there`, url)).rows[0]).toEqual({ there: null });
});
it('refuses a database newer than the program by name', async () => {
  const url = await empty();
  await migrate(url, DIR, null);
  await run(`insert into schemaversion (version, name) values (999, 'future')`, url);
  await expect(migrate(url, DIR, null)).rejects.toThrow(DatabaseNewer);
});
it('names rights for every table the migrations make', async () => {
  const url = await empty();
  await migrate(url, DIR, 'druckerei_app');
  const { rows } = await run(
    `select relname from pg_class where relkind = 'r' and relnamespace = 'public'::regnamespace and not has_table_privilege('druckerei_app', oid, 'select')`,
    url,
  );
  expect(rows).toEqual([]);
});
