/** The database's own cleaner works in it for a moment now and then; its owner may not end it, and tries again. */
const TRIES = 20;
const BETWEEN_MS = 250;

/** Drops a database of a test, whoever is still in it. */
export async function dropDatabase(run: (sql: string) => Promise<unknown>, name: string): Promise<void> {
  for (let tries = 1; ; tries++)
    try {
      await run(`drop database if exists ${name} with (force)`);
      return;
    } catch (error) {
      const isBusy = error instanceof Error && /pg_signal_backend|permission denied to terminate process/.test(error.message);
      if (!isBusy || tries === TRIES) throw error;
      await new Promise((resolve) => setTimeout(resolve, BETWEEN_MS));
    }
}
