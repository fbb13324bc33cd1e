// Backup and restore: pg_dump's own format behind a block that says which version it is, what it counts and its fingerprint.
import { createHash } from 'node:crypto';
import {
  createReadStream,
  closeSync,
  existsSync,
  fsyncSync,
  openSync,
  readdirSync,
  readSync,
  renameSync,
  rmSync,
  statSync,
  writeSync,
} from 'node:fs';
import { basename, dirname } from 'node:path';
import { pipeline } from 'node:stream/promises';
import pg from 'pg';
import { ROOT } from './run.mjs';
import { say, Stop } from './say.mjs';

const MAGIC = 'druckerei backup 2';
/** Before fingerprints: still read. */
const MAGICS = [MAGIC, 'druckerei backup 1'];
/** The head stands in a block of its own, filled up with blanks: it is written last, when all of it is known. */
const HEAD_BYTES = 65_536;
const TELL_MS = 2_000;

const newest = () =>
  Math.max(
    ...readdirSync(`${ROOT}/server/migrations`)
      .map((f) => Number.parseInt(f, 10))
      .filter(Number.isFinite),
  );

/** Rows of every table there is, and the names of all plans: the same specifications give the same. By one snapshot where one is given. */
async function countsOf(client) {
  const { rows } = await client.query(
    `select c.oid::regclass::text as name from pg_class c join pg_namespace n on n.oid = c.relnamespace
     where c.relkind = 'r' and n.nspname in ('public', 'queue') order by 1`,
  );
  const counts = {};
  for (const { name } of rows) counts[name] = Number((await client.query(`select count(*) as n from ${name}`)).rows[0].n);
  const plans = (
    await client.query(`select coalesce(md5(string_agg(id::text || (summary -> 'of')::text, ',' order by id)), '') as plans from jobs`)
  ).rows[0].plans;
  return { counts, plans };
}

const connected = async (url, work) => {
  const client = new pg.Client({ connectionString: url });
  await client.connect();
  try {
    return await work(client);
  } finally {
    await client.end();
  }
};

/** Says how far a stream is, every two seconds while it goes on. */
function telling(what, tell) {
  let [bytes, last] = [0, Date.now()];
  return (chunk) => {
    bytes += chunk.length;
    if (Date.now() - last < TELL_MS) return;
    last = Date.now();
    tell(`${what}: ${Math.round(bytes / 1e6)} MB`);
  };
}

/**
 * The whole database to a file: rows and counts by one and the same snapshot, streamed (memory does not grow with the house), on the disk before it gets its name.
 * A backup that breaks off leaves no file.
 */
export async function backup(cluster, database, path, tell = say) {
  const part = `${path}.part`;
  const done = await connected(cluster.urls(database).owner, async (client) => {
    await client.query('begin isolation level repeatable read, read only');
    const { snapshot } = (await client.query('select pg_export_snapshot() as snapshot')).rows[0];
    const version = Number((await client.query('select max(version) as v from schemaversion')).rows[0].v);
    const { counts, plans } = await countsOf(client);
    const file = openSync(part, 'w', 0o600);
    try {
      writeSync(file, Buffer.alloc(HEAD_BYTES, ' '));
      const print = createHash('sha256');
      const told = telling('backup', tell);
      await cluster.dumpTo(database, snapshot, async (stream) => {
        for await (const chunk of stream) {
          print.update(chunk);
          writeSync(file, chunk);
          told(chunk);
        }
      });
      const head = JSON.stringify({ is: MAGIC, version, at: new Date().toISOString(), counts, plans, sha256: print.digest('hex') });
      if (head.length >= HEAD_BYTES) throw new Stop('the head of the backup is too long.');
      writeSync(file, `${head.padEnd(HEAD_BYTES - 1)}\n`, 0);
      fsyncSync(file);
      return { counts, plans };
    } catch (error) {
      rmSync(part, { force: true });
      throw error;
    } finally {
      closeSync(file);
    }
  });
  renameSync(part, path);
  const folder = openSync(dirname(path), 'r');
  fsyncSync(folder); // the name, too
  closeSync(folder);
  return { ...done, bytes: statSync(path).size };
}

/** What a file says of itself, and where its dump begins. */
export function readHead(path) {
  const file = openSync(path, 'r');
  const start = Buffer.alloc(HEAD_BYTES);
  const got = readSync(file, start, 0, start.length, 0);
  closeSync(file);
  const end = start.indexOf(10);
  try {
    const head = JSON.parse(start.subarray(0, end).toString('utf8'));
    if (got > 0 && end > 0 && MAGICS.includes(head.is)) return { head, from: end + 1 };
  } catch {
    /* said below */
  }
  throw new Stop(`${path} is no backup of this program.`);
}

async function mustBeWhole(path, { head, from }, tell) {
  if (head.sha256 === undefined) return;
  const print = createHash('sha256');
  const told = telling('reading', tell);
  await pipeline(createReadStream(path, { start: from }), async (stream) => {
    for await (const chunk of stream) {
      print.update(chunk);
      told(chunk);
    }
  });
  if (print.digest('hex') !== head.sha256)
    throw new Stop(`${path} is damaged: its fingerprint is not the one it was written with. Nothing was changed.`);
}

/** A new database from the file, beside the one in use; counted; only then the names change. Whatever goes wrong before leaves the one in use as it was. */
export async function restore(cluster, database, path, tell = say) {
  const read = readHead(path);
  const { head, from } = read;
  if (head.version > newest())
    throw new Stop(`the backup is of version ${head.version}, this program knows ${newest()}: restore it with the newer program.`);
  await mustBeWhole(path, read, tell);
  const fresh = `${database}_restored`;
  cluster.dropDatabase(fresh);
  const { owner } = cluster.database(fresh);
  const { counts, plans } = await (async () => {
    const told = telling('restore', tell);
    await cluster.undumpFrom(fresh, createReadStream(path, { start: from }).on('data', told));
    return connected(owner, countsOf);
  })().catch((error) => {
    cluster.dropDatabase(fresh);
    throw error;
  });
  const wrong = Object.entries(head.counts).filter(([t, n]) => counts[t] !== n);
  if (wrong.length > 0 || plans !== head.plans) {
    cluster.dropDatabase(fresh);
    throw new Stop(
      `the restored database does not count as the file says (${wrong.map(([t, n]) => `${t}: ${counts[t]} of ${n}`).join(', ') || 'plans differ'}): nothing was changed.`,
    );
  }
  const kept = cluster.has(database) ? `${database}_before_${new Date().toISOString().replace(/\D/g, '').slice(0, 14)}` : null;
  if (kept) cluster.rename(database, kept);
  cluster.rename(fresh, database);
  return { counts, plans, kept };
}

const ADD_BACKUP = `insert into backups (file, bytes, says) values ($1, $2, $3)`;
const RETRY_MS = [60_000, 300_000, 900_000];
const wait = (ms) => new Promise((resolve) => setTimeout(resolve, ms).unref());

/** A backup that is on record, whether it was made or why not; tried again where it failed. */
export async function keptBackup(cluster, database, path, { retries = RETRY_MS, tell = say } = {}) {
  const record = (bytes, says) =>
    connected(cluster.urls(database).owner, (client) => client.query(ADD_BACKUP, [basename(path), bytes, says])).catch((error) =>
      tell(`the backup could not be put on record: ${error.message}`),
    );
  for (let tries = 0; ; tries++)
    try {
      const made = await backup(cluster, database, path, tell);
      await record(made.bytes, '');
      return made;
    } catch (error) {
      await record(null, error.message);
      if (tries >= retries.length) throw error;
      tell(`the backup failed (${error.message}); again in ${Math.round(retries[tries] / 60_000)} min`);
      await wait(retries[tries]);
    }
}

const NAME = /^nightly-\d{8}-\d{4}\.backup$/;
/** Removes the oldest nightly backups of a folder beyond so many; others are nobody's business here. */
export function keepNewest(folder, most) {
  if (!existsSync(folder)) return [];
  const old = readdirSync(folder)
    .filter((f) => NAME.test(f))
    .sort()
    .reverse()
    .slice(most);
  for (const f of old) rmSync(`${folder}/${f}`);
  return old;
}

/** Milliseconds until a time of day comes, by this machine's clock. @example at 23:00 until 02:30 it is 3.5 h */
export function msUntil(timeOfDay, now = new Date()) {
  const [h, m] = timeOfDay.split(':').map(Number);
  const next = new Date(now);
  next.setHours(h, m, 0, 0);
  if (next <= now) next.setDate(next.getDate() + 1);
  return next - now;
}

/** Every night, while npm start runs. Gives what stops it. */
export function nightly(cluster, database, { folder, timeOfDay, most, makeFolder }) {
  let timer;
  const plan = () => {
    timer = setTimeout(() => {
      const stamp = new Date().toISOString().replace(/\D/g, '');
      makeFolder(folder);
      void keptBackup(cluster, database, `${folder}/nightly-${stamp.slice(0, 8)}-${stamp.slice(8, 12)}.backup`, { tell: () => undefined })
        .then(() => keepNewest(folder, most))
        .catch((error) => say(`no backup this night: ${error.message}`))
        .finally(plan);
    }, msUntil(timeOfDay));
    timer.unref();
  };
  plan();
  return () => clearTimeout(timer);
}
