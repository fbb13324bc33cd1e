import { readdirSync } from 'node:fs';
import pg from 'pg';
import { runMigrations } from 'graphile-worker';
import Postgrator from 'postgrator';
import * as z from 'zod';
import { many, one, rows } from './rows';

const LOCK = 7_340_211;
/** The schema the queue's library keeps its tables in. */
export const QUEUE_SCHEMA = 'queue';

const IS_MIGRATED = rows(z.object({ there: z.boolean() }), `select to_regclass('public.schemaversion') is not null as there`);
const NEWEST_VERSION = rows(
  z.object({ version: z.number() }),
  `select coalesce(max(version), 0)::int as version from public.schemaversion`,
);
/** Tables the queue's library shuts to everybody but their owner by row. */
const SHUT_BY_ROW = rows(
  z.object({ table: z.string() }),
  `select c.oid::regclass::text as table from pg_class c where c.relnamespace = '${QUEUE_SCHEMA}'::regnamespace and c.relrowsecurity`,
);

/** The database was made by a newer program: this one must not touch it. */
export class DatabaseNewer extends Error {}

/**
 * Brings the database to the newest migration: one run is one transaction under an advisory lock, so two processes may start at once.
 * A changed old file is refused by its checksum; a database newer than the program is refused by name. Then the rights of the app's role.
 */
export async function migrate(ownerUrl: string, dir: string, appRole: string | null): Promise<{ applied: number; version: number }> {
  const client = new pg.Client({ connectionString: ownerUrl });
  await client.connect();
  try {
    await client.query('select pg_advisory_lock($1)', [LOCK]); // until the connection ends
    await client.query('begin');
    const newest = Math.max(
      ...readdirSync(dir)
        .map((f) => Number.parseInt(f, 10))
        .filter(Number.isFinite),
    );
    if ((await one(client, IS_MIGRATED)).there) {
      const { version } = await one(client, NEWEST_VERSION);
      if (version > newest)
        throw new DatabaseNewer(
          `The database is at version ${version}, this program knows ${newest}: start the newer program, or use another database.`,
        );
    }
    const runner = new Postgrator({
      driver: 'pg',
      migrationPattern: `${dir}/*.sql`,
      schemaTable: 'public.schemaversion',
      validateChecksums: true,
      newline: 'LF',
      execQuery: (q) => client.query(q),
      execSqlScript: (s) => client.query(s) as unknown as Promise<void>,
    });
    const applied = await runner.migrate('max');
    await client.query('commit');
    // The queue's own tables are the library's: it migrates them itself, under its own lock.
    await runMigrations({ connectionString: ownerUrl, schema: QUEUE_SCHEMA });
    if (appRole !== null) await grantRights(client, appRole);
    return { applied: applied.length, version: newest };
  } finally {
    await client.end(); // an open transaction ends with its connection: nothing stays
  }
}

/** What the running program may do, table by table. No definitions; logs and snapshots only grow. */
const RIGHTS: Record<string, string> = {
  users: 'select, insert, update',
  sessions: 'select, insert, update, delete',
  sign_in_attempts: 'select, insert, delete',
  access_log: 'select, insert',
  marks: 'select, insert',
  backups: 'select',
  secrets: 'select, insert',
  plants: 'select, insert',
  plant_in_force: 'select, insert, update',
  plant_changes: 'select, insert',
  lots: 'select, insert, update',
  tools: 'select, insert, update',
  customers: 'select, insert, update',
  orders: 'select, insert',
  order_lines: 'select, insert, update',
  deliveries: 'select, insert, update, delete',
  gate_answers: 'select, insert',
  lot_moves: 'select, insert',
  reservations: 'select, insert, update',
  purchases: 'select, insert, update',
  tasks: 'select, insert, update',
  workers: 'select, insert, update, delete',
  jobs: 'select, insert, update',
  job_items: 'select, insert, delete',
  specs: 'select, insert',
  files: 'select, insert',
  releases: 'select, insert',
  released_steps: 'select, insert',
  steps_as_measured: 'select, insert, update',
  board_versions: 'select, insert',
  machine_hours: 'select, insert, update',
  board_ends: 'select, insert, update, delete',
  floor_log: 'select, insert',
  floor_sums: 'select, insert, update',
  piles: 'select, insert, update',
  step_facts: 'select, insert, update',
  tool_log: 'select, insert',
  ink_bases: 'select, insert, update',
  ink_recipes: 'select, insert',
  ink_samples: 'select, insert',
  ink_batches: 'select, insert',
  ink_weighings: 'select, insert',
  ink_pails: 'select, insert, update',
  draw_downs: 'select, insert',
  draw_down_answers: 'select, insert',
  separations: 'select, insert',
  uploads: 'select, insert, update (at), delete',
  zone_sets: 'select, insert',
  duct_settings: 'select, insert',
  register_log: 'select, insert',
  practice_scores: 'select, insert',
  events: 'select, insert',
  schemaversion: 'select',
};

async function grantRights(client: pg.Client, role: string): Promise<void> {
  const name = client.escapeIdentifier(role);
  await client.query(`grant usage on schema public to ${name}`);
  for (const [table, rights] of Object.entries(RIGHTS)) {
    await client.query(`revoke all on ${table} from ${name}`);
    await client.query(`grant ${rights} on ${table} to ${name}`);
  }
  await client.query(`grant usage on all sequences in schema public to ${name}`);
  await client.query(`grant usage on schema ${QUEUE_SCHEMA} to ${name}`);
  await client.query(`grant select, insert, update, delete on all tables in schema ${QUEUE_SCHEMA} to ${name}`);
  await client.query(`grant usage on all sequences in schema ${QUEUE_SCHEMA} to ${name}`);
  await client.query(`grant execute on all functions in schema ${QUEUE_SCHEMA} to ${name}`);
  // The program is let in by name.
  for (const { table } of await many(client, SHUT_BY_ROW)) {
    await client.query(`drop policy if exists druckerei on ${table}`);
    await client.query(`create policy druckerei on ${table} for all to ${name} using (true) with check (true)`);
  }
}
