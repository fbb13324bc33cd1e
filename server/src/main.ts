import { readFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { pino } from 'pino';
import { z } from 'zod';
import { buildApp } from './app';
import { demoIsLoaded, FIRST_ADMIN, FirstStart, firstStart, sessionSecret } from './db/first-start';
import { DatabaseNewer, migrate } from './db/migrate';
import { makePool } from './db/pool';
import { writeOlderReleases } from './floor/released-steps';
import { refreshSummaries } from './jobs/refresh-summaries';
import { EventHub } from './events/event-hub';
import { password } from '@druckerei/contract';
import { weakPassword } from './session/weak-password';
import { TaskRunner } from './tasks/runner';
import { FileReader } from './tasks/file-reader';
import { Threads } from './tasks/threads';

const here = (path: string): string => fileURLToPath(new URL(path, import.meta.url));
const env = z
  .object({
    PORT: z.coerce.number().int().min(0).max(65_535).default(8080),
    HOST: z.string().default('127.0.0.1'),
    DATABASE_URL: z.string().min(1),
    /** The owner migrates; the app's role may define nothing. Left out: one role does both. */
    OWNER_DATABASE_URL: z.string().optional(),
    WEB_DIR: z.string().default(here('../../web/dist/browser')),
    MIGRATIONS_DIR: z.string().default(here('../migrations')),
    /** The file an empty database is filled from: the plant, and with DEMO=1 the demo's people and store. */
    FIRST_START: z.string().optional(),
    DEMO: z.enum(['0', '1']).default('0'),
    /** The first administrator's password where there is no demo; left out, one is made up and shown once. */
    FIRST_PASSWORD: z.string().optional(),
    /** Proxies in front, as Express reads it: their number, or their addresses (“loopback”, “10.0.0.0/8”). */
    TRUST_PROXY: z.string().optional(),
    /** 0: this process answers only; long work is done by others (npm run worker). */
    WORKERS: z.coerce.number().int().min(0).max(1).default(1),
    /** Seconds without a sign of life after which a worker's work is taken over. */
    SILENT_S: z.coerce.number().min(1).max(600).default(20),
    LOG_LEVEL: z.string().default('info'),
    /** An ISO moment at which the clock stands (pictures, tests). */ CLOCK: z.iso.datetime().optional(),
  })
  .parse(process.env);

const log = pino({ level: env.LOG_LEVEL });
const fixed = env.CLOCK === undefined ? null : Date.parse(env.CLOCK) / 1000;
const now = (): number => fixed ?? Math.floor(Date.now() / 1000);

/** The file names its plant by another file beside it. */
function readFirstStart(path: string): FirstStart {
  const read = (file: string): Record<string, unknown> => JSON.parse(readFileSync(file, 'utf8')) as Record<string, unknown>;
  const document = read(path);
  return FirstStart.parse({ ...document, plant: read(join(dirname(path), String(document['plant']))) });
}

const proxies = (given: string | undefined): string | number | null =>
  given === undefined ? null : /^\d+$/.test(given) ? Number(given) : given;
function tooWeak(given: string): string | null {
  const asked = password.safeParse(given);
  return asked.success ? weakPassword(given, FIRST_ADMIN) : (asked.error.issues[0]?.message ?? 'is too weak');
}

/** One clear sentence and exit code 1. */
function fail(sentence: string): never {
  process.stderr.write(`druckerei: ${sentence}\n`);
  process.exit(1);
}

const appRole = env.OWNER_DATABASE_URL === undefined ? null : decodeURIComponent(new URL(env.DATABASE_URL).username);
const { version } = await migrate(env.OWNER_DATABASE_URL ?? env.DATABASE_URL, env.MIGRATIONS_DIR, appRole).catch((error: unknown) =>
  fail(
    error instanceof DatabaseNewer
      ? error.message
      : `the database could not be brought up to date: ${error instanceof Error ? error.message : String(error)}`,
  ),
);
const db = makePool(env.DATABASE_URL, (e) => log.warn({ err: e.message }, 'idle database connection lost'));
const weak = env.FIRST_PASSWORD === undefined ? null : tooWeak(env.FIRST_PASSWORD);
if (weak !== null) fail(`FIRST_PASSWORD ${weak}.`);
const started =
  env.FIRST_START === undefined
    ? null
    : await firstStart(db, readFirstStart(env.FIRST_START), { demo: env.DEMO === '1', password: env.FIRST_PASSWORD });
const hub = new EventHub(env.DATABASE_URL, log);
await hub.start();
void writeOlderReleases(db, log).catch((err: unknown) => log.warn({ err }, 'older releases are not on the floor yet'));
void refreshSummaries(db, log, now).then(
  (n) => log.info({ jobs: n }, 'planned again by this program'),
  (err: unknown) => log.warn({ err }, 'older plans stay for now'),
);
const threads = new Threads(new URL('./heavy.thread.js', import.meta.url));
const reader = new FileReader(new URL('./file.reader.js', import.meta.url), [fileURLToPath(new URL('../..', import.meta.url))]);
const runner = env.WORKERS === 0 ? null : await new TaskRunner({ db, log, threads, reader, now, silentS: env.SILENT_S }).start();
const { app, close } = buildApp({
  db,
  hub,
  threads,
  log,
  now,
  secret: await sessionSecret(db),
  webDir: env.WEB_DIR,
  trustProxy: proxies(env.TRUST_PROXY),
});
const server = app.listen(env.PORT, env.HOST, (error?: NodeJS.ErrnoException) => {
  if (error) fail(error.code === 'EADDRINUSE' ? `port ${env.PORT} is taken by something else: set PORT to a free one.` : error.message);
  const address = server.address();
  log.info({ port: typeof address === 'object' ? address?.port : address, migration: version }, 'listening');
  // Whoever started this tells the first administrator's password; without one it is told here, this once.
  if (process.send) process.send({ ready: typeof address === 'object' ? address?.port : null, started });
  else if (started?.firstAdmin)
    process.stdout.write(`First sign-in, shown this once: ${started.firstAdmin.name}  ${started.firstAdmin.password}\n`);
});

// A promise nobody waited for is a fault to be found in the log, no reason to end everybody's work.
process.on('unhandledRejection', (err) => log.error({ err }, 'unhandled rejection'));

let stopping = false;
async function stop(): Promise<void> {
  if (stopping) return;
  stopping = true;
  await hub.stop(); // open event streams first, else the server waits for them
  const closed = new Promise<void>((resolve) => server.close(() => resolve()));
  server.closeIdleConnections();
  const late = setTimeout(() => server.closeAllConnections(), 1_500);
  await closed;
  clearTimeout(late);
  close();
  await runner?.stop();
  await db.end();
  process.exit(0);
}
for (const signal of ['SIGTERM', 'SIGINT'] as const) process.on(signal, () => void stop());
process.on('disconnect', () => void stop());
process.on('message', (said) => {
  if (typeof said === 'object' && said !== null && 'demoLoaded' in said) void demoIsLoaded(db);
});
