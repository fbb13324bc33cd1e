import { fileURLToPath } from 'node:url';
import { pino } from 'pino';
import * as z from 'zod';
import { makePool } from './db/pool';
import { TaskRunner } from './tasks/runner';
import { FileReader } from './tasks/file-reader';
import { Threads } from './tasks/threads';

/* npm run worker: takes long work from the queue of a database, on this or any other machine; it answers no browser. */

const env = z
  .object({
    DATABASE_URL: z.string().min(1, 'names the database, as the server has it'),
    SILENT_S: z.coerce.number().min(1).max(600).default(20),
    LOG_LEVEL: z.string().default('info'),
  })
  .parse(process.env);
const log = pino({ level: env.LOG_LEVEL });
const db = makePool(env.DATABASE_URL, (e) => log.warn({ err: e.message }, 'idle database connection lost'));
const threads = new Threads(new URL('./heavy.thread.js', import.meta.url));
const reader = new FileReader(new URL('./file.reader.js', import.meta.url), [fileURLToPath(new URL('../..', import.meta.url))]);
const runner = await new TaskRunner({ db, log, threads, reader, now: () => Math.floor(Date.now() / 1000), silentS: env.SILENT_S }).start();
log.info('working');
process.send?.({ ready: true });

// A promise nobody waited for is a fault to be found in the log, no reason to end everybody's work.
process.on('unhandledRejection', (err) => log.error({ err }, 'unhandled rejection'));

let stopping = false;
async function stop(): Promise<void> {
  if (stopping) return;
  stopping = true;
  await runner.stop();
  await db.end();
  process.exit(0);
}
for (const signal of ['SIGTERM', 'SIGINT'] as const) process.on(signal, () => void stop());
process.on('disconnect', () => void stop());
