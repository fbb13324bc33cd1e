import pg from 'pg';

// Parsers once: bigint counts fit a number (at most 10⁹ pieces); dates stay Date.
pg.types.setTypeParser(pg.types.builtins.INT8, Number);

/** Nothing a page asks for takes so long; what does is ended, so that it holds no connection. */
const STATEMENT_MS = 60_000;
const LOCK_MS = 20_000;
const IDLE_IN_TRANSACTION_MS = 120_000;

export type Db = Pick<pg.Pool, 'query'>;

export function makePool(connectionString: string, onError: (e: Error) => void): pg.Pool {
  const pool = new pg.Pool({
    connectionString,
    max: 10,
    connectionTimeoutMillis: 5_000,
    statement_timeout: STATEMENT_MS,
    lock_timeout: LOCK_MS,
    idle_in_transaction_session_timeout: IDLE_IN_TRANSACTION_MS,
    // Statements are planned once a connection, not for each value: planning takes longer than most of them run. Searches ask for the other way themselves.
    options: '-c plan_cache_mode=force_generic_plan',
  });
  pool.on('error', onError); // a lost idle connection must not end the process
  pool.on('connect', (client) => client.on('error', onError)); // nor one that is lent out
  return pool;
}

/** First in a transaction: what follows is planned for the values it is asked with. Source: PostgreSQL, plan_cache_mode. */
export const PLAN_FOR_VALUES = `set local plan_cache_mode = force_custom_plan`;

/** Two that waited for each other: PostgreSQL ended this one, so that the other could go on. */
const DEADLOCK = '40P01';
const MOST_TRIES = 4;

/** Runs work in one transaction; anything thrown rolls it back. Work that was ended for a deadlock is done again. */
export async function inTransaction<T>(pool: pg.Pool, work: (db: pg.PoolClient) => Promise<T>): Promise<T> {
  for (let tries = 1; ; tries++)
    try {
      return await once(pool, work);
    } catch (error) {
      if ((error as { code?: string }).code !== DEADLOCK || tries >= MOST_TRIES) throw error;
    }
}

async function once<T>(pool: pg.Pool, work: (db: pg.PoolClient) => Promise<T>): Promise<T> {
  const client = await pool.connect();
  let broken: Error | undefined;
  const lost = (e: Error): void => {
    broken = e;
  };
  client.on('error', lost);
  try {
    await client.query('begin');
    const result = await work(client);
    await client.query('commit');
    return result;
  } catch (error) {
    await client.query('rollback').catch((e: unknown) => (broken = e as Error));
    throw error;
  } finally {
    client.off('error', lost);
    client.release(broken);
  }
}
