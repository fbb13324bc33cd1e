// Backup and restore: pg_dump's own format behind one line of JSON that says which version it is and what it counts.
import { closeSync, openSync, readdirSync, readFileSync, readSync, statSync, writeFileSync } from 'node:fs';
import { ROOT } from './run.mjs';
import { Stop } from './say.mjs';

const MAGIC = 'druckerei backup 1';
/** Tables whose rows are counted on both sides; together they hold everything a person entered. */
const COUNTED = [
  ...[
    'users',
    'plants',
    'plant_changes',
    'customers',
    'orders',
    'order_lines',
    'deliveries',
    'jobs',
    'job_items',
    'specs',
    'releases',
    'files',
  ],
  ...['events', 'lots', 'lot_moves', 'tools', 'reservations', 'purchases', 'gate_answers', 'tasks'],
];
const newest = () =>
  Math.max(
    ...readdirSync(`${ROOT}/server/migrations`)
      .map((f) => Number.parseInt(f, 10))
      .filter(Number.isFinite),
  );

/** Rows of each table, and the names of all plans: the same specifications give the same. */
function countsOf(cluster, database) {
  const rows = cluster
    .sql(database, COUNTED.map((t) => `select '${t}', count(*) from ${t}`).join(' union all '))
    .trim()
    .split('\n');
  const counts = Object.fromEntries(rows.map((r) => r.split('|')).map(([t, n]) => [t, Number(n)]));
  const plans = cluster
    .sql(database, `select coalesce(md5(string_agg(id::text || (summary -> 'of')::text, ',' order by id)), '') from jobs`)
    .trim();
  return { counts, plans };
}

export function backup(cluster, database, path) {
  const version = Number(cluster.sql(database, 'select max(version) from schemaversion').trim());
  const { counts, plans } = countsOf(cluster, database);
  const dump = cluster.dump(database);
  const head = `${JSON.stringify({ is: MAGIC, version, at: new Date().toISOString(), counts, plans })}\n`;
  writeFileSync(path, Buffer.concat([Buffer.from(head), dump]), { mode: 0o600 });
  return { counts, plans, bytes: statSync(path).size };
}

function readHead(path) {
  const file = openSync(path, 'r');
  const start = Buffer.alloc(65_536);
  const got = readSync(file, start, 0, start.length, 0);
  closeSync(file);
  const end = start.indexOf(10);
  try {
    const head = JSON.parse(start.subarray(0, end).toString('utf8'));
    if (got > 0 && end > 0 && head.is === MAGIC) return { head, end };
  } catch {
    /* said below */
  }
  throw new Stop(`${path} is no backup of this program.`);
}

/** A new database from the file; counted; only then the names change. Whatever goes wrong before leaves the one in use as it was. */
export function restore(cluster, database, path) {
  const { head, end } = readHead(path);
  if (head.version > newest())
    throw new Stop(`the backup is of version ${head.version}, this program knows ${newest()}: restore it with the newer program.`);
  const fresh = `${database}_restored`;
  cluster.dropDatabase(fresh);
  cluster.database(fresh);
  cluster.undump(fresh, readFileSync(path).subarray(end + 1));
  const { counts, plans } = countsOf(cluster, fresh);
  const wrong = Object.entries(head.counts).filter(([t, n]) => counts[t] !== n);
  if (wrong.length > 0 || plans !== head.plans) {
    cluster.dropDatabase(fresh);
    throw new Stop(
      `the restored database does not count as the file says (${wrong.map(([t, n]) => `${t}: ${counts[t]} of ${n}`).join(', ') || 'plans differ'}): nothing was changed.`,
    );
  }
  const there = cluster.has(database);
  const kept = there ? `${database}_before_${new Date().toISOString().replace(/\D/g, '').slice(0, 14)}` : null;
  if (kept) cluster.rename(database, kept);
  cluster.rename(fresh, database);
  return { counts, plans, kept };
}
